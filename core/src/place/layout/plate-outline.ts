import { Clipper, EndType, FillRule, JoinType } from 'clipper2-ts';
import {
  bounds,
  circle,
  distance,
  distanceToBorder,
  flatten,
  inside,
  type Path,
  type Point,
  polar,
  polygon,
  signedArea,
} from '../../ground/geometry/index.ts';
import { axisOfWheel, type Machine, type Region } from '../../document/machine/index.ts';
import { hullRound } from './hull.ts';
import { holePath, LEAST_BRIDGE, type PlateHole, slotEnds } from './plate-holes.ts';
import { cornersOf } from './region.ts';
import type { LayoutParts } from './solids.ts';
import { turningAxis } from './turning.ts';

type PlatesSaid = NonNullable<Machine['layout']['plates']>;

/** Corners by which a circle stands in for what lies within it. */
const ROUND = 72;
/** How far bars may stand off their true line, mm. */
const CHORD = 0.005;

/** The region to which plates are cut, where they are cut to one. */
export const plateRegion = ({ layout }: Pick<Machine, 'layout'>): Region | undefined =>
  layout.plates?.shape === 'as the envelope'
    ? layout.envelope?.region
    : layout.plates?.shape === 'a border'
      ? layout.plates.border
      : undefined;

/**
 * The outline of a plate, counter-clockwise, mm: a band round its holes or round all that turns, the least rectangle
 * about its holes, bars from hole to hole along their shortest tree (J. B. Kruskal, 1956), or a border that was given.
 */
export function plateOutline(parts: LayoutParts, said: PlatesSaid, holes: readonly PlateHole[]): Path {
  const region = plateRegion(parts.machine);
  if (region?.kind === 'circle') return circle({ x: region.x, y: region.y }, region.diameter / 2);
  if (region) {
    const corners = cornersOf(region);
    return polygon(signedArea(corners) > 0 ? corners : corners.reverse());
  }
  const largest = Math.max(0, ...holes.map(h => h.diameter / 2));
  const reach = largest + said.margin + LEAST_BRIDGE;
  const middles = holes.length > 0 ? holes.flatMap(slotEnds) : [{ x: 0, y: 0 }];
  switch (said.shape) {
    case 'round the wheels': {
      const round = sweptCircles(parts).flatMap(({ x, y, radius }) =>
        Array.from({ length: ROUND }, (_, i) => polar({ x, y }, radius, (2 * Math.PI * i) / ROUND)),
      );
      const rims = holes.flatMap(h => flatten(holePath(h), 0.05));
      return hullRound([...middles, ...round, ...rims], said.margin + LEAST_BRIDGE);
    }
    case 'rectangle': {
      const box = bounds(middles);
      const [w, s, e, n] = [box.minX - reach, box.minY - reach, box.maxX + reach, box.maxY + reach];
      return polygon([
        { x: w, y: s },
        { x: e, y: s },
        { x: e, y: n },
        { x: w, y: n },
      ]);
    }
    case 'bars':
      return barsBetween(holes, said.barWidth ?? 2 * reach) ?? hullRound(middles, reach);
    case 'round the holes':
    case 'a border':
    case 'as the envelope':
      return hullRound(middles, reach);
  }
}

/** The room that wheels sweep in the plan, as circles about where their axes are carried. */
function sweptCircles({ machine, motion, extents }: LayoutParts): (Point & { readonly radius: number })[] {
  return machine.wheels.flatMap(w => {
    const path = turningAxis(motion, axisOfWheel(machine, w) ?? '');
    const extent = extents[w.id];
    if (!path || !extent) return [];
    const way = path.vectors.reduce((sum, v) => sum + Math.hypot(v.x, v.y), 0);
    return [{ x: path.x, y: path.y, radius: way + extent.outer }];
  });
}

/** Pairs of points that join all of them over the least length. */
export function shortestTree(points: readonly Point[]): [Point, Point][] {
  const root = points.map((_, i) => i);
  const rootOf = (i: number): number => (root[i] === i ? i : rootOf(root[i] as number));
  const pairs = points.flatMap((p, i) =>
    points.slice(i + 1).map((q, k) => ({ i, j: i + 1 + k, far: distance(p, q) })),
  );
  const tree: [Point, Point][] = [];
  for (const { i, j } of pairs.sort((a, b) => a.far - b.far)) {
    const [a, b] = [rootOf(i), rootOf(j)];
    if (a === b) continue;
    root[a] = b;
    tree.push([points[i] as Point, points[j] as Point]);
  }
  return tree;
}

/** Bars of a width from hole to hole with round ends; undefined for a single hole. Windows between bars are not cut. */
function barsBetween(holes: readonly PlateHole[], width: number): Path | undefined {
  const middles = holes.flatMap(slotEnds);
  const bars = shortestTree(middles).map(([a, b]) => [a, b]);
  if (bars.length === 0) return undefined;
  const inflated = Clipper.inflatePathsD(bars, width / 2, JoinType.Round, EndType.Round, 2, 6, CHORD);
  const [outer] = Clipper.unionD(inflated, FillRule.NonZero).sort(
    (a, b) => Math.abs(Clipper.areaD(b)) - Math.abs(Clipper.areaD(a)),
  );
  const points = (outer ?? []).map(({ x, y }) => ({ x, y }));
  return polygon(signedArea(points) > 0 ? points : points.reverse());
}

/** The least stock between a hole and the edge of its plate, mm; negative where it breaks out. */
export function edgeOf(outline: Path, hole: PlateHole): number {
  const border = flatten(outline, CHORD);
  return (
    Math.min(...slotEnds(hole).map(p => (inside(border, p) ? 1 : -1) * distanceToBorder(border, p))) -
    hole.diameter / 2
  );
}
