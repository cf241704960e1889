import { bisect, type Path, type Point, rotate, sampleCurve } from '../../ground/geometry/index.ts';
import { fail, ok, type Result } from '../../ground/result/index.ts';
import { arcTo, borderOf, type HalfTooth, halfOf, lines, SHARE } from './half-tooth.ts';
import { curvatureRadius, equidistant } from './offset-curve.ts';

/** The disc of a cycloidal reducer; lengths in mm. */
export interface ReducerSpec {
  /** Lobes of the disc; the ring has more pins than that. */
  readonly lobes: number;
  readonly pins: number;
  readonly pinDiameter: number;
  /** Radius of the circle on which the pins stand. */
  readonly pinCircleRadius: number;
  readonly eccentricity: number;
  /** How far the disc stands back from the pins, everywhere: its play. */
  readonly offset: number;
}

/** The circles of a reducer's disc, mm, and the thickest pin that leaves no cusp. */
export interface ReducerDimensions {
  readonly pitchRadius: number;
  readonly tipRadius: number;
  readonly rootRadius: number;
  readonly largestPin: number;
}

/** Of the height of a pointed lobe (two pins or more of difference), the part that is left standing. */
const POINTED_LEFT = 0.9;

/**
 * The way of a pin's centre in the disc, from the middle of a gap (t = 0) to the far side: the disc turns about the
 * origin N/n times as fast as the ring about (−e, 0), and a pin stands at angle −t on the ring. It is a shortened
 * epitrochoid for one pin of difference. Derived here; the same curve as in any text on the gearing.
 */
const pinWay =
  ({ lobes, pins, pinCircleRadius: r, eccentricity: e }: ReducerSpec) =>
  (t: number): Point =>
    rotate({ x: -e + r * Math.cos(t), y: -r * Math.sin(t) }, (t * pins) / lobes - Math.PI / lobes);

interface Lobe {
  readonly curve: (t: number) => Point;
  readonly to: number;
  readonly pointed: boolean;
}

function lobeOf(spec: ReducerSpec): Result<Lobe> {
  const { lobes, pins, pinCircleRadius, eccentricity } = spec;
  if (lobes < 2) return fail('too-few-lobes', { lobes });
  if (!(pins > lobes)) return fail('pins-not-more', { pins, lobes });
  const largest = (pinCircleRadius * (pins - lobes)) / pins;
  if (eccentricity >= largest) return fail('eccentricity-too-large', { eccentricity, largest });
  const way = pinWay(spec);
  const curve = equidistant(way, spec.pinDiameter / 2 + spec.offset);
  if (pins - lobes === 1) return ok({ curve, to: Math.PI, pointed: false });
  for (let t = 0.01; t <= Math.PI; t += 0.01)
    if (curve(t).y >= 0) return ok({ curve, to: bisect(s => curve(s).y, t - 0.01, t), pointed: true });
  return ok({ curve, to: Math.PI, pointed: false });
}

/**
 * Circles of the disc, and the largest pin without a cusp: twice the least radius to which the pin's way bends
 * inwards.
 */
export function reducerDimensions(spec: ReducerSpec): Result<ReducerDimensions> {
  const lobe = lobeOf(spec);
  if (!lobe.ok) return lobe;
  const way = pinWay(spec);
  const { curve, to, pointed } = lobe.value;
  let least = Infinity;
  for (let i = 1; i < 400; i++) {
    const radius = curvatureRadius(way, (to * i) / 400);
    if (radius > 0) least = Math.min(least, radius);
  }
  const [low, high] = [curve(0), curve(to)].map(p => Math.hypot(p.x, p.y)) as [number, number];
  return ok({
    pitchRadius: (spec.eccentricity * spec.lobes) / (spec.pins - spec.lobes),
    tipRadius: pointed ? low + POINTED_LEFT * (high - low) : high,
    rootRadius: low,
    largestPin: 2 * (least - spec.offset),
  });
}

/** Where the wall of a ring of half-round pins stands from the middle, mm: a little beyond what the lobes reach. */
export const lobeRingWall = ({
  pinCircleRadius: r,
  pinDiameter: d,
  eccentricity: e,
  offset,
}: Pick<ReducerSpec, 'pinCircleRadius' | 'pinDiameter' | 'eccentricity' | 'offset'>): number =>
  r + Math.max(0.05 * d, 2 * e - 0.45 * d + offset);

/** The closed outline of a reducer's disc about its own centre, counter-clockwise, lobe 0 centred on the x axis. */
export function reducerOutline(spec: ReducerSpec, chordError: number): Result<Path> {
  const half = reducerHalf(spec, chordError);
  return half.ok ? ok(borderOf(half.value, spec.lobes)) : half;
}

/** Half a lobe: the equidistant of the pin's way, refused where it would turn back in a cusp. */
export function reducerHalf(spec: ReducerSpec, chordError: number): Result<HalfTooth> {
  const lobe = lobeOf(spec);
  if (!lobe.ok) return lobe;
  const d = reducerDimensions(spec);
  if (!d.ok) return d;
  const { tipRadius, rootRadius, largestPin } = d.value;
  if (!(rootRadius > 0)) return fail('root-vanishes', { rootDiameter: 2 * rootRadius });
  if (spec.pinDiameter >= largestPin)
    return fail('cusp-in-lobes', { pin: spec.pinDiameter, largest: largestPin });
  const { curve, to, pointed } = lobe.value;
  const radius = (t: number): number => Math.hypot(curve(t).x, curve(t).y);
  if (!(tipRadius > rootRadius)) return fail('teeth-cut-away', { count: spec.lobes });
  const end = pointed ? bisect(t => radius(t) - tipRadius, 0, to) : to;
  const side = sampleCurve(curve, 0, end, SHARE * chordError);
  return ok(
    halfOf(curve(0), [...lines(side.slice(1)), ...(pointed ? [arcTo({ x: tipRadius, y: 0 }, true)] : [])]),
  );
}
