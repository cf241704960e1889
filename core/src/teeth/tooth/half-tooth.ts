import { flatten, type Path, type Point, rotate, type Segment } from '../../ground/geometry/index.ts';

/**
 * The lower half of tooth 0, which is centred on the x axis: from the middle of the gap before it to the middle of its
 * tip. Every tooth of a wheel is this half and its mirror image, so a family of teeth gives this and no more. In a rack
 * the pitch line is the y axis and teeth point along x; tooth 0 then stands about y = 0.
 */
export interface HalfTooth {
  readonly start: Point;
  readonly segments: readonly Segment[];
}

/**
 * The part of the chord error that a flank uses, so that two flanks and a fillet together keep within one and a
 * half.
 */
export const SHARE = 0.8;

const mirror = (p: Point): Point => ({ x: p.x, y: -p.y });
const ORIGIN: Point = { x: 0, y: 0 };

/** Joins runs of points and true arcs into a half tooth; a piece that goes nowhere is left out. */
export function halfOf(start: Point, pieces: readonly Segment[]): HalfTooth {
  const segments: Segment[] = [];
  let at = start;
  for (const s of pieces) {
    if (Math.hypot(s.to.x - at.x, s.to.y - at.y) < 1e-9) continue;
    segments.push(s);
    at = s.to;
  }
  return { start, segments };
}

/** Straight segments through points. */
export const lines = (points: readonly Point[]): Segment[] => points.map(to => ({ kind: 'line', to }));

/** An arc about the origin, or another centre. */
export const arcTo = (to: Point, ccw: boolean, centre = ORIGIN): Segment => ({
  kind: 'arc',
  to,
  centre,
  ccw,
});

/** The upper half: the mirror image walked back, from the middle of the tip to the middle of the gap after it. */
export function upperHalf(half: HalfTooth): HalfTooth {
  const starts = [half.start, ...half.segments.map(s => s.to)];
  const segments = half.segments
    .map((s, i): Segment => {
      const to = mirror(starts[i] ?? half.start);
      return s.kind === 'line' ? { kind: 'line', to } : { ...s, to, centre: mirror(s.centre) };
    })
    .reverse();
  return { start: mirror(starts.at(-1) ?? half.start), segments };
}

/** The closed border of `count` such teeth about the origin, counter-clockwise; arcs that go on are one arc. */
export function borderOf(half: HalfTooth, count: number): Path {
  const upper = upperHalf(half);
  const put = (p: Point, i: number): Point => rotate(p, (2 * Math.PI * i) / count);
  const segments: Segment[] = [];
  let start = half.start;
  let at = start;
  for (let i = 0; i < count; i++) {
    for (const s of [...half.segments, ...upper.segments]) {
      const to = put(s.to, i);
      const next: Segment = s.kind === 'line' ? { kind: 'line', to } : { ...s, to, centre: put(s.centre, i) };
      const last = segments.at(-1);
      if (last && goesOn(last, next)) segments[segments.length - 1] = { ...last, to };
      else segments.push(next);
      at = to;
    }
  }
  const [first, last] = [segments[0], segments.at(-1)];
  if (first && last && segments.length > 1 && goesOn(last, first)) {
    segments.shift();
    segments[segments.length - 1] = { ...last, to: first.to };
    start = first.to;
  } else if (last && Math.hypot(at.x - start.x, at.y - start.y) < 1e-6)
    segments[segments.length - 1] = { ...last, to: start };
  return { start, segments, closed: true };
}

/** Whether the second of two arcs goes on along the first. */
function goesOn(a: Segment, b: Segment): boolean {
  if (a.kind !== 'arc' || b.kind !== 'arc' || a.ccw !== b.ccw) return false;
  return Math.hypot(a.centre.x - b.centre.x, a.centre.y - b.centre.y) < 1e-9;
}

/** The points of a half tooth, its arcs, which are true in every file, as chords within `chordError` (mm). */
export const halfPoints = (half: HalfTooth, chordError: number): Point[] =>
  flatten({ ...half, closed: false }, chordError);
