import { distanceToSegment } from './measure.ts';
import { distance, type Point } from './point.ts';

/**
 * The point on a line through `through` in a direction (radians) that lies `radius` from `from`: of the two, the
 * one further along the line or the other. Undefined where the line passes by at a greater distance.
 */
export function onLine(
  through: Point,
  direction: number,
  from: Point,
  radius: number,
  further: boolean,
): Point | undefined {
  const [ux, uy] = [Math.cos(direction), Math.sin(direction)];
  const along = (from.x - through.x) * ux + (from.y - through.y) * uy;
  const foot = { x: through.x + along * ux, y: through.y + along * uy };
  const off = distance(from, foot);
  if (off > radius) return undefined;
  const half = Math.sqrt(radius * radius - off * off);
  const way = further ? half : -half;
  return { x: foot.x + way * ux, y: foot.y + way * uy };
}

/** Where a point is seen in a mirror that stands on a line through `through` in a direction, radians. */
export function mirrored(p: Point, through: Point, direction: number): Point {
  const [c, s] = [Math.cos(2 * direction), Math.sin(2 * direction)];
  const [dx, dy] = [p.x - through.x, p.y - through.y];
  return { x: through.x + c * dx + s * dy, y: through.y + s * dx - c * dy };
}

/** Least distance of two segments; nought where they cross. */
export function segmentGap(a: Point, b: Point, c: Point, d: Point): number {
  const side = (p: Point, q: Point, r: Point): number =>
    (q.x - p.x) * (r.y - p.y) - (q.y - p.y) * (r.x - p.x);
  const crosses =
    side(a, b, c) * side(a, b, d) < 0 && side(c, d, a) * side(c, d, b) < 0 && distance(a, b) > 0;
  if (crosses) return 0;
  return Math.min(
    distanceToSegment(a, b, c),
    distanceToSegment(a, b, d),
    distanceToSegment(c, d, a),
    distanceToSegment(c, d, b),
  );
}
