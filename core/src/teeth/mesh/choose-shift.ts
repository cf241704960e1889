import { bisect } from '../../ground/geometry/index.ts';
import { fail, ok, type Result } from '../../ground/result/index.ts';
import {
  halfAngleAt,
  inv,
  involuteDimensions,
  shiftWithoutUndercut,
  type ToothSpec,
} from '../tooth/index.ts';
import { radians } from '../../ground/units/index.ts';

/** What profile shift is to do for a pair of external wheels. */
export type ShiftWish =
  | { readonly kind: 'avoid undercut' }
  /** Teeth of both equally thick at their roots, at the sum of shifts that they have. */
  | { readonly kind: 'balance thickness' }
  /** Centres at this distance without play, mm. */
  | { readonly kind: 'meet distance'; readonly distance: number };

/** Bounds within which shift is sought, in modules. */
const MOST = 1;

/**
 * Shifts in modules for a pair, given in the plane across the axes (for spur wheels the plane). Rounded up to
 * hundredths where undercut decides. Source of the sum for a distance: ISO 21771, Σx = (inv α_w − inv α)(z₁ +
 * z₂)/(2 tan α).
 */
export function chooseShifts(
  specs: readonly [ToothSpec, ToothSpec],
  wish: ShiftWish,
): Result<readonly [number, number]> {
  switch (wish.kind) {
    case 'avoid undercut':
      return ok([againstUndercut(specs[0]), againstUndercut(specs[1])]);
    case 'balance thickness':
      return balanced(specs, specs[0].shift + specs[1].shift);
    case 'meet distance':
      return forDistance(specs, wish.distance);
  }
}

const againstUndercut = (spec: ToothSpec): number =>
  Math.max(0, Math.ceil(shiftWithoutUndercut(spec) * 100) / 100);

/**
 * Shifts of a sum with which both teeth are equally thick at the root circle, or at the base circle where that lies
 * outside it.
 */
function balanced(specs: readonly [ToothSpec, ToothSpec], sum: number): Result<readonly [number, number]> {
  const thickness = (spec: ToothSpec, shift: number): number => {
    const d = involuteDimensions({ ...spec, shift });
    const radius = Math.max(d.rootRadius, d.baseRadius);
    return 2 * radius * halfAngleAt(radius, d.baseRadius, d.halfAngleAtBase);
  };
  const off = (x: number): number => thickness(specs[0], x) - thickness(specs[1], sum - x);
  const [low, high] = [Math.max(-MOST, sum - MOST), Math.min(MOST, sum + MOST)];
  if (off(low) > 0 === off(high) > 0) return fail('shift-cannot-balance', { sum });
  const x = bisect(off, low, high);
  return ok([x, sum - x]);
}

/** The sum that the distance asks, given first to what undercut needs and the rest in halves. */
function forDistance(
  specs: readonly [ToothSpec, ToothSpec],
  distance: number,
): Result<readonly [number, number]> {
  const [a, b] = specs;
  const alpha = radians(a.form.pressureAngleDeg);
  const teeth = a.count + b.count;
  const cos = (a.module * teeth * Math.cos(alpha)) / (2 * distance);
  if (!(cos < 1))
    return fail('distance-too-short', { distance, least: (a.module * teeth * Math.cos(alpha)) / 2 });
  const working = Math.acos(cos);
  const sum = ((inv(working) - inv(alpha)) * teeth) / (2 * Math.tan(alpha));
  const needs = specs.map(againstUndercut) as [number, number];
  const rest = (sum - needs[0] - needs[1]) / 2;
  const shifts = [needs[0] + rest, needs[1] + rest] as const;
  if (shifts.some(x => Math.abs(x) > 1.5)) return fail('shift-too-large', { distance, sum });
  return ok(shifts);
}
