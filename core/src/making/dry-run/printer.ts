import { Clipper, EndType, FillRule, JoinType } from 'clipper2-ts';
import { readStl, readThreeMf } from '../../files/format/index.ts';
import { meshBounds, type Point, type TriMesh } from '../../ground/geometry/index.ts';
import { ok, type Result } from '../../ground/result/index.ts';

/** A printer that stands in for the real one; mm, mm³ and s. */
export interface Printer {
  readonly line: number;
  readonly layer: number;
  readonly rate: number;
  readonly bed: { readonly width: number; readonly depth: number; readonly height: number };
}

/** A layer of a body: its closed lines, what of it is too thin for a line, and what hangs in the air. Areas in mm². */
export interface Layer {
  readonly z: number;
  readonly paths: readonly (readonly Point[])[];
  readonly area: number;
  readonly thin: number;
  readonly hanging: number;
}

/** What a printer made of one body. */
export interface PrintedBody {
  readonly name: string;
  readonly layers: readonly Layer[];
  readonly volume: number;
  readonly width: number;
  readonly depth: number;
  readonly height: number;
  readonly seconds: number;
  readonly onBed: boolean;
}

/** How far a print is, and which body and layer it is at. */
export interface PrintNews {
  readonly done: number;
  readonly doing: string;
}

/** Reads an STL or 3MF file and prints its bodies layer by layer; yields how far it is. */
export function* runPrinter(
  file: { readonly name: string; readonly bytes: Uint8Array },
  printer: Printer,
): Generator<PrintNews, Result<readonly PrintedBody[]>> {
  const single = /\.stl$/i.test(file.name);
  const stl = single ? readStl(file.bytes) : undefined;
  const read = stl ? (stl.ok ? ok([stl.value]) : stl) : readThreeMf(file.bytes);
  if (!read.ok) return read;
  const bodies: PrintedBody[] = [];
  const triangles = read.value.map(b => b.mesh.triangles.length);
  const all = triangles.reduce((a, b) => a + b, 0);
  let before = 0;
  for (const [i, { name, mesh }] of read.value.entries()) {
    const share = (triangles[i] ?? 0) / all;
    const which = `${name}, ${i + 1} of ${read.value.length}`;
    const job = printed(name, mesh, printer, single);
    for (let step = job.next(); ; step = job.next()) {
      if (step.done) {
        bodies.push(step.value);
        break;
      }
      const { at, of } = step.value;
      yield { done: before + (share * (at - 1)) / of, doing: `${which}: layer ${at} of ${of}` };
    }
    before += share;
  }
  return ok(bodies);
}

/** Two layers may lean out over each other by this, as parts of their height: 45°, common practice. */
const LEAN = 1;

/** One body; yields which of its layers is next. */
function* printed(
  name: string,
  mesh: TriMesh,
  printer: Printer,
  alone: boolean,
): Generator<{ at: number; of: number }, PrintedBody> {
  const box = meshBounds(mesh);
  const size = (k: number): number => (box.most[k] ?? 0) - (box.least[k] ?? 0);
  const low = box.least[2] ?? 0;
  const count = Math.max(1, Math.round(size(2) / printer.layer));
  const layers: Layer[] = [];
  let below: { x: number; y: number }[][] | undefined;
  const heights = Array.from({ length: count }, (_, i) =>
    Math.min(low + (i + 0.5) * printer.layer, low + size(2) - 1e-6),
  );
  const crossing = crossedBy(mesh, heights, printer.layer);
  for (const [i, z] of heights.entries()) {
    yield { at: i + 1, of: count };
    const paths = sectionAt(mesh, z, crossing[i]);
    const area = areaOf(paths);
    const drawn = inflate(inflate(paths, -printer.line / 2), printer.line / 2);
    const thin = area - areaOf(Clipper.intersectD(paths, drawn, FillRule.EvenOdd, 4));
    const held = below && inflate(below, LEAN * printer.layer);
    const hanging = held ? areaOf(Clipper.differenceD(paths, held, FillRule.EvenOdd, 4)) : 0;
    layers.push({ z: z - low, paths, area, thin: Math.max(0, thin), hanging });
    below = paths;
  }
  const volume = layers.reduce((sum, l) => sum + l.area, 0) * printer.layer;
  const inRoom = (k: number, room: number): boolean =>
    alone ? size(k) <= room : (box.least[k] ?? 0) >= -1e-6 && (box.most[k] ?? 0) <= room + 1e-6;
  const { bed } = printer;
  return {
    ...{
      name,
      layers,
      volume,
      width: size(0),
      depth: size(1),
      height: size(2),
      seconds: volume / printer.rate,
    },
    onBed: inRoom(0, bed.width) && inRoom(1, bed.depth) && size(2) <= bed.height && Math.abs(low) < 0.01,
  };
}

type Paths = { x: number; y: number }[][];
const inflate = (paths: Paths, by: number): Paths =>
  Clipper.inflatePathsD(
    Clipper.unionD(paths, [], FillRule.EvenOdd, 4),
    by,
    JoinType.Round,
    EndType.Polygon,
    2,
    4,
    0.01,
  );
const areaOf = (paths: Paths): number =>
  Math.abs(Clipper.areaPathsD(Clipper.unionD(paths, [], FillRule.EvenOdd, 4)));

/** For each of rising heights, a layer apart, where in the list of the mesh the triangles begin that it may cross. */
function crossedBy(
  { positions: p, triangles: t }: TriMesh,
  heights: readonly number[],
  layer: number,
): number[][] {
  const found: number[][] = heights.map(() => []);
  const index = (z: number): number => (z - (heights[0] ?? 0)) / layer;
  for (let i = 0; i < t.length; i += 3) {
    const z = [0, 1, 2].map(k => p[3 * (t[i + k] as number) + 2] as number);
    const [from, to] = [index(Math.min(...z)), index(Math.max(...z))];
    for (let k = Math.max(0, Math.floor(from)); k <= Math.min(heights.length - 1, Math.ceil(to)); k++)
      found[k]?.push(i);
  }
  return found;
}

/**
 * The closed lines in which a plane at a height cuts a mesh. Every triangle that crosses it gives a piece from one
 * of its edges to another, and pieces are joined where they share an edge, of which walls that touch may share one;
 * heights are never those of a corner. `among`: where the triangles begin that may cross it; all when left out.
 */
export function sectionAt(
  { positions: p, triangles: t }: TriMesh,
  height: number,
  among?: readonly number[],
): Paths {
  const z = height + 1e-7;
  const corners = p.length / 3;
  const next = new Map<number, { to: number; x: number; y: number }[]>();
  const crossing = (a: number, b: number): { key: number; x: number; y: number } => {
    const [low, high] = a < b ? [a, b] : [b, a];
    const [za, zb] = [p[3 * low + 2] as number, p[3 * high + 2] as number];
    const f = (z - za) / (zb - za);
    const at = (k: number): number =>
      (p[3 * low + k] as number) + f * ((p[3 * high + k] as number) - (p[3 * low + k] as number));
    return { key: low * corners + high, x: at(0), y: at(1) };
  };
  const triangles = among ?? Array.from({ length: t.length / 3 }, (_, i) => 3 * i);
  for (const i of triangles) {
    const tri = [t[i], t[i + 1], t[i + 2]] as [number, number, number];
    const above = tri.map(c => (p[3 * c + 2] as number) > z);
    if (above[0] === above[1] && above[1] === above[2]) continue;
    let from: ReturnType<typeof crossing> | undefined;
    let to: ReturnType<typeof crossing> | undefined;
    for (let k = 0; k < 3; k++) {
      const [a, b] = [tri[k] as number, tri[(k + 1) % 3] as number];
      if (above[k] && !above[(k + 1) % 3]) from = crossing(a, b);
      if (!above[k] && above[(k + 1) % 3]) to = crossing(a, b);
    }
    // Seen from above with the material on the left.
    if (!from || !to) continue;
    const step = { to: to.key, x: from.x, y: from.y };
    const known = next.get(from.key);
    if (known) known.push(step);
    else next.set(from.key, [step]);
  }
  const paths: Paths = [];
  while (next.size > 0) {
    const [start] = next.keys();
    const path: { x: number; y: number }[] = [];
    for (let key = start as number; ;) {
      const steps = next.get(key);
      const step = steps?.pop();
      if (!step) break;
      if (steps?.length === 0) next.delete(key);
      path.push({ x: step.x, y: step.y });
      key = step.to;
    }
    if (path.length > 2) paths.push(path);
  }
  return paths;
}
