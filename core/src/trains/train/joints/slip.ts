import { EVEN, type JointLaw } from './joint-law.ts';
import { equalLaw } from './mean-laws.ts';

/** Two arbors held together by friction, as long as nothing else says how they turn. */
export const slip: JointLaw<'slip'> = {
  ...EVEN,
  mean: (frames, joint) => {
    const e = equalLaw(frames, joint.id, joint.a, joint.b);
    return e && [{ ...e, yields: true }];
  },
};
