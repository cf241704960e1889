import { circle, type Path, type Point, polar, type Segment } from '../../ground/geometry/index.ts';

/** Lugs on the rim of a ring, about its middle; mm, and radians of the first from the ring's x direction. */
export interface Lugs {
  readonly number: number;
  /** Across their holes. */
  readonly hole: number;
  /** Of the circle on which the holes lie. */
  readonly circleRadius: number;
  readonly at: number;
}

/** Stock between a lug's hole and its ring, mm, and round the hole: half of it, never less than so much. */
const BESIDE = 1;
const ROUND = 2;

/** How far from its hole's middle a lug reaches, mm (common practice, no source). */
export const lugReach = (hole: number): number => hole / 2 + Math.max(ROUND, hole / 2);

/** The least circle of the holes of lugs round a rim of this radius, mm. */
export const lugCircle = (rimRadius: number, hole: number): number => rimRadius + hole / 2 + BESIDE;

/** Where the holes of lugs are. */
export const lugHoles = ({ number, circleRadius, at }: Lugs): Point[] =>
  Array.from({ length: number }, (_, i) =>
    polar({ x: 0, y: 0 }, circleRadius, at + (2 * Math.PI * i) / number),
  );

/**
 * The outline of a round rim with lugs: each a bar out to its hole with a round end; and its holes. Counter-clockwise,
 * of true arcs and lines.
 */
export function ringWithLugs(
  rimRadius: number,
  lugs: Lugs,
): { readonly outline: Path; readonly holes: Path[] } {
  const { number, hole } = lugs;
  const half = Math.min(lugReach(hole), rimRadius * 0.9);
  const origin = { x: 0, y: 0 };
  const foot = Math.asin(half / rimRadius);
  const segments: Segment[] = [];
  const places = lugHoles(lugs).map((middle, i) => ({ middle, angle: lugs.at + (2 * Math.PI * i) / number }));
  for (const { middle, angle } of places) {
    const out = (side: number): Point => polar(middle, half, angle + (side * Math.PI) / 2);
    segments.push(
      { kind: 'arc', to: polar(origin, rimRadius, angle - foot), centre: origin, ccw: true },
      { kind: 'line', to: out(-1) },
      { kind: 'arc', to: out(1), centre: middle, ccw: true },
      { kind: 'line', to: polar(origin, rimRadius, angle + foot) },
    );
  }
  const last = places.at(-1);
  const start = polar(origin, rimRadius, (last?.angle ?? 0) + foot);
  return {
    outline: { start, segments, closed: true },
    holes: places.map(({ middle }) => circle(middle, hole / 2, false)),
  };
}

/** The most lugs of this size that a rim holds side by side. */
export function mostLugs(rimRadius: number, hole: number): number {
  const half = Math.min(lugReach(hole), rimRadius * 0.9);
  return Math.max(0, Math.floor(Math.PI / Math.asin(Math.min(1, half / rimRadius))));
}
