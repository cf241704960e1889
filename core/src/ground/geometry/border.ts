import Flatbush from 'flatbush';
import { distanceToSegment } from './measure.ts';
import type { Point } from './point.ts';

/**
 * How far points lie from a closed polygon, asked again and again: the function that says so for a point, in the unit
 * of the polygon. The first edge found near a point bounds the way, and only edges within that are measured.
 */
export function distanceFrom(polygon: readonly Point[]): (p: Point) => number {
  const edges = polygon.map((b, i): [Point, Point] => [polygon.at(i - 1) as Point, b]);
  const index = new Flatbush(edges.length);
  for (const [a, b] of edges)
    index.add(Math.min(a.x, b.x), Math.min(a.y, b.y), Math.max(a.x, b.x), Math.max(a.y, b.y));
  index.finish();
  const away = (i: number, p: Point): number => {
    const [a, b] = edges[i] as [Point, Point];
    return distanceToSegment(a, b, p);
  };
  return p => {
    const [near] = index.neighbors(p.x, p.y, 1);
    const bound = away(near as number, p);
    return index
      .search(p.x - bound, p.y - bound, p.x + bound, p.y + bound)
      .reduce((least, i) => Math.min(least, away(i, p)), bound);
  };
}
