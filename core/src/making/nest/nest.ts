import { signedArea } from '../../ground/geometry/index.ts';
import { seeded } from '../../ground/rational/index.ts';
import { type Blank, grown, type Raster, rasterOf } from './raster.ts';
import { lowestPlace, type SheetGrid, sheetGrid, shutGrid, take } from './sheet-grid.ts';

/** A part to be laid out, and how often. */
export interface NestPart extends Blank {
  readonly number: number;
}

/** Stock: a sheet, mm, and how many of it there are; without a number as many as are needed. */
export interface NestSheet {
  readonly width: number;
  readonly height: number;
  readonly number?: number | undefined;
}

/** What is asked of a nesting. */
export interface NestQuestion {
  readonly parts: readonly NestPart[];
  readonly sheets: readonly NestSheet[];
  /** Stock left between parts and round the edge, mm. */
  readonly gap: number;
  /** Parts may be turned by half turns only. */
  readonly grain: boolean;
  /** Orders of parts that are tried; the first by size, the others shuffled by the seed. */
  readonly tries: number;
  readonly seed: number;
}

/** Where one part lies: turned by `angle` (radians) about its origin, which is then at x, y of its sheet. */
export interface NestPlace {
  readonly part: number;
  readonly sheet: number;
  readonly x: number;
  readonly y: number;
  readonly angle: number;
}

/** Parts laid on sheets. */
export interface Nesting {
  readonly places: readonly NestPlace[];
  /** The sheets used, each by its place in the list of stock, and how far up it is used, mm. */
  readonly sheets: readonly { readonly stock: number; readonly used: number }[];
  /** Parts that went on no sheet, and how many of each. */
  readonly left: readonly { readonly part: number; readonly number: number }[];
  /** Area of the parts over the area of the sheets as far as they are used. */
  readonly filled: number;
}

/** Cells of the largest sheet, and the smallest cell, mm. */
const CELLS = 1_200_000;
const LEAST_CELL = 0.5;

/**
 * Lays parts on sheets: each in turn as low, then as far left, as it goes, in whichever of its turns reaches least
 * high; into the holes of others where it fits. The large ones go first; then other orders are tried and the best
 * is kept: most parts laid, fewest sheets, least height used. Turns of the first try are free, then all parts are
 * laid straight, then by a quarter where they go. Yields the part done, 0 to 1. Places are whole cells, so that no
 * two parts are ever nearer than the gap.
 */
export function* nest(question: NestQuestion): Generator<number, Nesting> {
  const { parts, sheets, gap, tries } = question;
  const largest = Math.max(1, ...sheets.map(s => s.width * s.height));
  const cell = Math.max(LEAST_CELL, Math.sqrt(largest / CELLS));
  const turns = question.grain ? [0, Math.PI] : [0, Math.PI / 2, Math.PI, -Math.PI / 2];
  const rasters = parts.map(p => {
    const figure = grown(p, gap, cell);
    const [whole, ...rest] = turns.map(angle => ({ angle, raster: rasterOf(figure, angle, cell) }));
    return whole ? [whole, ...rest.filter(r => !alike(r.raster, whole.raster))] : [];
  });
  const areas = parts.map(areaOf);
  const order = parts
    .flatMap((p, i) => Array.from({ length: p.number }, () => i))
    .sort((a, b) => (areas[b] ?? 0) - (areas[a] ?? 0) || a - b);
  const random = seeded(question.seed);
  let best: Nesting | undefined;
  for (let n = 0; n < Math.max(1, tries); n++) {
    const made = yield* layOut(
      n === 0 ? order : shuffled(order, areas, random),
      rasters,
      sheets,
      cell,
      gap,
      areas,
      FIRST_TURNS[n % 3],
      f => (n + f) / tries,
    );
    if (!best || better(made, best)) best = made;
  }
  return best as Nesting;
}

/** The turn that parts are laid in first, in one try after another: whichever reaches least high, none, a quarter. */
const FIRST_TURNS = [undefined, 0, 1] as const;

interface Turned {
  readonly angle: number;
  readonly raster: Raster;
}

interface Open {
  readonly stock: number;
  readonly grid: SheetGrid;
  /** What is free within parts that are laid already. */
  readonly pockets: SheetGrid;
  used: number;
  /** Parts that are known not to fit any more. */
  readonly full: Set<number>;
}

function* layOut(
  order: readonly number[],
  rasters: readonly (readonly Turned[])[],
  sheets: readonly NestSheet[],
  cell: number,
  gap: number,
  areas: readonly number[],
  first: number | undefined,
  done: (part: number) => number,
): Generator<number, Nesting> {
  const open: Open[] = [];
  const places: NestPlace[] = [];
  const left = new Map<number, number>();
  // The gap is kept at the edges, too: parts are grown by half of it, and the grid by the other half.
  const edge = gap / 2;
  const cells = (x: number): number => Math.floor((x - gap) / cell);
  const hopeless = new Set<number>();
  for (const [i, part] of order.entries()) {
    if (i % 4 === 0) yield done(i / order.length);
    const place = hopeless.has(part) ? undefined : layOne(part);
    if (place) places.push(place);
    else {
      hopeless.add(part);
      left.set(part, (left.get(part) ?? 0) + 1);
    }
  }
  function layOne(part: number): NestPlace | undefined {
    for (const [at, sheet] of open.entries()) {
      const place = sheet.full.has(part) ? undefined : onSheet(sheet, part, at);
      if (place) return place;
      sheet.full.add(part);
    }
    for (const [stock, s] of sheets.entries()) {
      if (open.filter(o => o.stock === stock).length >= (s.number ?? Infinity)) continue;
      const [columns, rows] = [cells(s.width + gap - 2 * edge), cells(s.height + gap - 2 * edge)];
      if (columns < 1 || rows < 1) continue;
      const sheet: Open = {
        stock,
        grid: sheetGrid(columns, rows),
        pockets: shutGrid(columns, rows),
        used: 0,
        full: new Set(),
      };
      const place = onSheet(sheet, part, open.length);
      if (!place) continue;
      open.push(sheet);
      return place;
    }
    return undefined;
  }
  function onSheet(sheet: Open, part: number, at: number): NestPlace | undefined {
    const turned = rasters[part] ?? [];
    const best = lowest(sheet.pockets, turned, first) ?? lowest(sheet.grid, turned, first);
    if (!best) return undefined;
    take(sheet.grid, sheet.pockets, best.turned.raster, best);
    sheet.used = Math.max(sheet.used, best.top);
    return {
      part,
      sheet: at,
      x: edge + best.column * cell,
      y: edge + best.row * cell,
      angle: best.turned.angle,
    };
  }
  const laid = places.reduce((sum, p) => sum + (areas[p.part] ?? 0), 0);
  const used = open.map(o => ({
    stock: o.stock,
    used: Math.min(sheets[o.stock]?.height ?? 0, o.used * cell + gap),
  }));
  const room = used.reduce((sum, s) => sum + s.used * (sheets[s.stock]?.width ?? 0), 0);
  return {
    places,
    sheets: used,
    left: [...left].map(([part, number]) => ({ part, number })),
    filled: room === 0 ? 0 : laid / room,
  };
}

interface Found {
  readonly turned: Turned;
  readonly column: number;
  readonly row: number;
  readonly top: number;
}

/** The place that reaches least high; the turn to begin with is kept where it goes at all. */
function lowest(grid: SheetGrid, turns: readonly Turned[], first: number | undefined): Found | undefined {
  let best: Found | undefined;
  const order = first === undefined ? turns : [...turns.slice(first), ...turns.slice(0, first)];
  for (const turned of order) {
    const { raster } = turned;
    const found = lowestPlace(grid, raster, best ? best.top : Infinity);
    if (!found) continue;
    const top = found.row + raster.firstRow + raster.rows.length;
    if (!best || top < best.top) best = { turned, ...found, top };
    if (first !== undefined) return best;
  }
  return best;
}

function better(a: Nesting, b: Nesting): boolean {
  const [x, y] = [a, b].map(n => [
    -n.places.length,
    n.sheets.length,
    n.sheets.reduce((sum, s) => sum + s.used, 0),
  ]) as [number[], number[]];
  for (let i = 0; i < x.length; i++) if (x[i] !== y[i]) return (x[i] as number) < (y[i] as number);
  return false;
}

const alike = (a: Raster, b: Raster): boolean =>
  a.firstRow === b.firstRow &&
  a.rows.length === b.rows.length &&
  a.rows.every((r, i) => r.length === b.rows[i]?.length && r.every((x, k) => x === b.rows[i]?.[k]));

/** The area that a part takes off the stock, mm²; its holes are waste, or room for others. */
const areaOf = (part: Blank): number =>
  Math.abs(signedArea(part.outline)) - part.holes.reduce((sum, h) => sum + Math.abs(signedArea(h)), 0);

/** Neighbours in size change places: every size is seen as up to a third more or less. */
function shuffled(order: readonly number[], areas: readonly number[], random: () => number): number[] {
  const key = new Map<number, number>();
  return order
    .map((part, i) => ({ part, i }))
    .sort((a, b) => weight(b.part) - weight(a.part) || a.i - b.i)
    .map(o => o.part);
  function weight(part: number): number {
    const known = key.get(part) ?? (areas[part] ?? 0) * (0.6 + 0.8 * random());
    key.set(part, known);
    return known;
  }
}
