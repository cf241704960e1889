import { distanceToBorder, inside, type Point, rotate } from '../geometry/index.ts';

/** Two outlines as polygons about their own centres, wheel B standing at (distance, 0) from A. */
export interface RollingPair {
  readonly a: readonly Point[];
  readonly b: readonly Point[];
  readonly distance: number;
}

/**
 * Deepest overlap of the two outlines in mm with A turned by `angleA` and B by `angleB` (radians): the greatest depth
 * of a corner of one within the other; nought when they are clear. Measured on the outlines, not from a formula.
 */
export function overlap(pair: RollingPair, angleA: number, angleB: number): number {
  const a = nearby(pair.a, angleA, 0, pair.distance);
  const b = nearby(pair.b, angleB, pair.distance, 0);
  const wholeA = pair.a.map(p => rotate(p, angleA));
  const wholeB = pair.b.map(p => shifted(rotate(p, angleB), pair.distance));
  return Math.max(depth(a, wholeB), depth(b, wholeA));
}

const shifted = (p: Point, x: number): Point => ({ x: p.x + x, y: p.y });

/** The corners of a turned outline that can lie within reach of the other wheel. */
function nearby(points: readonly Point[], angle: number, at: number, other: number): Point[] {
  const reach = Math.max(...points.map(p => Math.hypot(p.x, p.y)));
  const limit = reach * 1.02;
  const span = Math.abs(other - at);
  return points
    .map(p => shifted(rotate(p, angle), at))
    .filter(
      p =>
        Math.hypot(p.x - at, p.y) <= limit && (at < other ? p.x > at + span * 0.05 : p.x < at - span * 0.05),
    );
}

function depth(points: readonly Point[], polygon: readonly Point[]): number {
  let most = 0;
  for (const p of points) if (inside(polygon, p)) most = Math.max(most, distanceToBorder(polygon, p));
  return most;
}

/**
 * How far B can be turned from `angleB` either way until its outline touches A's, in radians: [backwards, forwards],
 * each found by bisection to `tolerance`. The sum, times B's pitch radius, is the play at that place.
 */
export function freedom(
  pair: RollingPair,
  angleA: number,
  angleB: number,
  most: number,
  tolerance = 1e-7,
): [backwards: number, forwards: number] {
  const limit = (way: 1 | -1): number => {
    let free = 0;
    let stuck = most;
    if (overlap(pair, angleA, angleB) > 0) return 0;
    while (stuck - free > tolerance) {
      const middle = (free + stuck) / 2;
      if (overlap(pair, angleA, angleB + way * middle) > 0) stuck = middle;
      else free = middle;
    }
    return free;
  };
  return [limit(-1), limit(1)];
}
