import { type Path, type Point, type Segment } from '../../ground/geometry/index.ts';

/** An edge of a prism's outline: a straight line, a true arc, or a smooth curve through points. */
export type StepEdge =
  | { readonly kind: 'line'; readonly from: Point; readonly to: Point }
  | {
      readonly kind: 'arc';
      readonly from: Point;
      readonly to: Point;
      readonly centre: Point;
      readonly ccw: boolean;
    }
  | { readonly kind: 'curve'; readonly from: Point; readonly to: Point; readonly spline: Spline };

/** A cubic B-spline that is smooth throughout: every inner knot twice. */
export interface Spline {
  readonly control: readonly Point[];
  readonly knots: readonly number[];
  readonly times: readonly number[];
}

/** Chords that turn by less than this, and are not so much longer than their neighbour, are one curve. */
const MOST_TURN = (20 * Math.PI) / 180;
const MOST_LONGER = 6;

/**
 * A closed path as edges: runs of short chords become one smooth curve each, so that a flank is one face and not
 * fifty.
 */
export function edgesOf(path: Path): StepEdge[] {
  const starts = [path.start, ...path.segments.map(s => s.to)];
  const edges: StepEdge[] = [];
  let run: Point[] = [];
  const end = (): void => {
    if (run.length > 3)
      edges.push({
        kind: 'curve',
        from: run[0] as Point,
        to: run.at(-1) as Point,
        spline: splineThrough(run),
      });
    else
      for (let i = 1; i < run.length; i++)
        edges.push({ kind: 'line', from: run[i - 1] as Point, to: run[i] as Point });
    run = [];
  };
  const first = firstBreak(path);
  for (let n = 0; n < path.segments.length; n++) {
    const i = (first + n) % path.segments.length;
    const [from, s] = [starts[i] as Point, path.segments[i] as Segment];
    if (s.kind === 'arc') {
      end();
      edges.push({ kind: 'arc', from, to: s.to, centre: s.centre, ccw: s.ccw });
      continue;
    }
    if (Math.hypot(s.to.x - from.x, s.to.y - from.y) < 1e-9) continue;
    if (run.length > 1 && !goesOn(run.at(-2) as Point, from, s.to)) end();
    if (run.length === 0) run.push(from);
    run.push(s.to);
  }
  end();
  return edges;
}

/** A segment before which the path breaks, so that no curve is cut by where the path happens to begin. */
function firstBreak(path: Path): number {
  const { segments } = path;
  const starts = [path.start, ...segments.map(s => s.to)];
  for (let i = 0; i < segments.length; i++) {
    const before = segments[(i + segments.length - 1) % segments.length] as Segment;
    const s = segments[i] as Segment;
    if (s.kind === 'arc' || before.kind === 'arc') return i;
    const back = starts[(i + segments.length - 1) % segments.length] as Point;
    if (!goesOn(back, starts[i] as Point, s.to)) return i;
  }
  return 0;
}

function goesOn(a: Point, b: Point, c: Point): boolean {
  const [u, v] = [
    { x: b.x - a.x, y: b.y - a.y },
    { x: c.x - b.x, y: c.y - b.y },
  ];
  const [p, q] = [Math.hypot(u.x, u.y), Math.hypot(v.x, v.y)];
  const turn = Math.abs(Math.atan2(u.x * v.y - u.y * v.x, u.x * v.x + u.y * v.y));
  return turn < MOST_TURN && p < MOST_LONGER * q && q < MOST_LONGER * p;
}

/**
 * A cubic spline through points, parameter by chord length, tangents by the parabola through each point and its
 * neighbours (Bessel's rule; C. de Boor, A Practical Guide to Splines, ch. IV). As a B-spline every inner knot is
 * double, and the points themselves follow from their neighbours.
 */
function splineThrough(points: readonly Point[]): Spline {
  const times = [0];
  for (let i = 1; i < points.length; i++) {
    const [p, q] = [points[i - 1] as Point, points[i] as Point];
    times.push((times[i - 1] as number) + Math.hypot(q.x - p.x, q.y - p.y));
  }
  const slope = (i: number): Point => {
    const [p, q] = [points[i] as Point, points[i + 1] as Point];
    const h = (times[i + 1] as number) - (times[i] as number);
    return { x: (q.x - p.x) / h, y: (q.y - p.y) / h };
  };
  const last = points.length - 1;
  const blend = (a: Point, b: Point, f: number): Point => ({
    x: a.x + f * (b.x - a.x),
    y: a.y + f * (b.y - a.y),
  });
  const tangents = points.map((_, i) => {
    if (i === 0) return blend(slope(0), slope(1), -share(times, 1));
    if (i === last) return blend(slope(last - 1), slope(last - 2), -(1 - share(times, last - 1)));
    return blend(slope(i - 1), slope(i), share(times, i));
  });
  const control: Point[] = [points[0] as Point];
  const knots: number[] = [0, 0, 0, 0];
  for (let i = 0; i < last; i++) {
    const h = ((times[i + 1] as number) - (times[i] as number)) / 3;
    const [p, q, s, t] = [points[i], points[i + 1], tangents[i], tangents[i + 1]] as [
      Point,
      Point,
      Point,
      Point,
    ];
    control.push({ x: p.x + h * s.x, y: p.y + h * s.y }, { x: q.x - h * t.x, y: q.y - h * t.y });
    const at = times[i + 1] as number;
    knots.push(...(i === last - 1 ? [at, at, at, at] : [at, at]));
  }
  control.push(points[last] as Point);
  return { control, knots, times };
}

/** The part of the way that a point stands between its neighbours, by the parameter. */
function share(times: readonly number[], i: number): number {
  const [a, b, c] = [times[i - 1], times[i], times[i + 1]] as [number, number, number];
  return (b - a) / (c - a);
}
