import { Clipper, EndType, FillRule, JoinType, type PathsD } from 'clipper2-ts';
import {
  flatten,
  type Path,
  type Point,
  polar,
  polygon,
  rotate,
  signedArea,
  type Stretch,
  stretchesInside,
  stretchesWithout,
} from '../../ground/geometry/index.ts';
import { fail, ok, type Result } from '../../ground/result/index.ts';
import type { Wheel } from '../../document/machine/index.ts';

type Division = NonNullable<Wheel['divided']>;

/** A place where two pieces of a wheel are joined: how far out, and how much stock is there along the split. mm. */
export interface SplitJoint {
  readonly at: number;
  readonly width: number;
}

/** One of the equal pieces of a wheel, turned so that its middle lies along x. */
export interface WheelPiece {
  readonly outline: Path;
  readonly holes: readonly Path[];
  /** Where its middle lies in the whole wheel, radians. */
  readonly middle: number;
  readonly joints: readonly SplitJoint[];
  /** Split faces in the whole wheel: where the piece begins and ends, radians. */
  readonly from: number;
  readonly to: number;
}

const ORIGIN = { x: 0, y: 0 };
/** How fine figures are drawn before they are cut, mm. */
const CHORD = 0.002;
/** Stock along a split that takes a joint, mm (common practice, no source). */
const LEAST_STOCK = 4;
/** Of the stock: how wide the neck of a dovetail is, its head, and how far it reaches; and the widest neck, mm. */
const [NECK, HEAD, REACH, WIDEST] = [0.35, 0.55, 0.3, 12];

/**
 * Whether a wheel is alike in so many equal pieces: its teeth, those outside its rim if there are any, its web, its
 * bore, its lugs.
 */
export function dividesInto(
  { teeth, body, bore, mount, role }: Wheel,
  pieces: number,
  outside?: number,
): boolean {
  if (role !== 'wheel' && role !== 'ring') return false;
  const count = teeth.kind === 'count' ? teeth.count : 0;
  const around = [
    count,
    outside ?? 0,
    ...(body && body.web.kind !== 'solid' ? [body.web.number] : []),
    ...(body?.bolts ? [body.bolts.number] : []),
    ...(mount?.kind === 'lugs' ? [mount.number] : []),
    ...(bore?.kind === 'hex' ? [6] : []),
    ...(bore?.kind === 'square' ? [4] : []),
    ...(bore?.kind === 'D' || bore?.kind === 'keyed' ? [1] : []),
  ];
  return count > 0 && around.every(n => n % pieces === 0);
}

/** The numbers of pieces from 2 to 12 into which a wheel divides evenly. */
export const divisionsOf = (wheel: Wheel, outside?: number): number[] =>
  Array.from({ length: 11 }, (_, i) => i + 2).filter(n => dividesInto(wheel, n, outside));

/** A ray from the middle outwards, far beyond the wheel. */
const ray = (angle: number, far: number): Point => polar(ORIGIN, far, angle);

/** The stock along a ray. */
function stockAlong(
  outline: readonly Point[],
  holes: readonly (readonly Point[])[],
  angle: number,
  far: number,
): Stretch[] {
  const end = ray(angle, far);
  const open = holes.flatMap(h => stretchesInside(h, ORIGIN, end));
  return stretchesWithout(stretchesInside(outline, ORIGIN, end), open);
}

/**
 * A piece of a wheel that is divided evenly. It is split along rays, through gaps of its teeth rather than through
 * teeth, where the least stock stands. Dovetails stand out of its far face, and their sockets, wider by `play`
 * all round, are cut into its near one; pegs leave both faces plain. Refused where a piece falls apart. mm, radians.
 */
export function pieceOf(
  whole: { readonly outline: Path; readonly holes: readonly Path[] },
  count: number,
  { pieces, by }: Division,
  play: number,
): Result<WheelPiece> {
  const outline = flatten(whole.outline, CHORD);
  const holes = whole.holes.map(h => flatten(h, CHORD));
  const far = 2 * Math.max(...outline.map(p => Math.hypot(p.x, p.y)));
  const long = (angle: number): number =>
    stockAlong(outline, holes, angle, far).reduce((sum, [a, b]) => sum + b - a, 0);
  const half = Math.PI / count;
  const first = long(0) <= long(half) ? 0 : half;
  // Of all gaps of one piece the first through the least stock: between spokes rather than along one.
  const gaps = Array.from({ length: Math.round(count / pieces) }, (_, i) => first + 2 * half * i);
  const from = gaps.reduce((best, g) => (long(g) < long(best) - 1e-6 ? g : best), first);
  const to = from + (2 * Math.PI) / pieces;
  const stock: PathsD = Clipper.differenceD([outline], holes, FillRule.NonZero, 6);
  const joints = stockAlong(outline, holes, from, far).flatMap(([a, b]) => jointIn(stock, [a, b], from, by));
  let cut = Clipper.intersectD(stock, [wedge(from, to, far)], FillRule.NonZero, 6);
  if (by === 'dovetails' && joints.length > 0) {
    const tails = joints.map(j => dovetail(j, to));
    const sockets = Clipper.inflatePathsD(
      joints.map(j => dovetail(j, from)),
      play,
      JoinType.Miter,
      EndType.Polygon,
      2,
      6,
    );
    cut = Clipper.differenceD(Clipper.unionD(cut, tails, FillRule.NonZero, 6), sockets, FillRule.NonZero, 6);
  }
  const rings = cut.map(p => p.map(({ x, y }) => ({ x, y })));
  const outer = rings.filter(r => signedArea(r) > 0);
  const [border] = outer;
  if (!border || outer.length > 1) return fail('split-falls-apart', { pieces });
  const middle = (from + to) / 2;
  const turned = (r: readonly Point[]): Path => polygon(r.map(p => rotate(p, -middle)));
  return ok({
    ...{ outline: turned(border), holes: rings.filter(r => signedArea(r) < 0).map(turned) },
    ...{ middle, joints, from, to },
  });
}

/** Stock that stays round a joint on all sides, mm (common practice, no source). */
const ROUND_JOINT = 1;
/** How often a dovetail is made smaller by a third before it is given up. */
const SMALLER = 5;

/** Where along a stretch of stock joints are tried, as parts of it. */
const TRIED = [0.5, 0.25, 0.75, 0.12, 0.88];

/** The joints within the stock on both sides of a split, along a stretch of it: the largest, and one beside. */
function jointIn(stock: PathsD, [a, b]: Stretch, angle: number, by: Division['by']): SplitJoint[] {
  const found = TRIED.flatMap(part => {
    const room = (b - a) * 2 * Math.min(part, 1 - part);
    return largestAt(stock, a + part * (b - a), room, angle, by);
  }).sort((p, q) => q.width - p.width);
  const [one, ...more] = found;
  if (!one) return [];
  const beside = more.find(j => Math.abs(j.at - one.at) > (j.width + one.width) / 2);
  return beside ? [one, beside] : [one];
}

function largestAt(stock: PathsD, at: number, room: number, angle: number, by: Division['by']): SplitJoint[] {
  for (let i = 0, width = room; i < SMALLER && width >= LEAST_STOCK; i++, width /= 1.5) {
    const tail = dovetail({ at, width }, angle);
    const shapes = by === 'dovetails' ? [tail] : [tail, mirroredAt(tail, angle)];
    const wide = Clipper.inflatePathsD(shapes, ROUND_JOINT, JoinType.Round, EndType.Polygon, 2, 6);
    const outside = Clipper.areaPathsD(Clipper.differenceD(wide, stock, FillRule.NonZero, 6));
    if (Math.abs(outside) < 1e-6) return [{ at, width }];
  }
  return [];
}

/** Seen in a mirror that stands on a ray. */
const mirroredAt = (points: readonly Point[], angle: number): Point[] =>
  points
    .map(p => rotate(p, -angle))
    .map(p => rotate({ x: p.x, y: -p.y }, angle))
    .reverse();

/** From one ray round to another, beyond everything. */
export function wedge(from: number, to: number, far: number): Point[] {
  const steps = Math.max(1, Math.ceil((to - from) / 0.3));
  return [ORIGIN, ...Array.from({ length: steps + 1 }, (_, i) => ray(from + ((to - from) * i) / steps, far))];
}

/** A dovetail across a ray, out to the side of greater angles; its foot lies a little on the other side. */
export function dovetail({ at, width }: SplitJoint, angle: number): Point[] {
  const neck = Math.min(WIDEST, NECK * width);
  const [head, reach] = [(neck * HEAD) / NECK, (neck * REACH) / NECK];
  const point = (out: number, off: number): Point => rotate({ x: out, y: off }, angle);
  const foot = -0.01;
  return [
    point(at - neck / 2, foot),
    point(at + neck / 2, foot),
    point(at + neck / 2, 0),
    point(at + head / 2, reach),
    point(at - head / 2, reach),
    point(at - neck / 2, 0),
  ];
}

/** A peg across a split: across and long, mm; half of it in either piece. */
export interface Peg {
  readonly diameter: number;
  readonly length: number;
}

/** The peg for pieces of a thickness: half of it, to half a millimetre, and four times as long (common practice). */
export function splitPeg(thickness: number): Peg {
  const diameter = Math.max(0.5, Math.floor(thickness) / 2);
  return { diameter, length: 4 * diameter };
}

/** Lines across a split where its pegs are drilled into the faces, at the ends of a piece turned to x, to be marked. */
export function pegMarks({ joints, from, middle }: WheelPiece, { length, diameter }: Peg): Path[] {
  return [from - middle, middle - from].flatMap((angle, end) =>
    joints.map(({ at }): Path => {
      const inward = end === 0 ? 1 : -1;
      const foot = rotate({ x: at, y: inward * 0.2 }, angle);
      const tip = rotate({ x: at, y: inward * Math.min(length / 2, 2 * diameter) }, angle);
      return { start: foot, segments: [{ kind: 'line', to: tip }], closed: false };
    }),
  );
}

/** The room that a piece takes along its middle and across, between two radii, mm. */
export function pieceRoom(inner: number, outer: number, pieces: number): { along: number; across: number } {
  const half = Math.PI / pieces;
  const wide = Math.min(half, Math.PI / 2);
  return { along: outer - inner * Math.cos(half), across: 2 * outer * Math.sin(wide) };
}
