import { rational } from '../../../ground/rational/index.ts';
import { EVEN, type JointLaw } from './joint-law.ts';

/** Pins in holes carry the turning of the disc, not the way it is swung: its rate and its eccentric's together. */
export const pinsInHoles: JointLaw<'pins in holes'> = {
  ...EVEN,
  mean: (frames, { id, disc, carrier }) => {
    const member = frames.wheel(disc)?.member;
    const home = frames.frameOf(carrier);
    const turned = member === undefined || home === undefined ? undefined : frames.turnIn(member, home);
    return turned && [{ source: id, terms: [...turned, [carrier, rational(-1n)]] }];
  },
};
