import { ringInterference } from '../../teeth/mesh/index.ts';
import { involuteFillet, STANDARD_SPEC } from '../../teeth/tooth/index.ts';
import { cosDeg } from '../../ground/units/index.ts';

/** How far a wheel in a ring is from fouling it; margins in modules and radians, negative where it does. */
export interface RingMargins {
  /** The ring's tips reach below the wheel's base circle: involute interference. */
  readonly involute: number;
  /** Tips of the two strike away from the line of centres: trochoid interference. */
  readonly trochoid: number;
}

/**
 * Whether a wheel without profile shift runs in a ring at the standard centre distance, with the same addendum h on
 * both: see ringInterference. Counts; angles in degrees; h in modules.
 */
export function ringMargins(count: number, ring: number, pressureAngleDeg = 20, addendum = 1): RingMargins {
  return marginsWith(count, ring, pressureAngleDeg, addendum, undefined);
}

function marginsWith(
  count: number,
  ring: number,
  pressureAngleDeg: number,
  addendum: number,
  form: number | undefined,
): RingMargins {
  const cos = cosDeg(pressureAngleDeg);
  const distance = (ring - count) / 2;
  if (distance <= 0) return { involute: -1, trochoid: -1 };
  const { involute, trochoid } = ringInterference({
    counts: [count, ring],
    // A ring whose tips lie inside its base circle has no involute there; it is taken to end at the base circle.
    tips: [count / 2 + addendum, ring / 2 - addendum],
    bases: [(count / 2) * cos, (ring / 2) * cos],
    ...{ distance, form },
  });
  return { involute, trochoid };
}

/**
 * Whether the tips of a wheel and its ring pass each other. Involute interference alone is not counted: a ring's
 * tips are relieved, or the wheel is undercut for it, and the mesh runs with less contact (common practice).
 */
export const tipsPass = (count: number, ring: number, pressureAngleDeg = 20, addendum = 1): boolean =>
  ringMargins(count, ring, pressureAngleDeg, addendum).trochoid >= 0;

/** Teeth as they are added to a machine, in modules. */
const USUAL = { kind: 'involute', pressureAngleDeg: 20, addendum: 1, dedendum: 1.25, fillet: 0.38 } as const;

/**
 * By how many modules the ring's tips are cut down so that they keep off the feet of a wheel of the usual form;
 * nought where they do as they are.
 */
export function ringRelief(count: number, ring: number): number {
  const foot = involuteFillet({ form: USUAL, module: 1, count, ...STANDARD_SPEC })?.formRadius;
  const { involute } = marginsWith(count, ring, USUAL.pressureAngleDeg, USUAL.addendum, foot);
  return Math.min(1, Math.max(0, Math.ceil(-100 * involute - 1e-6) / 100));
}
