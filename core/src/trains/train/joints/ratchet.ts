import { EVEN, type JointLaw } from './joint-law.ts';
import { equalLaw } from './mean-laws.ts';

/** A ratchet carries its driven side along; that may run ahead. Which tooth it has taken hangs on what was before. */
export const ratchet: JointLaw<'ratchet'> = {
  ...EVEN,
  memory: true,
  leads: joint => [joint.driver],
  mean: (frames, joint) => {
    const e = equalLaw(frames, joint.id, joint.driver, joint.driven);
    return e && [{ ...e, yields: true }];
  },
};
