import { inv } from '../tooth/index.ts';

/** How far a wheel in a ring is from fouling it; margins in radians and as a ratio of counts, negative where it does. */
export interface RingMargins {
  /** The ring's tips reach below the wheel's base circle: involute interference. */
  readonly involute: number;
  /** Tips of the two strike away from the line of centres: trochoid interference. */
  readonly trochoid: number;
}

/**
 * Whether a wheel without profile shift runs in a ring at the standard centre distance, with the same addendum h on both:
 * z₁/z₂ ≥ 1 − tan α_a2/tan α, and θ₁·z₁/z₂ + inv α − inv α_a2 ≥ θ₂ (Colbourne, The Geometry of Involute Gears, 1987; the
 * form of handbook tables; from memory). Counts; angles in degrees; h in modules.
 */
export function ringMargins(count: number, ring: number, pressureAngleDeg = 20, addendum = 1): RingMargins {
  const alpha = (pressureAngleDeg * Math.PI) / 180;
  const a = (ring - count) / 2;
  const [tip1, tip2] = [count / 2 + addendum, ring / 2 - addendum];
  const [base1, base2] = [(count / 2) * Math.cos(alpha), (ring / 2) * Math.cos(alpha)];
  if (a <= 0) return { involute: -1, trochoid: -1 };
  // A ring whose tips lie inside its base circle has no involute there; it is taken to end at the base circle.
  const [at1, at2] = [Math.acos(base1 / tip1), Math.acos(Math.min(1, base2 / tip2))];
  const involute = count / ring - (1 - Math.tan(at2) / Math.tan(alpha));
  const cos1 = (tip2 * tip2 - tip1 * tip1 - a * a) / (2 * a * tip1);
  const cos2 = (a * a + tip2 * tip2 - tip1 * tip1) / (2 * a * tip2);
  // Tips that never reach each other cannot foul; a wheel that reaches beyond the ring all round always does.
  if (a + tip1 <= tip2) return { involute, trochoid: Math.PI };
  if (Math.abs(cos1) > 1 || Math.abs(cos2) > 1) return { involute, trochoid: -1 };
  const theta1 = Math.acos(cos1) + inv(at1) - inv(alpha);
  const trochoid = (theta1 * count) / ring + inv(alpha) - inv(at2) - Math.acos(cos2);
  return { involute, trochoid };
}

/**
 * Whether the tips of a wheel and its ring pass each other. Involute interference alone is not counted: a ring's tips are
 * relieved, or the wheel is undercut for it, and the mesh runs with less contact (common practice).
 */
export const tipsPass = (count: number, ring: number, pressureAngleDeg = 20, addendum = 1): boolean =>
  ringMargins(count, ring, pressureAngleDeg, addendum).trochoid >= 0;
