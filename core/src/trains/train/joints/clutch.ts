import { EVEN, type JointLaw } from './joint-law.ts';
import { equalLaw, one } from './mean-laws.ts';

/** Two arbors held together. */
export const clutch: JointLaw<'clutch'> = {
  ...EVEN,
  mean: (frames, joint) => one(equalLaw(frames, joint.id, joint.a, joint.b)),
};
