import { bisect, type Point } from '../../ground/geometry/index.ts';

/**
 * A point of the epicycloid traced by a circle of radius `rolling` (mm) on the outside of one of radius `base`
 * about the origin, after it has turned by t against the line of centres; it leaves the base circle at angle
 * nought, radially, and bends towards growing angles. z(t) = (R + ρ)e^{iφ} − ρe^{i(φ+t)}, φ = ρt/R. Source: Camus;
 * any text on cycloidal teeth.
 */
export function epicycloid(base: number, rolling: number, t: number): Point {
  const phi = (rolling * t) / base;
  const reach = base + rolling;
  return {
    x: reach * Math.cos(phi) - rolling * Math.cos(phi + t),
    y: reach * Math.sin(phi) - rolling * Math.sin(phi + t),
  };
}

/**
 * The roll t at which the epicycloid has reached an angle about the origin (radians, positive, less than its whole
 * arch).
 */
export function epicycloidAtAngle(base: number, rolling: number, angle: number): number {
  const reach = base + rolling;
  const behind = (t: number): number => Math.atan2(rolling * Math.sin(t), reach - rolling * Math.cos(t));
  return bisect(t => (rolling * t) / base - behind(t) - angle, 0, Math.PI);
}

/** The roll t in (0, π) at which the epicycloid has reached a radius (mm) between the base circle and its crest. */
export function epicycloidAtRadius(base: number, rolling: number, radius: number): number {
  const cos = ((base + rolling) ** 2 + rolling ** 2 - radius ** 2) / (2 * rolling * (base + rolling));
  return Math.acos(Math.max(-1, Math.min(1, cos)));
}
