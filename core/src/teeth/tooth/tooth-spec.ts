import type { InvoluteForm } from '../../document/machine/index.ts';

/** All that decides the outline of one wheel's teeth. Lengths in mm. */
export interface ToothSpec {
  readonly form: InvoluteForm;
  readonly module: number;
  /** Teeth on the full circle; the developed back cone of a bevel holds no whole number of them. */
  readonly count: number;
  /** Profile shift in modules, outwards positive. */
  readonly shift: number;
  /** Tip shortening in modules, nought or negative (ISO 21771: k), so that the mate keeps its clearance. */
  readonly shortening: number;
  /** How much thinner than theory the tooth is along its pitch circle, mm. */
  readonly thinning: number;
}

/** Teeth as the rack leaves them: no shift, no shortening, no thinning. */
export const STANDARD_SPEC = { shift: 0, shortening: 0, thinning: 0 } as const;
