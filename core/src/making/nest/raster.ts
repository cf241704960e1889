import { Clipper, EndType, JoinType } from 'clipper2-ts';
import { type Point, signedArea } from '../../ground/geometry/index.ts';

/** What a part covers in a grid of square cells: for each row the runs of cells, each a first and a last column. */
export interface Raster {
  /** The cell in which the part's origin lies is (0, 0); rows and columns are counted from there. */
  readonly firstRow: number;
  readonly rows: readonly (readonly number[])[];
  readonly left: number;
  readonly right: number;
}

/** A closed figure with its holes, as points; mm. */
export interface Blank {
  readonly outline: readonly Point[];
  readonly holes: readonly (readonly Point[])[];
}

/** Half the diagonal of a cell, in cells: the midpoint of two near points is so near to the middle of its own cell. */
const HALF_DIAGONAL = Math.SQRT1_2;

/** A figure grown by half the gap and half a cell's diagonal: the same whichever way it is turned. */
export type Grown = readonly (readonly Point[])[];

/** Corners that lie off their neighbours' line by less than this are left out, mm. */
const SIMPLE = 0.05;

/**
 * What of a grid a figure takes. Two figures whose cells do not meet are at least the gap apart: the middle between
 * two points that are nearer would lie within half the gap of both, and so the middle of its cell within the grown
 * figure of both (derived here). What simplifying may take off is added again.
 */
export function grown(blank: Blank, gap: number, cell: number): Grown {
  const turn = (path: readonly Point[], ccw: boolean): Point[] =>
    signedArea(path) > 0 === ccw ? [...path] : [...path].reverse();
  const paths = [turn(blank.outline, true), ...blank.holes.map(h => turn(h, false))];
  const simple = Clipper.simplifyPathsD(paths, SIMPLE, true);
  const by = gap / 2 + HALF_DIAGONAL * cell + SIMPLE;
  return Clipper.inflatePathsD(simple, by, JoinType.Miter, EndType.Polygon, 2, 4).map(p =>
    p.map(({ x, y }) => ({ x, y })),
  );
}

/** The cells of a grown figure turned by an angle. */
export function rasterOf(figure: Grown, angle: number, cell: number): Raster {
  const [c, s] = [Math.cos(angle), Math.sin(angle)];
  const turned = figure.map(path => path.map(p => ({ x: c * p.x - s * p.y, y: s * p.x + c * p.y })));
  let [top, bottom] = [-Infinity, Infinity];
  for (const path of turned)
    for (const p of path) [top, bottom] = [Math.max(top, p.y), Math.min(bottom, p.y)];
  const firstRow = Math.floor(bottom / cell);
  const lastRow = Math.floor(top / cell);
  const rows = rowsOf(turned, firstRow, lastRow, cell);
  let [left, right] = [Infinity, -Infinity];
  for (const runs of rows)
    if (runs.length > 0) {
      left = Math.min(left, runs[0] as number);
      right = Math.max(right, runs.at(-1) as number);
    }
  return { firstRow, rows, left, right };
}

/** Runs of cells whose middles lie inside, row by row: every edge is crossed by the rows that it spans. */
function rowsOf(paths: Grown, firstRow: number, lastRow: number, cell: number): number[][] {
  const crossings = Array.from({ length: lastRow - firstRow + 1 }, (): number[] => []);
  for (const path of paths) {
    let a = path[path.length - 1];
    for (const b of path) {
      if (a) {
        const [low, high] = a.y < b.y ? [a, b] : [b, a];
        const first = Math.ceil(low.y / cell - 0.5);
        for (let row = first; (row + 0.5) * cell < high.y; row++)
          crossings[row - firstRow]?.push(a.x + (((row + 0.5) * cell - a.y) * (b.x - a.x)) / (b.y - a.y));
      }
      a = b;
    }
  }
  return crossings.map(xs => runsOf(xs, cell));
}

function runsOf(crossings: number[], cell: number): number[] {
  crossings.sort((p, q) => p - q);
  const runs: number[] = [];
  for (let i = 0; i + 1 < crossings.length; i += 2) {
    const first = Math.ceil((crossings[i] as number) / cell - 0.5);
    const last = Math.floor((crossings[i + 1] as number) / cell - 0.5);
    if (last >= first) runs.push(first, last);
  }
  return runs;
}
