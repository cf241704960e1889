import type { Raster } from './raster.ts';

/** A sheet as a grid: which cells are taken. */
export interface SheetGrid {
  readonly columns: number;
  readonly rows: number;
  /** For every cell the first column from it on that is taken; `columns` for none. */
  readonly next: Int32Array;
  /** For every taken cell the first free column after it. */
  readonly free: Int32Array;
}

/** An empty sheet. */
export function sheetGrid(columns: number, rows: number): SheetGrid {
  const next = new Int32Array(columns * rows).fill(columns);
  return { columns, rows, next, free: new Int32Array(columns * rows) };
}

/** A sheet of which nothing is free: where pockets are kept. */
export function shutGrid(columns: number, rows: number): SheetGrid {
  const next = new Int32Array(columns * rows);
  for (let i = 0; i < next.length; i++) next[i] = i % columns;
  return { columns, rows, next, free: new Int32Array(columns * rows).fill(columns) };
}

/** The place of a part's origin, in cells. */
export interface CellPlace {
  readonly column: number;
  readonly row: number;
}

/**
 * The lowest place at which a raster meets nothing, and of those the leftmost; undefined when there is none below
 * `limit` rows.
 * Whatever a row strikes it is moved behind at once.
 */
export function lowestPlace(grid: SheetGrid, part: Raster, limit = Infinity): CellPlace | undefined {
  const height = part.rows.length;
  const from = -part.left;
  const to = grid.columns - 1 - part.right;
  if (to < from || height > grid.rows) return undefined;
  const most = Math.min(grid.rows - height, limit - height);
  for (let row = 0; row <= most; row++) {
    const column = freeColumn(grid, part, row, from, to);
    if (column !== undefined) return { column, row: row - part.firstRow };
  }
  return undefined;
}

function freeColumn(
  grid: SheetGrid,
  part: Raster,
  row: number,
  from: number,
  to: number,
): number | undefined {
  const { columns, next, free } = grid;
  let x = from;
  search: while (x <= to) {
    for (let i = 0; i < part.rows.length; i++) {
      const runs = part.rows[i] as readonly number[];
      const base = (row + i) * columns;
      for (let k = 0; k < runs.length; k += 2) {
        const first = x + (runs[k] as number);
        const taken = next[base + first] as number;
        if (taken <= x + (runs[k + 1] as number)) {
          x = (free[base + taken] as number) - (runs[k] as number);
          continue search;
        }
      }
    }
    return x;
  }
  return undefined;
}

/**
 * Takes the cells of a part at a place, and opens as a pocket what lies between its cells in a row: its holes, and
 * the room between its teeth.
 */
export function take(grid: SheetGrid, pockets: SheetGrid, part: Raster, place: CellPlace): void {
  const { columns } = grid;
  part.rows.forEach((runs, i) => {
    const row = place.row + part.firstRow + i;
    if (runs.length === 0) return;
    const taken = takenIn(grid, row);
    const shut = takenIn(pockets, row);
    for (let k = 0; k < runs.length; k += 2) {
      const [first, last] = [place.column + (runs[k] as number), place.column + (runs[k + 1] as number)];
      taken.fill(1, first, last + 1);
      const next = runs[k + 2];
      if (next !== undefined) shut.fill(0, last + 1, place.column + next);
    }
    for (let c = 0; c < columns; c++) if (taken[c]) shut[c] = 1;
    mark(grid, row, taken);
    mark(pockets, row, shut);
  });
}

function takenIn({ columns, next }: SheetGrid, row: number): Uint8Array {
  const taken = new Uint8Array(columns);
  for (let c = 0; c < columns; c++) taken[c] = next[row * columns + c] === c ? 1 : 0;
  return taken;
}

function mark({ columns, next, free }: SheetGrid, row: number, taken: Uint8Array): void {
  let [near, open] = [columns, columns];
  for (let c = columns - 1; c >= 0; c--) {
    if (taken[c]) near = c;
    else open = c;
    next[row * columns + c] = near;
    free[row * columns + c] = open;
  }
}
