import { type Point, rotate } from './point.ts';

/** A piece of a path from where the last one ended: a straight line, or a true circular arc about a centre. */
export type Segment =
  | { readonly kind: 'line'; readonly to: Point }
  | { readonly kind: 'arc'; readonly to: Point; readonly centre: Point; readonly ccw: boolean };

/** A connected run of segments; closed when its last segment ends at its start. */
export interface Path {
  readonly start: Point;
  readonly segments: readonly Segment[];
  readonly closed: boolean;
}

/** A full circle as two arcs. Throws RangeError for a radius that is not positive. */
export function circle(centre: Point, radius: number, ccw = true): Path {
  if (!(radius > 0)) throw new RangeError(`circle: radius ${radius}`);
  const start = { x: centre.x + radius, y: centre.y };
  const half = { x: centre.x - radius, y: centre.y };
  return {
    start,
    segments: [
      { kind: 'arc', to: half, centre, ccw },
      { kind: 'arc', to: start, centre, ccw },
    ],
    closed: true,
  };
}

/** A closed polygon through the points. */
export function polygon(points: readonly Point[]): Path {
  const [start, ...rest] = points;
  if (!start) throw new RangeError('polygon: no points');
  return { start, segments: [...rest, start].map(to => ({ kind: 'line' as const, to })), closed: true };
}

/** The same path moved by so much. */
export function movedPath(path: Path, by: Point): Path {
  const at = (p: Point): Point => ({ x: p.x + by.x, y: p.y + by.y });
  return {
    ...path,
    start: at(path.start),
    segments: path.segments.map((s): Segment =>
      s.kind === 'line' ? { ...s, to: at(s.to) } : { ...s, to: at(s.to), centre: at(s.centre) },
    ),
  };
}

/** The same path turned about the origin, counter-clockwise, radians. */
export function turnedPath(path: Path, by: number): Path {
  const at = (p: Point): Point => rotate(p, by);
  return {
    ...path,
    start: at(path.start),
    segments: path.segments.map((s): Segment =>
      s.kind === 'line' ? { ...s, to: at(s.to) } : { ...s, to: at(s.to), centre: at(s.centre) },
    ),
  };
}

/** The same path seen from behind: turned over about the x axis. */
export function turnedOver(path: Path): Path {
  const at = (p: Point): Point => ({ x: p.x, y: -p.y });
  return {
    ...path,
    start: at(path.start),
    segments: path.segments.map((s): Segment =>
      s.kind === 'line' ? { ...s, to: at(s.to) } : { ...s, to: at(s.to), centre: at(s.centre), ccw: !s.ccw },
    ),
  };
}

/** The same path walked the other way. */
export function reversePath(path: Path): Path {
  const points = [path.start, ...path.segments.map(s => s.to)];
  const segments = path.segments
    .map((s, i): Segment => {
      const to = points[i] ?? path.start;
      return s.kind === 'line' ? { kind: 'line', to } : { ...s, to, ccw: !s.ccw };
    })
    .reverse();
  return { start: points.at(-1) ?? path.start, segments, closed: true };
}

/** The sweep of an arc in radians, positive counter-clockwise, in (0, 2π] by size. */
export function sweep(from: Point, arc: { to: Point; centre: Point; ccw: boolean }): number {
  const a = Math.atan2(from.y - arc.centre.y, from.x - arc.centre.x);
  const b = Math.atan2(arc.to.y - arc.centre.y, arc.to.x - arc.centre.x);
  const turn = 2 * Math.PI;
  const d = (((arc.ccw ? b - a : a - b) % turn) + turn) % turn;
  const size = d === 0 ? turn : d;
  return arc.ccw ? size : -size;
}

/**
 * The path as points, every one on the true curve and every chord within `chordError` (mm) of it.
 * The last point of a closed path is not repeated.
 */
export function flatten(path: Path, chordError: number): Point[] {
  const points: Point[] = [path.start];
  let at = path.start;
  for (const s of path.segments) {
    if (s.kind === 'arc') {
      const radius = Math.hypot(at.x - s.centre.x, at.y - s.centre.y);
      const total = sweep(at, s);
      const step = 2 * Math.acos(Math.max(0, 1 - chordError / radius));
      const count = Math.max(1, Math.ceil(Math.abs(total) / Math.max(step, 1e-3)));
      const from = Math.atan2(at.y - s.centre.y, at.x - s.centre.x);
      for (let i = 1; i < count; i++) {
        const a = from + (total * i) / count;
        points.push({ x: s.centre.x + radius * Math.cos(a), y: s.centre.y + radius * Math.sin(a) });
      }
    }
    points.push(s.to);
    at = s.to;
  }
  if (path.closed) points.pop();
  return points;
}
