import { type Path, type Point, rotate, sampleCurve, type Segment } from '../../ground/geometry/index.ts';
import { fail, ok, type Result } from '../../ground/result/index.ts';
import { epicycloid, epicycloidAtAngle, epicycloidAtRadius } from './epicycloid.ts';
import { arcTo, borderOf, type HalfTooth, halfOf, lines, SHARE } from './half-tooth.ts';

/** The tip of a leaf that does not drive: two arcs that touch the radial flanks and meet, or end in a flat top. */
export type LeafTip = 'eased' | 'round' | 'medium ogive' | 'high ogive';

/**
 * Radius of the arcs of a tip, in thicknesses of the leaf (BS 978-2, from memory): a half is the plain round. Every
 * arc that starts at the pitch circle bulges a little over the curve that would roll, so that a tooth strikes it
 * early; the eased tip, derived here by rolling, is rounder and starts a little within the pitch circle, and rolls
 * three times as evenly.
 */
const ARCS: Readonly<Record<LeafTip, number>> = {
  eased: 0.4,
  round: 0.5,
  'medium ogive': 0.7,
  'high ogive': 1.05,
};

/** How far within the pitch circle an eased tip starts, in modules. */
const EASE = 0.02;

/** All that decides the teeth of one wheel or pinion of the clockmaker's cycloidal form; lengths in mm. */
export interface CycloidalSpec {
  readonly module: number;
  readonly count: number;
  /** Teeth of the mate it is formed for: the circle that generates its addendum has half the mate's pitch radius. */
  readonly mate: number;
  /** Whether its addendum works, because it drives: then it is an epicycloid; otherwise an arch that keeps clear. */
  readonly drives: boolean;
  readonly tip: LeafTip;
  /** Arc thickness along the pitch circle. */
  readonly thickness: number;
  /** The part of the theoretical addendum (flanks meeting in a point) that is left standing. */
  readonly practical: number;
  readonly dedendum: number;
  /** Radius of the root corners. */
  readonly fillet: number;
}

/** The circles of a cycloidal wheel, mm. */
export interface CycloidalDimensions {
  readonly pitchRadius: number;
  readonly tipRadius: number;
  readonly rootRadius: number;
  readonly addendum: number;
  readonly thickness: number;
}

/**
 * The theoretical addendum in modules of a wheel formed for a mate: where the two epicycloids of a tooth of half the
 * pitch meet. Its practical addendum is 0.95 of it (BS 978-2, from memory). 60 teeth for a pinion of 10: about 1.5.
 */
export function theoreticalAddendum(count: number, mate: number, thickness = Math.PI / 2): number {
  const [base, rolling] = [count / 2, mate / 4];
  const half = thickness / count;
  if (half <= 0) return 0;
  if (half >= arch(base, rolling)) return 2 * rolling;
  const p = epicycloid(base, rolling, epicycloidAtAngle(base, rolling, half));
  return Math.hypot(p.x, p.y) - base;
}

const radiusOf = (p: Point): number => Math.hypot(p.x, p.y);

/** The angle about the origin to the crest of an epicycloid's arch. */
const arch = (base: number, rolling: number): number => (Math.PI * rolling) / base;

/** Circles: the tip as far as the epicycloids or arches reach, the root below by the dedendum. */
export function cycloidalDimensions(spec: CycloidalSpec): CycloidalDimensions {
  const pitchRadius = (spec.module * spec.count) / 2;
  const addendum = spec.drives
    ? spec.practical * spec.module * theoreticalAddendum(spec.count, spec.mate, spec.thickness / spec.module)
    : radiusOf(leafArc(pitchRadius, spec).end) - pitchRadius;
  return {
    pitchRadius,
    addendum,
    tipRadius: pitchRadius + addendum,
    rootRadius: pitchRadius - spec.dedendum,
    thickness: spec.thickness,
  };
}

/** The arc on the lower flank: touches the radial flank at `foot`, ends on the x axis or where a flat top begins. */
function leafArc(pitchRadius: number, spec: CycloidalSpec): { centre: Point; foot: Point; end: Point } {
  const half = spec.thickness / (2 * pitchRadius);
  const start = pitchRadius - (spec.tip === 'eased' ? EASE * spec.module : 0);
  const meeting = start * Math.tan(half);
  const radius = spec.tip === 'round' ? meeting : ARCS[spec.tip] * spec.thickness;
  const foot = { x: start * Math.cos(half), y: -start * Math.sin(half) };
  const centre = { x: foot.x + radius * Math.sin(half), y: foot.y + radius * Math.cos(half) };
  const flat = centre.y < 0;
  const apex = flat ? radius : Math.sqrt(Math.max(0, radius * radius - centre.y * centre.y));
  return { centre, foot, end: { x: centre.x + apex, y: Math.min(0, centre.y) } };
}

/** The closed outline of a cycloidal wheel about the origin, counter-clockwise, tooth 0 centred on the x axis. */
export function cycloidalOutline(spec: CycloidalSpec, chordError: number): Result<Path> {
  const half = cycloidalHalf(spec, chordError);
  return half.ok ? ok(borderOf(half.value, spec.count)) : half;
}

/** Half a tooth: root arc, corner, radial flank, and above the pitch circle the epicycloid or the arch. */
export function cycloidalHalf(spec: CycloidalSpec, chordError: number): Result<HalfTooth> {
  const d = cycloidalDimensions(spec);
  const half = spec.thickness / (2 * d.pitchRadius);
  const gap = Math.PI / spec.count;
  if (spec.count < 4) return fail('too-few-teeth-to-draw', { count: spec.count, least: 4 });
  if (!(spec.thickness > 0)) return fail('tooth-thinned-away', { thickness: spec.thickness });
  if (half >= gap)
    return fail('tooth-too-thick', { thickness: spec.thickness, pitch: Math.PI * spec.module });
  if (!(d.rootRadius > 0)) return fail('root-vanishes', { rootDiameter: 2 * d.rootRadius });
  const start = { x: d.rootRadius * Math.cos(gap), y: -d.rootRadius * Math.sin(gap) };
  const onPitch = { x: d.pitchRadius * Math.cos(half), y: -d.pitchRadius * Math.sin(half) };
  const foot = spec.drives ? onPitch : leafArc(d.pitchRadius, spec).foot;
  const pieces = [...rootCorner(d.rootRadius, d.pitchRadius, half, gap, spec.fillet), ...lines([foot])];
  return ok(
    halfOf(start, [
      ...pieces,
      ...(spec.drives ? addendumPieces(spec, d, half, chordError) : archPieces(spec, d)),
    ]),
  );
}

/** Root circle, corner arc, and the start of a radial flank at the angle −half. */
function rootCorner(root: number, pitch: number, half: number, gap: number, wanted: number): Segment[] {
  const s = Math.sin(gap - half);
  const rho = Math.min(wanted, (root * s) / (1 - s), (pitch - root) * 0.9);
  if (!(rho > 1e-6)) return [arcTo({ x: root * Math.cos(half), y: -root * Math.sin(half) }, true)];
  const reach = root + rho;
  const angle = -half - Math.asin(rho / reach);
  const centre = { x: reach * Math.cos(angle), y: reach * Math.sin(angle) };
  const along = Math.sqrt(reach * reach - rho * rho);
  return [
    arcTo({ x: root * Math.cos(angle), y: root * Math.sin(angle) }, true),
    arcTo({ x: along * Math.cos(half), y: -along * Math.sin(half) }, false, centre),
  ];
}

function addendumPieces(
  spec: CycloidalSpec,
  d: CycloidalDimensions,
  half: number,
  chordError: number,
): Segment[] {
  const rolling = (spec.module * spec.mate) / 4;
  const end = epicycloidAtRadius(d.pitchRadius, rolling, d.tipRadius);
  const curve = (t: number): Point => rotate(epicycloid(d.pitchRadius, rolling, t), -half);
  const side = sampleCurve(curve, 0, end, SHARE * chordError);
  return [...lines(side.slice(1)), arcTo({ x: d.tipRadius, y: 0 }, true)];
}

/** The arc and, where it ends beside the middle, a flat top. */
function archPieces(spec: CycloidalSpec, d: CycloidalDimensions): Segment[] {
  const { centre, end } = leafArc(d.pitchRadius, spec);
  return [arcTo(end, true, centre), { kind: 'line', to: { x: end.x, y: 0 } }];
}
