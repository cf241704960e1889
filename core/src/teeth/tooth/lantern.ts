import { bisect, circle, type Path, type Point, rotate, sampleCurve } from '../../ground/geometry/index.ts';
import { fail, ok, type Result } from '../../ground/result/index.ts';
import { epicycloid } from './epicycloid.ts';
import { arcTo, borderOf, type HalfTooth, halfOf, lines, SHARE } from './half-tooth.ts';
import { equidistant } from './offset-curve.ts';

/** The wheel that a lantern pinion meets; lengths in mm. */
export interface LanternWheelSpec {
  readonly module: number;
  readonly count: number;
  /** Pins of the lantern pinion. */
  readonly pins: number;
  readonly pinDiameter: number;
  /** Backlash along the pitch circle, all of it taken from the wheel: pins are stock. */
  readonly play: number;
  /** The part of the addendum, up to where flanks would meet, that is left standing. */
  readonly practical: number;
  /** How much deeper than the pin the gap is. */
  readonly clearance: number;
}

/** The circles of a wheel for a lantern pinion, mm. */
export interface LanternDimensions {
  readonly pitchRadius: number;
  readonly tipRadius: number;
  readonly rootRadius: number;
  readonly thickness: number;
}

interface Flank {
  readonly curve: (t: number) => Point;
  /**
   * Where the flank leaves the circle of the pin that lies in its gap, and where it reaches the middle of the
   * tooth.
   */
  readonly from: number;
  readonly to: number;
}

/**
 * The flank of tooth 0: the equidistant of the epicycloid that the centre of a pin traces, its pitch circle rolling
 * on the wheel's. Near the pitch circle the equidistant turns back on itself within the pin; there the gap is the
 * pin's own circle.
 * Source: Camus's theorem with a pin for a point; common to texts on lantern pinions; derived here.
 */
function lanternFlank(spec: LanternWheelSpec): Result<Flank> {
  const base = (spec.module * spec.count) / 2;
  const rolling = (spec.module * spec.pins) / 2;
  const radius = spec.pinDiameter / 2 + spec.play / 2;
  const gap = Math.PI / spec.count;
  if (radius >= base * Math.sin(gap))
    return fail('pin-too-thick', { pin: spec.pinDiameter, pitch: Math.PI * spec.module });
  const centre = (t: number): Point => rotate(epicycloid(base, rolling, t), -gap);
  const curve = equidistant(centre, radius);
  const seat = centre(0);
  const out = (t: number): number => Math.hypot(curve(t).x - seat.x, curve(t).y - seat.y) - radius;
  const over = (t: number): number => curve(t).y;
  const step = 0.01;
  let t = step;
  let from = 0;
  for (; t < Math.PI && over(t) < 0; t += step)
    if (out(t) <= 0 && out(t + step) > 0) from = bisect(out, t, t + step);
  if (over(t) < 0 || from === 0)
    return fail('pin-too-thick', { pin: spec.pinDiameter, pitch: Math.PI * spec.module });
  const to = bisect(over, t - step, t);
  return from < to
    ? ok({ curve, from, to })
    : fail('pin-too-thick', { pin: spec.pinDiameter, pitch: Math.PI * spec.module });
}

/** Circles of the wheel; the tip as far as the practical addendum reaches. */
export function lanternDimensions(spec: LanternWheelSpec): Result<LanternDimensions> {
  const flank = lanternFlank(spec);
  if (!flank.ok) return flank;
  const pitchRadius = (spec.module * spec.count) / 2;
  const { curve, from, to } = flank.value;
  const apex = curve(to).x;
  return ok({
    pitchRadius,
    tipRadius: pitchRadius + spec.practical * (apex - pitchRadius),
    rootRadius:
      Math.min(pitchRadius - spec.clearance, rotate(curve(from), Math.PI / spec.count).x) -
      spec.pinDiameter / 2 -
      spec.play / 2,
    thickness: Math.PI * spec.module - spec.pinDiameter - spec.play,
  });
}

/**
 * The closed outline of a wheel for a lantern pinion about the origin, counter-clockwise, tooth 0 centred on the x
 * axis.
 */
export function lanternOutline(spec: LanternWheelSpec, chordError: number): Result<Path> {
  const half = lanternHalf(spec, chordError);
  return half.ok ? ok(borderOf(half.value, spec.count)) : half;
}

/** Half a tooth: the seat of the pin as true arcs, deepened by the clearance, then the equidistant up to the tip. */
export function lanternHalf(spec: LanternWheelSpec, chordError: number): Result<HalfTooth> {
  const flank = lanternFlank(spec);
  if (!flank.ok) return flank;
  const d = lanternDimensions(spec);
  if (!d.ok) return d;
  const { curve, from, to } = flank.value;
  const { pitchRadius, tipRadius, rootRadius } = d.value;
  if (!(rootRadius > 0)) return fail('root-vanishes', { rootDiameter: 2 * rootRadius });
  const gap = Math.PI / spec.count;
  const radius = spec.pinDiameter / 2 + spec.play / 2;
  const put = (x: number, y: number): Point => rotate({ x, y }, -gap);
  const deep = Math.min(pitchRadius - spec.clearance, rotate(curve(from), gap).x);
  if (radius >= 0.98 * deep * Math.sin(gap)) return fail('gap-too-deep', { clearance: spec.clearance });
  const atTip = (t: number): number => Math.hypot(curve(t).x, curve(t).y) - tipRadius;
  if (atTip(from) >= 0) return fail('teeth-cut-away', { count: spec.count });
  const end = spec.practical < 1 ? bisect(atTip, from, to) : to;
  const side = sampleCurve(curve, from, end, SHARE * chordError);
  return ok(
    halfOf(put(deep - radius, 0), [
      arcTo(put(deep, radius), false, put(deep, 0)),
      ...lines(side),
      ...(spec.practical < 1 ? [arcTo({ x: tipRadius, y: 0 }, true)] : []),
    ]),
  );
}

/**
 * The lower half of pin 0 of a ring of pins: from its innermost to its outermost point, pins standing on
 * `pitchRadius`.
 */
export function pinHalf(pitchRadius: number, pinDiameter: number): HalfTooth {
  const r = pinDiameter / 2;
  return halfOf({ x: pitchRadius - r, y: 0 }, [
    arcTo({ x: pitchRadius + r, y: 0 }, true, { x: pitchRadius, y: 0 }),
  ]);
}

/** The pins of a ring of pins as circles, counter-clockwise, pin 0 on the x axis. */
export function pinCircles(pitchRadius: number, pinDiameter: number, count: number): Path[] {
  return Array.from({ length: count }, (_, i) =>
    circle(rotate({ x: pitchRadius, y: 0 }, (2 * Math.PI * i) / count), pinDiameter / 2),
  );
}
