import { z } from 'zod';
import { LIMITS } from './limits.ts';
import { Id, Name } from './basic.ts';

/** One stage of a planetary set, by its wheels: their members, meshes and places follow from these. */
const SetStage = z.strictObject({
  sun: Id,
  planet: Id,
  ring: Id,
  /** The planets' second wheel and the ring it turns in, of a set with two rings. */
  second: z.strictObject({ planet: Id, ring: Id }).optional(),
});

/**
 * A planetary set that is kept one: whatever of its wheels is changed, the rest follows. It says only which wheels
 * belong together; counts, shifts and places stand where those of every wheel do.
 */
export const GearSet = z.strictObject({
  id: Id,
  name: Name,
  /** From the drive on, each driven by the one before. */
  stages: z.array(SetStage).min(1).max(LIMITS.setStages[1]),
});
