import {
  appendBezierCurve,
  clip,
  closePath,
  concatTransformationMatrix,
  endPath,
  lineTo,
  moveTo,
  PDFDocument,
  type PDFFont,
  type PDFOperator,
  type PDFPage,
  popGraphicsState,
  pushGraphicsState,
  rectangle,
  rgb,
  setDashPattern,
  setLineWidth,
  setStrokingColor,
  StandardFonts,
  stroke,
  degrees as turned,
} from '@cantoo/pdf-lib';
import type { Drawing, Group, LineRole } from '../../ground/drawing/index.ts';
import { bounds, flatten, type Path, type Point, rotate, sweep } from '../../ground/geometry/index.ts';
import { degrees } from '../../ground/units/index.ts';
import { MARGIN, OVERLAP, PAPER, type Paper, type Tile, tilesFor, type Tiling } from './tiles.ts';

/** Points of PDF in a millimetre: 72 to the inch. Source: ISO 32000-1, 8.3.2.3. */
const POINT = 72 / 25.4;
/** The side of the checking square, mm. */
const CHECK = 100;
/** Arcs are drawn as Bézier curves of at most this turn: off by less than 0.00001 of the radius. */
const MOST_TURN = Math.PI / 6;

const INK: Readonly<
  Record<LineRole, { readonly colour: ReturnType<typeof rgb>; readonly dash: readonly number[] }>
> = {
  cut: { colour: rgb(0, 0, 0), dash: [] },
  engrave: { colour: rgb(0.1, 0.2, 0.7), dash: [] },
  drill: { colour: rgb(0, 0, 0), dash: [] },
  reference: { colour: rgb(0.45, 0.45, 0.45), dash: [2, 1] },
};

/**
 * Drawings at true size as PDF, each over as many sheets of the paper as it needs, with overlaps, marks that must
 * fall upon each other, and a title on every sheet; before them a sheet with a square of 100 mm to be measured
 * before anything is cut, and what each drawing says of itself.
 * The same drawings give the same bytes. Coordinates to 0.0001 mm.
 */
export async function writePdf(
  drawings: readonly Drawing[],
  paper: Paper,
  title: string,
): Promise<Uint8Array<ArrayBuffer>> {
  const pdf = await PDFDocument.create({ updateMetadata: false });
  pdf.setTitle(title);
  pdf.setCreationDate(EPOCH);
  pdf.setModificationDate(EPOCH);
  const font = await pdf.embedFont(StandardFonts.Helvetica);
  const tilings = drawings.map(d => tilesFor(boxOf(d), paper));
  checkingSheet(pdf, font, paper, drawings, tilings, title);
  drawings.forEach((drawing, i) => {
    const tiling = tilings[i];
    if (tiling) for (const tile of tiling.tiles) drawTile(pdf, font, drawing, tiling, tile);
  });
  return (await pdf.save({ useObjectStreams: false })) as Uint8Array<ArrayBuffer>;
}

/** Files say nothing of when they were made. */
const EPOCH = new Date(0);

/** What a drawing covers, with room for the width of its lines and for its texts. */
function boxOf(drawing: Drawing): ReturnType<typeof bounds> {
  const points = drawing.groups.flatMap(g => [
    ...g.shapes.flatMap(s => s.paths.flatMap(p => flatten(p, 0.05).map(q => put(q, g)))),
    ...g.labels.map(l => put(l, g)),
  ]);
  const box = bounds(points.length > 0 ? points : [{ x: 0, y: 0 }]);
  return { minX: box.minX - 1, minY: box.minY - 1, maxX: box.maxX + 1, maxY: box.maxY + 1 };
}

const put = (p: Point, g: Group): Point => {
  const q = rotate(p, g.angle);
  return { x: q.x + g.x, y: q.y + g.y };
};

function drawTile(pdf: PDFDocument, font: PDFFont, drawing: Drawing, tiling: Tiling, tile: Tile): void {
  const { across, up } = tiling;
  const page = newPage(pdf, across, up);
  const low = up - MARGIN - tiling.height;
  page.pushOperators(
    pushGraphicsState(),
    concatTransformationMatrix(POINT, 0, 0, POINT, 0, 0),
    rectangle(MARGIN, low, tiling.width, tiling.height),
    clip(),
    endPath(),
    concatTransformationMatrix(1, 0, 0, 1, num(MARGIN - tile.x), num(low - tile.y)),
  );
  for (const group of drawing.groups)
    for (const shape of group.shapes) page.pushOperators(...shapeOperators(shape.paths, shape.role, group));
  for (const group of drawing.groups)
    for (const label of group.labels) {
      const at = put(label, group);
      const text = printable(label.text);
      const half = font.widthOfTextAtSize(text, label.height) / 2;
      const angle = label.angle === undefined ? 0 : group.angle + label.angle;
      const from = { x: at.x - half * Math.cos(angle), y: at.y - half * Math.sin(angle) };
      page.drawText(text, {
        x: from.x,
        y: from.y,
        size: label.height,
        font,
        color: INK[label.role].colour,
        rotate: turned(degrees(angle)),
      });
    }
  page.pushOperators(popGraphicsState());
  frame(page, tiling, tile, low);
  const many = tiling.tiles.length > 1;
  const which = many
    ? `, sheet ${tile.row + 1}-${tile.column + 1} of ${tiling.rows} rows by ${tiling.columns}`
    : '';
  note(page, font, `${drawing.title}${which}. True size: print at 100 %.`, MARGIN, MARGIN, 3);
}

/** The frame of a tile, and marks where the overlap to the next one has its middle: they fall upon each other. */
function frame(page: PDFPage, tiling: Tiling, tile: Tile, low: number): void {
  const { width, height, columns, rows } = tiling;
  const operators: PDFOperator[] = [
    pushGraphicsState(),
    concatTransformationMatrix(POINT, 0, 0, POINT, 0, 0),
    setLineWidth(0.1),
    setStrokingColor(rgb(0.6, 0.6, 0.6)),
    rectangle(MARGIN, low, width, height),
    stroke(),
    setStrokingColor(rgb(0, 0, 0)),
  ];
  const cross = (x: number, y: number): void => {
    operators.push(moveTo(x - 3, y), lineTo(x + 3, y), moveTo(x, y - 3), lineTo(x, y + 3), stroke());
  };
  const across: number[] = [];
  if (tile.column > 0) across.push(MARGIN + OVERLAP / 2);
  if (tile.column < columns - 1) across.push(MARGIN + width - OVERLAP / 2);
  for (const x of across) for (const f of [0.15, 0.85]) cross(x, low + OVERLAP + f * (height - 2 * OVERLAP));
  const upwards: number[] = [];
  if (tile.row < rows - 1) upwards.push(low + OVERLAP / 2);
  if (tile.row > 0) upwards.push(low + height - OVERLAP / 2);
  for (const y of upwards)
    for (const f of [0.15, 0.85]) cross(MARGIN + OVERLAP + f * (width - 2 * OVERLAP), y);
  page.pushOperators(...operators, popGraphicsState());
}

function checkingSheet(
  pdf: PDFDocument,
  font: PDFFont,
  paper: Paper,
  drawings: readonly Drawing[],
  tilings: readonly Tiling[],
  title: string,
): void {
  const [across, up] = PAPER[paper];
  const page = newPage(pdf, across, up);
  let y = up - MARGIN - 8;
  note(page, font, title, MARGIN, y, 6);
  const lines = [
    `Print at 100 %, not fitted to the page. Then measure this square: each side must be ${CHECK} mm.`,
    'If it is not, correct the printer’s scale before anything is cut.',
  ];
  for (const line of lines) note(page, font, line, MARGIN, (y -= 7), 3.6);
  y -= 8 + CHECK;
  page.pushOperators(
    pushGraphicsState(),
    concatTransformationMatrix(POINT, 0, 0, POINT, 0, 0),
    setLineWidth(0.15),
    setStrokingColor(rgb(0, 0, 0)),
    rectangle(MARGIN, y, CHECK, CHECK),
    stroke(),
    popGraphicsState(),
  );
  note(page, font, `${CHECK} mm`, MARGIN + CHECK / 2 - 6, y + CHECK / 2, 4);
  y -= 4;
  drawings.forEach((d, i) => {
    const n = tilings[i]?.tiles.length ?? 0;
    const text = [`${d.title}: ${n} sheet${n === 1 ? '' : 's'}.`, ...d.notes].join(' ');
    for (const line of wrapped(text, 105)) {
      if (y < MARGIN + 5) return;
      note(page, font, line, MARGIN, (y -= 4.4), 3);
    }
    y -= 1.4;
  });
}

const newPage = (pdf: PDFDocument, across: number, up: number): PDFPage =>
  pdf.addPage([across * POINT, up * POINT]);

function note(page: PDFPage, font: PDFFont, text: string, x: number, y: number, size: number): void {
  page.drawText(printable(text).slice(0, 140), { x: x * POINT, y: y * POINT, size: size * POINT, font });
}

function shapeOperators(paths: readonly Path[], role: LineRole, group: Group): PDFOperator[] {
  const { colour, dash } = INK[role];
  const operators: PDFOperator[] = [
    setLineWidth(0.15),
    setStrokingColor(colour),
    setDashPattern([...dash], 0),
  ];
  for (const path of paths) operators.push(...pathOperators(path, q => put(q, group)), stroke());
  return operators;
}

function pathOperators(path: Path, to: (p: Point) => Point): PDFOperator[] {
  const start = to(path.start);
  const operators = [moveTo(num(start.x), num(start.y))];
  let at = path.start;
  for (const s of path.segments) {
    if (s.kind === 'line') {
      const q = to(s.to);
      operators.push(lineTo(num(q.x), num(q.y)));
    } else operators.push(...arcOperators(at, s, to));
    at = s.to;
  }
  if (path.closed) operators.push(closePath());
  return operators;
}

/** An arc as cubic curves: control points 4/3·tan(turn/4) of the radius along the tangents. */
function arcOperators(
  from: Point,
  arc: { readonly to: Point; readonly centre: Point; readonly ccw: boolean },
  to: (p: Point) => Point,
): PDFOperator[] {
  const total = sweep(from, arc);
  const steps = Math.max(1, Math.ceil(Math.abs(total) / MOST_TURN));
  const step = total / steps;
  const k = (4 / 3) * Math.tan(step / 4);
  const { centre } = arc;
  return Array.from({ length: steps }, (_, i) => {
    const a = rotate({ x: from.x - centre.x, y: from.y - centre.y }, i * step);
    const b = rotate(a, step);
    const at = (p: Point): [number, number] => {
      const q = to({ x: p.x + centre.x, y: p.y + centre.y });
      return [num(q.x), num(q.y)];
    };
    const one = at({ x: a.x - k * a.y, y: a.y + k * a.x });
    const two = at({ x: b.x + k * b.y, y: b.y - k * b.x });
    return appendBezierCurve(...one, ...two, ...at(b));
  });
}

const num = (x: number): number => Number(x.toFixed(4)) + 0;

/**
 * Text in letters that the standard fonts have (Windows code page 1252, the common part of it); others become
 * question marks.
 */
export const printable = (text: string): string =>
  [...text.replaceAll('−', '-').replaceAll('⌀', 'ø').replaceAll('≈', '~')]
    .filter(c => c >= ' ')
    .map(c =>
      /[\u0020-\u007e\u00a0-\u00ff\u2013\u2014\u2018\u2019\u201c\u201d\u2026\u2022]/.test(c) ? c : '?',
    )
    .join('');

function wrapped(text: string, most: number): string[] {
  const lines: string[] = [];
  let line = '';
  for (const word of text.split(' ')) {
    if (line.length + word.length + 1 > most && line !== '') {
      lines.push(line);
      line = '';
    }
    line = line === '' ? word : `${line} ${word}`;
  }
  return line === '' ? lines : [...lines, line];
}
