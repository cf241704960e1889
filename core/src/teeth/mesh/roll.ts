import { distanceToBorder, inside, type Point, rotate } from '../../ground/geometry/index.ts';
import { wrapAngle } from '../../ground/units/index.ts';

/** Two outlines about their own centres, wheel B standing at (distance, 0) from A, made ready for rolling. */
export interface RollingPair {
  readonly a: RollingWheel;
  readonly b: RollingWheel;
  readonly distance: number;
}

interface RollingWheel {
  readonly points: readonly Point[];
  readonly angles: readonly number[];
  /** Half the angle, seen from its centre, within which this wheel can meet the other, and a little more. */
  readonly window: number;
  readonly reach: number;
}

/** Makes two outlines ready: `a` and `b` as closed polygons, counter-clockwise; the distance of their centres in mm. */
export function rollingPair(a: readonly Point[], b: readonly Point[], distance: number): RollingPair {
  const [tipA, tipB] = [reach(a), reach(b)];
  return { a: rollingWheel(a, tipA, tipB, distance), b: rollingWheel(b, tipB, tipA, distance), distance };
}

const reach = (points: readonly Point[]): number =>
  points.reduce((most, p) => Math.max(most, Math.hypot(p.x, p.y)), 0);

/** Beyond the crossing of the tip circles, radians: no chord of a flank spans more. */
const MARGIN = 0.12;

/** Window: where the tip circles cross, by the law of cosines, and a margin. */
function rollingWheel(points: readonly Point[], own: number, other: number, distance: number): RollingWheel {
  const cos = (own * own + distance * distance - other * other) / (2 * own * distance);
  const lens = Math.acos(Math.min(1, Math.max(-1, cos)));
  return {
    points,
    angles: points.map(p => Math.atan2(p.y, p.x)),
    window: Math.min(Math.PI * 0.9, lens + MARGIN),
    reach: own,
  };
}

/**
 * Deepest overlap of the two outlines in mm with A turned by `angleA` and B by `angleB` (radians): the greatest depth
 * of a corner of one within the other; nought when they are clear. Measured on the outlines, not from a formula.
 */
export function overlap(pair: RollingPair, angleA: number, angleB: number): number {
  const a = sector(pair.a, angleA, 0, 0);
  const b = sector(pair.b, angleB, Math.PI, pair.distance);
  return Math.max(depth(a, b, pair.distance, pair.b.reach), depth(b, a, 0, pair.a.reach));
}

/** The part of a turned wheel that faces the direction `towards`, as a polygon closed through its centre at (x, 0). */
function sector(wheel: RollingWheel, angle: number, towards: number, x: number): Point[] {
  const n = wheel.points.length;
  const within = wheel.angles.map(a => Math.abs(wrapAngle(a + angle - towards)) <= wheel.window);
  const outside = within.indexOf(false);
  const found: Point[] = [{ x, y: 0 }];
  for (let i = 1; i <= n; i++) {
    const k = (outside + i) % n;
    const p = wheel.points[k];
    if (!within[k] || !p) continue;
    const q = rotate(p, angle);
    found.push({ x: q.x + x, y: q.y });
  }
  return found;
}

/** Greatest depth of the points in a polygon about (x, 0) that reaches so far. */
function depth(points: readonly Point[], polygon: readonly Point[], x: number, reach: number): number {
  let most = 0;
  for (const p of points.slice(1)) {
    if (Math.hypot(p.x - x, p.y) < reach && inside(polygon, p))
      most = Math.max(most, distanceToBorder(polygon, p));
  }
  return most;
}

/**
 * How far B can be turned from `angleB` either way until its outline touches A's, in radians: [backwards, forwards],
 * each found by bisection to `tolerance`, up to `most`. The sum, times B's pitch radius, is the play at that place.
 */
export function freedom(
  pair: RollingPair,
  angleA: number,
  angleB: number,
  most: number,
  tolerance = 1e-7,
): [backwards: number, forwards: number] {
  if (overlap(pair, angleA, angleB) > 0) return [0, 0];
  const limit = (way: 1 | -1): number => {
    let free = 0;
    let stuck = most;
    while (stuck - free > tolerance) {
      const middle = (free + stuck) / 2;
      if (overlap(pair, angleA, angleB + way * middle) > 0) stuck = middle;
      else free = middle;
    }
    return free;
  };
  return [limit(-1), limit(1)];
}
