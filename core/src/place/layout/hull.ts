import {
  circle,
  direction,
  type Path,
  type Point,
  polar,
  type Segment,
} from '../../ground/geometry/index.ts';

/** Points nearer to each other than this are one, mm. */
const GRAIN = 1e-6;

/**
 * Corners of the least convex polygon round some points, counter-clockwise, to a millionth of a millimetre
 * (Andrew's monotone chain, 1979).
 */
export function convexHull(points: readonly Point[]): Point[] {
  const grained = new Map(
    points.map(p => {
      const [x, y] = [Math.round(p.x / GRAIN), Math.round(p.y / GRAIN)];
      return [`${x} ${y}`, { x: x * GRAIN, y: y * GRAIN }] as const;
    }),
  );
  const sorted = [...grained.values()].sort((a, b) => a.x - b.x || a.y - b.y);
  const half = (list: readonly Point[]): Point[] => {
    const chain: Point[] = [];
    for (const p of list) {
      for (;;) {
        const [b, a] = [chain.at(-1), chain.at(-2)];
        if (!a || !b || (b.x - a.x) * (p.y - a.y) - (b.y - a.y) * (p.x - a.x) > 1e-12) break;
        chain.pop();
      }
      chain.push(p);
    }
    return chain.slice(0, -1);
  };
  const hull = [...half(sorted), ...half(sorted.reverse())];
  return hull.length > 0 ? hull : sorted.slice(0, 1);
}

/**
 * The tightest band at a distance round some points: lines along the hull, arcs about its corners. Throws
 * RangeError without points or room.
 */
export function hullRound(points: readonly Point[], radius: number): Path {
  const hull = convexHull(points);
  const [first] = hull;
  if (!first || !(radius > 0)) throw new RangeError(`hullRound: ${hull.length} points, radius ${radius}`);
  if (hull.length === 1) return circle(first, radius);
  const segments: Segment[] = [];
  const side = (i: number): number => {
    const [p, q] = [hull[i % hull.length] as Point, hull[(i + 1) % hull.length] as Point];
    return direction(p, q) - Math.PI / 2;
  };
  for (let i = 0; i < hull.length; i++) {
    const corner = hull[(i + 1) % hull.length] as Point;
    segments.push({ kind: 'line', to: polar(corner, radius, side(i)) });
    segments.push({ kind: 'arc', to: polar(corner, radius, side(i + 1)), centre: corner, ccw: true });
  }
  return { start: polar(first, radius, side(0)), segments, closed: true };
}
