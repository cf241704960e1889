import { rational } from '../../../ground/rational/index.ts';
import { EVEN, type JointLaw } from './joint-law.ts';
import { one, pairLaw } from './mean-laws.ts';

/**
 * A cord wound on a drum draws its slide by the drum's rim, π times its diameter a turn: forwards where it leaves the
 * drum on its right, as with a rack (conventions 7). Its slide counts turns of the drum. The cord is taken to run
 * along the slide's line, and turns to lie side by side.
 */
export const drum: JointLaw<'drum'> = {
  ...EVEN,
  mean: (frames, joint) => {
    const kinds = [frames.member(joint.arbor)?.kind, frames.member(joint.slide)?.kind];
    if (kinds[0] !== 'arbor' || kinds[1] !== 'slide') return undefined;
    const by = rational(joint.opposite === true ? 1n : -1n);
    return one(pairLaw(frames, joint.id, [joint.arbor, rational(1n)], [joint.slide, by]));
  },
};
