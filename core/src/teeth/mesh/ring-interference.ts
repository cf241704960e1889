import { inv } from '../tooth/index.ts';

/** A wheel in a ring: counts, tip and base radii and the distance of their centres, mm. */
export interface RingPair {
  readonly counts: readonly [wheel: number, ring: number];
  readonly tips: readonly [number, number];
  readonly bases: readonly [number, number];
  readonly distance: number;
  /** Radius at which the wheel's flank begins, above its fillet; its base circle when not said. */
  readonly form?: number | undefined;
}

/** Margins against the three ways in which a wheel fouls its ring; negative where it does. */
export interface RingInterference {
  /** How far the ring's tips stand outside the radius at which contact would start below the wheel's flank, mm. */
  readonly involute: number;
  /** Tips striking away from the line of centres, radians. */
  readonly trochoid: number;
  /**
   * Tips catching when the wheel is put into the ring from the middle outwards, radians; it can still be put in
   * from the side.
   */
  readonly radial: number;
}

/**
 * Involute: r_a2² ≥ r_b2² + (a sin α_w + √(r_F1² − r_b1²))², with r_F1 where the wheel's flank begins. Trochoid:
 * θ₁z₁/z₂ + inv α_w − inv α_a2 ≥ θ₂. Radial assembly (trimming):
 * θ₁ + inv α_a1 − inv α_w ≥ (z₂/z₁)(θ₂ + inv α_a2 − inv α_w), with sin²θ₁ = (1 − (cos α_a1/cos α_a2)²)/(1 −
 * (z₁/z₂)²) and sin²θ₂ = ((cos α_a2/cos α_a1)² − 1)/((z₂/z₁)² − 1). Source: Colbourne, The Geometry of Involute
 * Gears, 1987, and handbook tables in the same form (from memory).
 */
export function ringInterference({ counts, tips, bases, distance: a, form }: RingPair): RingInterference {
  const [z1, z2] = counts;
  if (!(a > 0)) return { involute: -Infinity, trochoid: -1, radial: -1 };
  const cosWorking = Math.min(1, (bases[1] - bases[0]) / a);
  const working = Math.acos(cosWorking);
  const at1 = Math.acos(Math.min(1, bases[0] / tips[0]));
  const at2 = Math.acos(Math.min(1, bases[1] / tips[1]));
  const start = Math.sqrt(Math.max(0, (form ?? 0) ** 2 - bases[0] ** 2));
  const involute = tips[1] - Math.hypot(bases[1], a * Math.sin(working) + start);
  return {
    involute,
    trochoid: trochoid(tips, [at1, at2], z1 / z2, working, a),
    radial: radial([at1, at2], z1, z2, working),
  };
}

function trochoid(
  [tip1, tip2]: readonly [number, number],
  [at1, at2]: readonly [number, number],
  ratio: number,
  working: number,
  a: number,
): number {
  // Tips that never reach each other cannot foul; a wheel that reaches beyond the ring all round always does.
  if (a + tip1 <= tip2) return Math.PI;
  const cos1 = (tip2 * tip2 - tip1 * tip1 - a * a) / (2 * a * tip1);
  const cos2 = (a * a + tip2 * tip2 - tip1 * tip1) / (2 * a * tip2);
  if (Math.abs(cos1) > 1 || Math.abs(cos2) > 1) return -1;
  const theta1 = Math.acos(cos1) + inv(at1) - inv(working);
  return theta1 * ratio + inv(working) - inv(at2) - Math.acos(cos2);
}

function radial([at1, at2]: readonly [number, number], z1: number, z2: number, working: number): number {
  const square1 = (1 - (Math.cos(at1) / Math.cos(at2)) ** 2) / (1 - (z1 / z2) ** 2);
  const square2 = ((Math.cos(at2) / Math.cos(at1)) ** 2 - 1) / ((z2 / z1) ** 2 - 1);
  // Tips whose angles are so alike that no such place exists pass each other straight.
  if (!(square1 > 0 && square1 <= 1 && square2 > 0 && square2 <= 1)) return square1 > 1 ? -1 : Math.PI;
  const [theta1, theta2] = [Math.asin(Math.sqrt(square1)), Math.asin(Math.sqrt(square2))];
  return theta1 + inv(at1) - inv(working) - (z2 / z1) * (theta2 + inv(at2) - inv(working));
}
