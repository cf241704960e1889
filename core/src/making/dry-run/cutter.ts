import { Clipper, EndType, FillRule, JoinType } from 'clipper2-ts';
import { readDxf, readSvg } from '../../files/format/index.ts';
import { bounds, distanceToBorder, inside, type Point, signedArea } from '../../ground/geometry/index.ts';
import { fail, ok, type Result } from '../../ground/result/index.ts';

/**
 * A cutter that stands in for the real one: how wide it cuts, how fast it goes along a line and between lines, mm
 * and s.
 */
export interface Cutter {
  readonly kerf: number;
  readonly rate: number;
  /** mm/s between lines, and s to begin one. */
  readonly travel: number;
  readonly pierce: number;
}

/** What comes loose when a closed line is done. */
export interface Dropped {
  /** Which line closed it, and when, s from the beginning. */
  readonly line: number;
  readonly at: number;
  readonly kind: 'part' | 'waste';
  /** What is left of it beside the cut: outline first, then holes. */
  readonly paths: readonly (readonly Point[])[];
  readonly area: number;
  readonly width: number;
  readonly height: number;
}

/** Something that would go wrong at the machine. */
export interface Mishap {
  readonly code: 'open-line' | 'cut-after-loose' | 'cut-twice' | 'nothing-left' | 'engraved-after-loose';
  readonly line: number;
}

/** What a cutter made of a file. */
export interface CutRun {
  readonly lines: readonly {
    readonly points: readonly Point[];
    readonly closed: boolean;
    readonly layer: string;
  }[];
  readonly dropped: readonly Dropped[];
  readonly mishaps: readonly Mishap[];
  /** Way cut and engraved, and between lines, mm; time, s. */
  readonly cut: number;
  readonly travelled: number;
  readonly seconds: number;
}

/** Lines nearer than this all along are one line drawn twice, mm. */
const SAME = 0.01;
const CUTTING = /^(cut|drill|0|)$/;

/**
 * Follows the lines of a DXF or SVG file in their order with a round cut of some width. A closed line that is cut
 * frees what lies within it: a part when it lies in an even number of other closed lines, waste when in an odd
 * number. Layers named engrave or reference are not cut through.
 */
export function runCutter(
  file: { readonly name: string; readonly text: string },
  cutter: Cutter,
): Result<CutRun> {
  const read = /\.dxf$/i.test(file.name) ? readDxf(file.text) : readSvg(file.text);
  if (!read.ok) return read;
  const scale = read.value.millimetres;
  if (scale === undefined) return fail('dry-no-units');
  const lines = read.value.lines
    .map(l => ({
      points: l.points.map(p => ({ x: p.x * scale, y: p.y * scale })),
      closed: l.closed,
      layer: l.layer ?? '',
    }))
    .filter(l => l.layer !== 'reference');
  if (lines.length === 0) return fail('dry-nothing');
  const through = lines
    .map((l, i) => ({ ...l, i, box: bounds(l.points) }))
    .filter(l => CUTTING.test(l.layer));
  const [mishaps, closed] = [[] as Mishap[], through.filter(l => l.closed)];
  for (const l of through) if (!l.closed) mishaps.push({ code: 'open-line', line: l.i });
  const within = (a: (typeof closed)[number], b: (typeof closed)[number]): boolean =>
    a !== b &&
    a.box.minX >= b.box.minX &&
    a.box.maxX <= b.box.maxX &&
    a.box.minY >= b.box.minY &&
    a.box.maxY <= b.box.maxY &&
    inside(b.points, a.points[0] as Point);
  lines.forEach((l, i) => {
    const [first] = l.points;
    if (/^engrave$/i.test(l.layer) && first && closed.some(o => o.i < i && inside(o.points, first)))
      mishaps.push({ code: 'engraved-after-loose', line: i });
  });
  const around = new Map(closed.map(l => [l.i, closed.filter(o => within(l, o))]));
  const times = timesOf(lines, cutter);
  const dropped: Dropped[] = [];
  closed.forEach((l, k) => {
    const depth = around.get(l.i)?.length ?? 0;
    const twice = closed.slice(0, k).some(o => same(o.points, l.points, o.box, l.box));
    if (twice) {
      mishaps.push({ code: 'cut-twice', line: l.i });
      return;
    }
    if (around.get(l.i)?.some(o => o.i < l.i)) mishaps.push({ code: 'cut-after-loose', line: l.i });
    const inner = closed.filter(o => around.get(o.i)?.includes(l) && around.get(o.i)?.length === depth + 1);
    const paths = pieceOf(
      l.points,
      inner.map(o => o.points),
      cutter.kerf,
    );
    const [outline] = paths;
    if (!outline) {
      mishaps.push({ code: 'nothing-left', line: l.i });
      return;
    }
    const box = bounds(outline);
    dropped.push({
      ...{ line: l.i, at: times.ends[l.i] ?? 0, kind: depth % 2 === 0 ? 'part' : 'waste', paths },
      area: paths.reduce((sum, p) => sum + signedArea(p), 0),
      ...{ width: box.maxX - box.minX, height: box.maxY - box.minY },
    });
  });
  dropped.sort((a, b) => a.at - b.at);
  return ok({ lines, dropped, mishaps, cut: times.cut, travelled: times.travelled, seconds: times.seconds });
}

/**
 * What stays between a closed line and those within it when each takes half its width off either side; largest
 * outline first, holes clockwise.
 */
function pieceOf(outline: readonly Point[], inner: readonly (readonly Point[])[], kerf: number): Point[][] {
  const grow = (paths: readonly (readonly Point[])[], by: number): { x: number; y: number }[][] =>
    by === 0
      ? paths.map(p => [...p])
      : Clipper.inflatePathsD(
          paths.map(p => counterClockwise(p)),
          by,
          JoinType.Round,
          EndType.Polygon,
          2,
          6,
          0.001,
        );
  const body = grow([outline], -kerf / 2);
  const gone = inner.length > 0 ? grow(inner, kerf / 2) : [];
  const left = gone.length > 0 ? Clipper.differenceD(body, gone, FillRule.NonZero, 6) : body;
  return left
    .map(p => p.map(q => ({ x: q.x, y: q.y })))
    .sort((a, b) => Math.abs(signedArea(b)) - Math.abs(signedArea(a)));
}

const counterClockwise = (p: readonly Point[]): Point[] => (signedArea(p) < 0 ? [...p].reverse() : [...p]);

type Box = ReturnType<typeof bounds>;
function same(a: readonly Point[], b: readonly Point[], boxA: Box, boxB: Box): boolean {
  const near =
    Math.abs(boxA.minX - boxB.minX) < SAME &&
    Math.abs(boxA.maxX - boxB.maxX) < SAME &&
    Math.abs(boxA.minY - boxB.minY) < SAME &&
    Math.abs(boxA.maxY - boxB.maxY) < SAME;
  return near && b.every((p, i) => i % Math.ceil(b.length / 20) !== 0 || distanceToBorder(a, p) < SAME);
}

function timesOf(
  lines: CutRun['lines'],
  { rate, travel, pierce }: Cutter,
): {
  readonly ends: readonly number[];
  readonly cut: number;
  readonly travelled: number;
  readonly seconds: number;
} {
  let [at, cut, travelled] = [{ x: 0, y: 0 } as Point, 0, 0];
  const ends: number[] = [];
  for (const l of lines) {
    const [first, ...rest] = l.closed ? [...l.points, l.points[0] as Point] : l.points;
    const start = first as Point;
    travelled += Math.hypot(start.x - at.x, start.y - at.y);
    at = start;
    for (const p of rest) {
      cut += Math.hypot(p.x - at.x, p.y - at.y);
      at = p;
    }
    ends.push(cut / rate + travelled / travel + pierce * (ends.length + 1));
  }
  return { ends, cut, travelled, seconds: ends.at(-1) ?? 0 };
}
