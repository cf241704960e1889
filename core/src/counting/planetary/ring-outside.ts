import { USUAL_RIM } from '../../document/machine/index.ts';

/** Depth of a standard tooth below its pitch circle, modules (ISO 53, profile A). */
const DEDENDUM = 1.25;

/**
 * The outside of a ring of so many teeth across its rim, in modules: that of the part, whose roots lie a dedendum
 * beyond the pitch circle and whose rim is as the part's where nothing is said. 42 teeth of module 2: 99 mm.
 */
export const ringOutside = (ring: number): number => ring + 2 * (DEDENDUM + USUAL_RIM);

/** Whether a ring is within an outside, mm: one just as large is. */
export const withinOutside = (ring: number, module: number, outside: number | undefined): boolean =>
  outside === undefined || ringOutside(ring) * module <= outside + 1e-9;
