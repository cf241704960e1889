import { inv, inverseInv } from '../tooth/index.ts';
import { radians } from '../../ground/units/index.ts';

/** Two external wheels at one module. */
export interface Pair {
  readonly module: number;
  readonly pressureAngleDeg: number;
  readonly counts: readonly [number, number];
  readonly shifts: readonly [number, number];
}

/**
 * The angle at which the wheels press, with no play: inv α_w = inv α + 2 tan α (x₁ + x₂)/(z₁ + z₂).
 * Radians; undefined when the shifts are so negative that no such angle exists. Source: ISO 21771.
 */
export function workingPressureAngle(pair: Pair): number | undefined {
  const alpha = radians(pair.pressureAngleDeg);
  const sum = pair.counts[0] + pair.counts[1];
  const value = inv(alpha) + (2 * Math.tan(alpha) * (pair.shifts[0] + pair.shifts[1])) / sum;
  return value >= 0 ? inverseInv(value) : undefined;
}

/**
 * Distance of the centres in mm, with no play: a = m(z₁ + z₂)/2 · cos α / cos α_w. m = 3, 12 and 24 teeth, x 0.6 and
 * 0.36: 56.4999. Undefined where there is no working pressure angle. Source: ISO 21771.
 */
export function centreDistance(pair: Pair): number | undefined {
  const working = workingPressureAngle(pair);
  if (working === undefined) return undefined;
  if (pair.shifts[0] + pair.shifts[1] === 0) return (pair.module * (pair.counts[0] + pair.counts[1])) / 2;
  const alpha = radians(pair.pressureAngleDeg);
  return (((pair.module * (pair.counts[0] + pair.counts[1])) / 2) * Math.cos(alpha)) / Math.cos(working);
}

/**
 * Tip shortening of both wheels in modules, so that the root clearance stays whole when shifts spread the centres:
 * k = (a − a₀)/m − (x₁ + x₂), nought or less. Source: ISO 21771.
 */
export function tipShortening(pair: Pair): number {
  const a = centreDistance(pair);
  if (a === undefined) return 0;
  const apart = a / pair.module - (pair.counts[0] + pair.counts[1]) / 2;
  return Math.min(0, apart - (pair.shifts[0] + pair.shifts[1]));
}

/**
 * Backlash along the pitch circle that moving centres apart by `spread` adds: 2Δa·tan α (conventions 13). 20°, 0.1
 * mm: 0.0728.
 */
export const playFromSpread = (spread: number, pressureAngleDeg: number): number =>
  2 * spread * Math.tan(radians(pressureAngleDeg));
