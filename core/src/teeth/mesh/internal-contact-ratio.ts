import { involuteDimensions, involuteFillet, ringDimensions, type ToothSpec } from '../tooth/index.ts';

/**
 * Transverse contact ratio of an involute wheel in a ring at a centre distance (mm):
 * ε_α = (√(r_a1² − r_b1²) − √(r_a2² − r_b2²) + a sin α_w)/p_b, no further than the wheel's flank reaches down.
 * Source: ISO 21771, for negative counts. 20 in 60, 20°, the ring's tips shortened by 0.2: 1.68.
 */
export function internalContactRatio(
  [wheel, ring]: readonly [ToothSpec, ToothSpec],
  distance: number,
): number {
  const [a, b] = [involuteDimensions(wheel), ringDimensions(ring)];
  const cos = (b.baseRadius - a.baseRadius) / distance;
  if (!(Math.abs(cos) < 1)) return 0;
  const line = distance * Math.sqrt(1 - cos * cos);
  const reach = (tip: number, base: number): number => Math.sqrt(Math.max(0, tip * tip - base * base));
  const form = involuteFillet(wheel)?.formRadius ?? a.tipRadius;
  const first = Math.max(reach(form, a.baseRadius), reach(b.tipRadius, b.baseRadius) - line);
  const last = reach(a.tipRadius, a.baseRadius);
  return Math.max(0, last - first) / (Math.PI * wheel.module * Math.cos(a.pressureAngle));
}
