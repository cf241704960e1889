import { problem } from '../../ground/result/index.ts';
import type { Derived } from '../../state/state/index.ts';
import type { Drawing, Group, Shape } from '../../ground/drawing/index.ts';
import {
  bounds,
  flatten,
  inside,
  type Path,
  type Point,
  polygon,
  rotate,
  strokeText,
} from '../../ground/geometry/index.ts';
import type { Process } from '../../document/machine/index.ts';
import { compensated, gapOf, growthOf, sheetsOf } from '../process/index.ts';
import { nest, type Nesting, type NestPlace } from '../nest/index.ts';
import { fileNotes } from '../../files/drawings/index.ts';
import { type Batch, batchName } from './batches.ts';
import { estimateOf } from './estimate.ts';
import type { FlatPart, LeftPart } from './flat-part.ts';

/** How near to its true line a part is seen while it is laid out, mm; the gap is made wider by as much. */
const NEST_CHORD = 0.1;
/** Orders of parts that are tried, and the seed of their shuffling: the same machine gives the same sheets. */
const TRIES = 12;
const SEED = 1;

/** A part as its file shows it: compensated for its process. */
interface FilePart {
  readonly part: FlatPart;
  readonly outline: Path;
  readonly holes: readonly Path[];
}

/** The parts of a batch laid on sheets. */
export interface LaidBatch {
  readonly batch: Batch;
  readonly parts: readonly FilePart[];
  readonly nesting: Nesting;
  /** The size of each sheet used, mm. */
  readonly sheets: readonly { readonly width: number; readonly height: number; readonly used: number }[];
  /** Parts that cannot be made, or go on no sheet. */
  readonly left: readonly LeftPart[];
}

/** How many sheets are cut as one: of a printer one, of other tools as many as they say. */
export const padOf = ({ kind, pad }: Process): number => (kind === 'printer' ? 1 : (pad ?? 1));

/** Lays the parts of a batch on sheets of its material, so many times over, a pad as one; yields the part done. */
export function* layOutBatch(
  derived: Pick<Derived, 'chordError'>,
  batch: Batch,
  sets = 1,
  tries = TRIES,
): Generator<number, LaidBatch> {
  const { process, material } = batch;
  const growth = growthOf(process);
  const left: LeftPart[] = [];
  const parts = batch.parts.flatMap((part): FilePart[] => {
    const paths = compensated(part.outline, part.holes, growth, derived.chordError);
    if (!paths.ok) {
      left.push({ name: part.name, problem: paths.problem });
      return [];
    }
    const [outline = part.outline, ...holes] = paths.value;
    return [{ part, outline, holes }];
  });
  const stock = sheetsOf(process, material);
  const nesting = yield* nest({
    parts: parts.map(p => ({
      outline: flatten(p.outline, NEST_CHORD),
      holes: p.holes.map(h => flatten(h, NEST_CHORD)),
      number: Math.ceil((p.part.number * sets) / padOf(process)),
    })),
    sheets: stock,
    gap: gapOf(process) + 2 * NEST_CHORD,
    grain: material?.grain === true,
    ...{ tries, seed: SEED },
  });
  const largest = stock.reduce((a, b) => (b.width * b.height > a.width * a.height ? b : a));
  for (const { part, number } of nesting.left) {
    const of = parts[part];
    if (!of) continue;
    const box = bounds(flatten(of.outline, NEST_CHORD));
    const [is, by] = [box.maxX - box.minX, box.maxY - box.minY];
    const { width, height } = largest;
    left.push({
      name: of.part.name,
      problem: problem('no-room-on-sheet', { number, is, by, width, height }),
    });
  }
  const sheets = nesting.sheets.map(s => {
    const of = stock[s.stock] ?? largest;
    return { width: of.width, height: of.height, used: s.used };
  });
  return { batch, parts, nesting, sheets, left };
}

/**
 * One sheet as a drawing at true size: its border for reference, then the parts, those within holes of others
 * first; of each part marks and names first, then what is drilled, then holes, and its outline last, so that
 * nothing is cut out of a piece that has already come loose.
 */
export function sheetDrawing(
  derived: Pick<Derived, 'chordError' | 'machine'>,
  laid: LaidBatch,
  sheet: number,
): Drawing {
  const size = laid.sheets[sheet];
  if (!size) throw new RangeError(`sheetDrawing: sheet ${sheet}`);
  const { batch } = laid;
  const border = polygon([
    { x: 0, y: 0 },
    { x: size.width, y: 0 },
    { x: size.width, y: size.height },
    { x: 0, y: size.height },
  ]);
  const places = inCutOrder(laid, sheet);
  const frame: Group = {
    ...{ name: 'sheet', x: 0, y: 0, angle: 0, labels: [] },
    shapes: [{ name: 'sheet', role: 'reference', paths: [border] }],
  };
  return {
    title: `${derived.machine.name}: ${batchName(batch)}, sheet ${sheet + 1} of ${laid.sheets.length}`,
    notes: [
      ...fileNotes(derived, batch.process),
      `Sheet ${size.width} × ${size.height} mm. Lines are in the order in which they should be cut, all marks before.`,
      ...padNotes(batch.process),
    ],
    groups: [frame, ...places.flatMap(p => marksOf(laid, p)), ...places.map(p => groupOf(laid, p))],
  };
}

const padNotes = (process: Process): string[] =>
  padOf(process) > 1
    ? [`Nail or tape ${padOf(process)} sheets into a pad, outside all parts, and cut them as one.`]
    : [];

/** The places of a sheet, parts that lie within a hole of another before it. */
function inCutOrder(laid: LaidBatch, sheet: number): NestPlace[] {
  const places = laid.nesting.places.filter(p => p.sheet === sheet);
  const boxes = places.map(p => {
    const part = laid.parts[p.part] as FilePart;
    const placed = (path: Path): Point[] => flatten(path, 0.5).map(q => put(q, p));
    const points = placed(part.outline);
    const box = bounds(points);
    return { p, points, holes: part.holes.map(placed), area: (box.maxX - box.minX) * (box.maxY - box.minY) };
  });
  const depth = new Map(
    boxes.map(b => {
      const middle = b.points[0] as Point;
      return [
        b.p,
        boxes.filter(o => o !== b && o.area > b.area && o.holes.some(h => inside(h, middle))).length,
      ];
    }),
  );
  return places.sort((a, b) => (depth.get(b) ?? 0) - (depth.get(a) ?? 0) || a.y - b.y || a.x - b.x);
}

const put = (q: Point, p: NestPlace): Point => {
  const turned = rotate(q, p.angle);
  return { x: turned.x + p.x, y: turned.y + p.y };
};

/** What is engraved on a part: before anything of the sheet is cut, while it lies still. */
function marksOf({ parts }: LaidBatch, { part: index, x, y, angle }: NestPlace): Group[] {
  const { part } = parts[index] as FilePart;
  const name = `${part.name}, marks`;
  const paths = [
    ...part.engraved,
    ...part.labels.flatMap(l => strokeText(l.text, l, l.height, l.angle ?? 0)),
  ];
  return paths.length > 0
    ? [{ name, x, y, angle, labels: [], shapes: [{ name, role: 'engrave', paths }] }]
    : [];
}

function groupOf({ parts, batch }: LaidBatch, place: NestPlace): Group {
  const { part, outline, holes } = parts[place.part] as FilePart;
  const byHand = batch.process.kind === 'saw' || batch.process.kind === 'router';
  const isDrilled = (i: number): boolean => byHand && part.drilled.has(part.holes[i] as Path);
  const shape = (name: string, role: Shape['role'], paths: readonly Path[]): Shape[] =>
    paths.length === 0 ? [] : [{ name, role, paths }];
  return {
    ...{ name: part.name, x: place.x, y: place.y, angle: place.angle },
    shapes: [
      ...shape(
        `${part.name}, drilled`,
        'drill',
        holes.filter((_, i) => isDrilled(i)),
      ),
      ...shape(
        `${part.name}, holes`,
        'cut',
        holes.filter((_, i) => !isDrilled(i)),
      ),
      ...shape(part.name, 'cut', [outline]),
    ],
    labels: [],
  };
}

/** What all sheets of a batch take together; mass and cost unknown without density and price. Estimates. */
export function batchTotals({ batch, nesting, parts, sheets }: LaidBatch): {
  readonly seconds: number;
  readonly mass: number | undefined;
  readonly cost: number | undefined;
} {
  const each = parts.map(p => estimateOf(p.part, batch.process, batch.material));
  const laid = nesting.places.flatMap(p => each[p.part] ?? []);
  const seconds = laid.reduce((sum, e) => sum + e.seconds, 0);
  const pad = padOf(batch.process);
  const mass = laid.every(e => e.mass !== undefined)
    ? pad * laid.reduce((sum, e) => sum + (e.mass ?? 0), 0)
    : undefined;
  const { price } = batch.material ?? {};
  const bySheet = price?.per === 'sheet' && batch.process.kind !== 'printer';
  const cost = bySheet
    ? pad * sheets.length * price.amount
    : price?.per === 'kg' && mass !== undefined
      ? (mass / 1000) * price.amount
      : undefined;
  return { seconds, mass, cost };
}

/** The finished parts of a sheet where they lie on it, as points. */
export function finishedOn(
  { nesting, parts }: LaidBatch,
  sheet: number,
  chordError: number,
): { name: string; outline: Point[]; holes: Point[][] }[] {
  return nesting.places
    .filter(p => p.sheet === sheet)
    .map(p => {
      const { part } = parts[p.part] as FilePart;
      const placed = (path: Path): Point[] => flatten(path, chordError).map(q => put(q, p));
      return { name: part.name, outline: placed(part.outline), holes: part.holes.map(placed) };
    });
}
