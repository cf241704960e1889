/** Paper by name, mm. */
export type Paper = 'A4' | 'Letter';

/** Width and height of paper standing upright, mm. Source: ISO 216; ANSI/ASME Y14.1 (8.5 by 11 in). */
export const PAPER: Readonly<Record<Paper, readonly [width: number, height: number]>> = {
  A4: [210, 297],
  Letter: [215.9, 279.4],
};

/**
 * What printers leave white round the edge, and how far neighbouring sheets overlap to be glued, mm: common
 * practice, no source.
 */
export const MARGIN = 12;
export const OVERLAP = 12;
/** Room for a line of text below the drawing on every sheet, mm. */
const FOOT = 6;

/**
 * One sheet of a drawing that goes over several: which it is, and the corner of the drawing's own plane at its
 * lower left.
 */
export interface Tile {
  readonly column: number;
  readonly row: number;
  readonly x: number;
  readonly y: number;
}

/** How a drawing goes over sheets of paper. */
export interface Tiling {
  /** The paper as it lies, mm. */
  readonly across: number;
  readonly up: number;
  readonly columns: number;
  readonly rows: number;
  /** What of the drawing a sheet shows, mm, and how far the next one is moved on. */
  readonly width: number;
  readonly height: number;
  readonly tiles: readonly Tile[];
}

/**
 * Sheets for a box of the drawing's plane, in rows from the top left, all of the same paper, upright or lying,
 * whichever takes fewer; a drawing that fits on one is in its middle.
 */
export function tilesFor(box: Box, paper: Paper): Tiling {
  const [across, up] = PAPER[paper];
  const [upright, lying] = [tiled(box, across, up), tiled(box, up, across)];
  return lying.tiles.length < upright.tiles.length ? lying : upright;
}

interface Box {
  readonly minX: number;
  readonly minY: number;
  readonly maxX: number;
  readonly maxY: number;
}

function tiled(box: Box, across: number, up: number): Tiling {
  const [width, height] = [across - 2 * MARGIN, up - 2 * MARGIN - FOOT];
  const [wide, high] = [box.maxX - box.minX, box.maxY - box.minY];
  const along = (size: number, room: number): number =>
    size <= room + 1e-9 ? 1 : 1 + Math.ceil((size - room) / (room - OVERLAP) - 1e-9);
  const [columns, rows] = [along(wide, width), along(high, height)];
  const covered = (n: number, room: number): number => n * (room - OVERLAP) + OVERLAP;
  const left = (box.minX + box.maxX - covered(columns, width)) / 2;
  const bottom = (box.minY + box.maxY - covered(rows, height)) / 2;
  const tiles = Array.from({ length: rows * columns }, (_, i) => {
    const [row, column] = [Math.floor(i / columns), i % columns];
    return {
      ...{ row, column, x: left + column * (width - OVERLAP) },
      y: bottom + (rows - 1 - row) * (height - OVERLAP),
    };
  });
  return { across, up, columns, rows, width, height, tiles };
}
