import { type Point, bisect } from '../../ground/geometry/index.ts';
import { halfAngleAt, type InvoluteDimensions, involuteDimensions } from './involute-dimensions.ts';
import type { ToothSpec } from './tooth-spec.ts';

/**
 * The root fillet that the rounded tip of the generating rack leaves, as a curve of the angle τ of the point of
 * contact on that tip: 0 at its bottom (the root circle), `end` where the flank takes over. It is given for the
 * right side of the gap that is centred on the y axis, wheel centre at the origin.
 *
 * The contact normal passes through the pitch point (law of gearing), so a tip centre that lies b below the pitch
 * line touches at τ when it stands b·tan τ beside it; the wheel has then turned by that much and the tip's own offset.
 * Source: Litvin & Fuentes, Gear Geometry and Applied Theory, ch. 6 (generation by a rack); form derived here.
 */
export interface Fillet {
  readonly curve: (tau: number) => Point;
  readonly end: number;
  /** Whether the fillet cuts the involute above its own start (undercut). */
  readonly undercut: boolean;
  /** Radius at which flank and fillet meet, mm. */
  readonly formRadius: number;
  /** Half the width of the flat bottom of the gap between its two fillets, as an angle in radians; never negative. */
  readonly bottomHalfAngle: number;
}

/** Largest tip radius of the rack in modules: a full round, where both corners meet at the middle of the tip. */
export function fullRound(spec: ToothSpec): number {
  const { pressureAngle } = involuteDimensions(spec);
  const half = halfWidthAtReference(spec) / spec.module;
  const flat = half - spec.form.dedendum * Math.tan(pressureAngle);
  return (flat * Math.cos(pressureAngle)) / (1 - Math.sin(pressureAngle));
}

/**
 * Half the width of the rack's tooth at its reference line: a quarter pitch, and half of the thinning, which widens
 * the gap.
 */
const halfWidthAtReference = (spec: ToothSpec): number => (Math.PI * spec.module) / 4 + spec.thinning / 2;

/** The fillet of a wheel; undefined when it would leave nothing of the flank. */
export function involuteFillet(spec: ToothSpec): Fillet | undefined {
  const d = involuteDimensions(spec);
  const m = spec.module;
  const rho = Math.min(spec.form.fillet, fullRound(spec)) * m;
  if (rho < 0) return undefined;
  const sin = Math.sin(d.pressureAngle);
  const cos = Math.cos(d.pressureAngle);
  const depth = spec.form.dedendum * m - rho;
  const offset = halfWidthAtReference(spec) - depth * (sin / cos) - rho / cos;
  const below = depth - spec.shift * m;
  const curve = (tau: number): Point => {
    const beside = below * Math.tan(tau);
    const x = beside + rho * Math.sin(tau);
    const y = d.pitchRadius - below - rho * Math.cos(tau);
    const turn = (beside - offset) / d.pitchRadius;
    return { x: x * Math.cos(turn) - y * Math.sin(turn), y: x * Math.sin(turn) + y * Math.cos(turn) };
  };
  const tauEnd = Math.PI / 2 - d.pressureAngle;
  const bottomHalfAngle = Math.max(0, offset / d.pitchRadius);
  const startLength = d.pitchRadius * sin - (below + rho * sin) / sin;
  if (startLength >= 0) {
    const formRadius = Math.hypot(d.baseRadius, startLength);
    return formRadius < d.tipRadius
      ? { curve, end: tauEnd, undercut: false, formRadius, bottomHalfAngle }
      : undefined;
  }
  return undercutFillet(spec, d, curve, tauEnd, bottomHalfAngle);
}

/**
 * Where the fillet crosses the involute: above the base circle the fillet first leaves less tooth than the flank
 * (excess < 0), at its end more. A cut too slight for that to show joins at the nearer end.
 */
function undercutFillet(
  spec: ToothSpec,
  d: InvoluteDimensions,
  curve: (tau: number) => Point,
  tauEnd: number,
  bottomHalfAngle: number,
): Fillet | undefined {
  const half = Math.PI / spec.count;
  const radiusAt = (tau: number): number => Math.hypot(curve(tau).x, curve(tau).y);
  const excess = (tau: number): number => {
    const p = curve(tau);
    const r = Math.max(radiusAt(tau), d.baseRadius);
    return half - Math.atan2(p.x, p.y) - halfAngleAt(r, d.baseRadius, d.halfAngleAtBase);
  };
  const overBase = (tau: number): number => radiusAt(tau) - d.baseRadius;
  const reaches = overBase(tauEnd) > 0;
  const from = overBase(0) < 0 && reaches ? bisect(overBase, 0, tauEnd) : 0;
  const slight = !reaches || excess(tauEnd) <= 0;
  const end = slight ? tauEnd : excess(from) >= 0 ? from : bisect(excess, from, tauEnd);
  const formRadius = radiusAt(end);
  return formRadius < d.tipRadius ? { curve, end, undercut: true, formRadius, bottomHalfAngle } : undefined;
}
