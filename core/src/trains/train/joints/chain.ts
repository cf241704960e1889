import type { RateEquation } from '../rate-equation.ts';
import { EVEN, type JointLaw } from './joint-law.ts';
import { wheelLaw } from './mean-laws.ts';

/** A chain or belt: wheels on one side of it keep the sense, those on the other turn it. */
export const chain: JointLaw<'chain'> = {
  ...EVEN,
  mean: (frames, joint) => {
    const found: RateEquation[] = [];
    for (const [i, b] of joint.runs.entries()) {
      const a = joint.runs[i - 1];
      if (!a) continue;
      const e = wheelLaw(frames, joint.id, a.wheel, b.wheel, a.side !== b.side);
      if (!e || e === 'open') return e;
      found.push(e);
    }
    return found;
  },
};
