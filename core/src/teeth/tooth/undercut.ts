import { radians } from '../../ground/units/index.ts';
import { involuteDimensions } from './involute-dimensions.ts';
import type { ToothSpec } from './tooth-spec.ts';

/**
 * Least count without undercut, not rounded: 2(h − x)/sin² α, with h the rack's straight depth in modules
 * (conventions 14). 20°: 17.097; 14.5°: 31.903; 25°: 11.198.
 */
export function undercutLimit(pressureAngleDeg: number, shift = 0, depth = 1): number {
  const s = Math.sin(radians(pressureAngleDeg));
  return (2 * (depth - shift)) / (s * s);
}

/** The straight depth of the generating rack below its reference line, in modules: h_f − ρ(1 − sin α). */
export const straightDepth = (spec: ToothSpec): number =>
  spec.form.dedendum - spec.form.fillet * (1 - Math.sin(radians(spec.form.pressureAngleDeg)));

/**
 * Whether the generating rack cuts into the involute: its straight flank reaches below the point where the line of
 * action touches the base circle.
 */
export function isUndercut(spec: ToothSpec): boolean {
  const d = involuteDimensions(spec);
  const depth = spec.module * (straightDepth(spec) - spec.shift);
  return depth > d.pitchRadius * Math.sin(d.pressureAngle) ** 2 + 1e-9 * spec.module;
}

/** The least profile shift, in modules, at which the rack no longer undercuts: depth − z·sin² α / 2. */
export function shiftWithoutUndercut(spec: ToothSpec): number {
  const s = Math.sin(radians(spec.form.pressureAngleDeg));
  return straightDepth(spec) - (spec.count * s * s) / 2;
}
