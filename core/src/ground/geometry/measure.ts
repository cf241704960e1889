import type { Point } from './point.ts';

/** Signed area of a polygon, positive when its points run counter-clockwise (shoelace formula). */
export function signedArea(points: readonly Point[]): number {
  let sum = 0;
  let q = points[points.length - 1];
  for (const p of points) {
    if (q) sum += q.x * p.y - p.x * q.y;
    q = p;
  }
  return sum / 2;
}

/** The middle of the area within a polygon, whichever way it runs (Green's theorem); its area must not be nought. */
export function centroid(points: readonly Point[]): Point {
  let [x, y] = [0, 0];
  let q = points[points.length - 1];
  for (const p of points) {
    const twice = q ? q.x * p.y - p.x * q.y : 0;
    x += twice * (p.x + (q?.x ?? 0));
    y += twice * (p.y + (q?.y ?? 0));
    q = p;
  }
  const six = 6 * signedArea(points);
  return { x: x / six, y: y / six };
}

/** Least box round some points; throws RangeError for none. */
export function bounds(points: readonly Point[]): { minX: number; minY: number; maxX: number; maxY: number } {
  if (points.length === 0) throw new RangeError('bounds: no points');
  let [minX, minY, maxX, maxY] = [Infinity, Infinity, -Infinity, -Infinity];
  for (const p of points) {
    if (p.x < minX) minX = p.x;
    if (p.x > maxX) maxX = p.x;
    if (p.y < minY) minY = p.y;
    if (p.y > maxY) maxY = p.y;
  }
  return { minX, minY, maxX, maxY };
}

/** Whether a point lies inside a polygon, by the even–odd rule (crossing count). */
export function inside(polygon: readonly Point[], p: Point): boolean {
  let odd = false;
  let q = polygon[polygon.length - 1];
  for (const a of polygon) {
    if (q && a.y > p.y !== q.y > p.y && p.x < ((q.x - a.x) * (p.y - a.y)) / (q.y - a.y) + a.x) odd = !odd;
    q = a;
  }
  return odd;
}

/** Distance from a point to a closed polygon's border. */
export function distanceToBorder(polygon: readonly Point[], p: Point): number {
  let best = Infinity;
  let q = polygon[polygon.length - 1];
  for (const a of polygon) {
    if (q) best = Math.min(best, distanceToSegment(q, a, p));
    q = a;
  }
  return best;
}

/** Distance from p to the segment a–b. */
export function distanceToSegment(a: Point, b: Point, p: Point): number {
  const dx = b.x - a.x;
  const dy = b.y - a.y;
  const length2 = dx * dx + dy * dy;
  const t = length2 === 0 ? 0 : Math.max(0, Math.min(1, ((p.x - a.x) * dx + (p.y - a.y) * dy) / length2));
  return Math.hypot(a.x + t * dx - p.x, a.y + t * dy - p.y);
}

/** Whether a closed polygon crosses itself: every pair of edges that are not neighbours, swept along x. */
export const crossesItself = (points: readonly Point[]): boolean =>
  edgesCross(
    points.map((p, i) => ({ i, p, q: points[(i + 1) % points.length] as Point })),
    points.length,
  );

/** The same for a run of points that is not closed. */
export const openCrosses = (points: readonly Point[]): boolean =>
  edgesCross(
    points.slice(0, -1).map((p, i) => ({ i, p, q: points[i + 1] as Point })),
    Infinity,
  );

interface Edge {
  readonly i: number;
  readonly p: Point;
  readonly q: Point;
}

/** Sweeps edges along x; the n-th follows the first where the points close. */
function edgesCross(edges: Edge[], n: number): boolean {
  const low = (e: { p: Point; q: Point }): number => Math.min(e.p.x, e.q.x);
  edges.sort((a, b) => low(a) - low(b));
  for (let i = 0; i < edges.length; i++) {
    const a = edges[i];
    if (!a) continue;
    const high = Math.max(a.p.x, a.q.x);
    for (let j = i + 1; j < edges.length; j++) {
      const b = edges[j];
      if (!b || low(b) > high) break;
      const gap = Math.abs(a.i - b.i);
      if (gap > 1 && gap < n - 1 && segmentsCross(a.p, a.q, b.p, b.q)) return true;
    }
  }
  return false;
}

function segmentsCross(a: Point, b: Point, c: Point, d: Point): boolean {
  const side = (p: Point, q: Point, r: Point): number =>
    (q.x - p.x) * (r.y - p.y) - (q.y - p.y) * (r.x - p.x);
  return side(a, b, c) * side(a, b, d) < 0 && side(c, d, a) * side(c, d, b) < 0;
}
