import { distanceToBorder, inside, type Point } from '../../ground/geometry/index.ts';
import type { Region } from '../../document/machine/index.ts';

/** Corners of a region that has any. */
export function cornersOf(region: Exclude<Region, { kind: 'circle' }>): Point[] {
  if (region.kind === 'outline') return region.points.map(([x, y]) => ({ x, y }));
  const [w, h] = [region.width / 2, region.height / 2];
  return [
    { x: region.x - w, y: region.y - h },
    { x: region.x + w, y: region.y - h },
    { x: region.x + w, y: region.y + h },
    { x: region.x - w, y: region.y + h },
  ];
}

/** How far a point lies within the border of a region, mm; negative outside. */
export function depthIn(region: Region, p: Point): number {
  if (region.kind === 'circle') return region.diameter / 2 - Math.hypot(p.x - region.x, p.y - region.y);
  const corners = cornersOf(region);
  const off = distanceToBorder(corners, p);
  return inside(corners, p) ? off : -off;
}

/** Nearest and farthest distance of the stuff of a region from a point, mm; the nearest is nought from within. */
export function spanFrom(region: Region, p: Point): { readonly near: number; readonly far: number } {
  const depth = depthIn(region, p);
  const near = Math.max(0, -depth);
  if (region.kind === 'circle')
    return { near, far: Math.hypot(p.x - region.x, p.y - region.y) + region.diameter / 2 };
  return { near, far: Math.max(...cornersOf(region).map(c => Math.hypot(c.x - p.x, c.y - p.y))) };
}

/** The middle of a region's bounding box. */
export function middleOf(region: Region): Point {
  if (region.kind !== 'outline') return { x: region.x, y: region.y };
  const [xs, ys] = [region.points.map(p => p[0]), region.points.map(p => p[1])];
  return { x: (Math.min(...xs) + Math.max(...xs)) / 2, y: (Math.min(...ys) + Math.max(...ys)) / 2 };
}
