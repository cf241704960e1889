import { Clipper, EndType, JoinType } from 'clipper2-ts';
import { bounds, distanceFrom, type Point, signedArea } from '../../ground/geometry/index.ts';
import type { Dropped } from './cutter.ts';

/** A finished part as it should come off the sheet, where it lies there. */
export interface Expected {
  readonly name: string;
  readonly outline: readonly Point[];
  readonly holes: readonly (readonly Point[])[];
}

/** How a dropped piece compares with what it should be. */
export interface Judged {
  readonly name: string;
  readonly found: boolean;
  /** The farthest that its edge lies from the finished one, mm. */
  readonly off: number;
  readonly holes: { readonly wanted: number; readonly found: number };
}

/** Whether two areas may belong to one part. */
const ALIKE = 0.1;

/** Holds every expected part against the piece that dropped at its place. */
export function judge(expected: readonly Expected[], dropped: readonly Dropped[]): Judged[] {
  const parts = dropped.filter(d => d.kind === 'part');
  return expected.map(e => {
    const middle = middleOf(e.outline);
    const area = Math.abs(signedArea(e.outline));
    const piece = parts.find(d => {
      const [outline = []] = d.paths;
      const there = middleOf(outline);
      const size = Math.abs(signedArea(outline));
      return Math.hypot(there.x - middle.x, there.y - middle.y) < 0.5 && Math.abs(size / area - 1) < ALIKE;
    });
    const holes = { wanted: e.holes.length, found: piece ? piece.paths.length - 1 : 0 };
    if (!piece) return { name: e.name, found: false, off: Infinity, holes };
    const [outline = [], ...cut] = piece.paths;
    const edges = [
      edgeOff(outline, e.outline),
      ...cut.map(h => Math.min(...e.holes.map(w => edgeOff(h, w)))),
    ];
    return { name: e.name, found: true, off: Math.max(...edges), holes };
  });
}

/**
 * Holds a layer of a print against the finished part, both about the same origin: the printer lays outlines wider
 * and holes smaller by what its profile says, so the layer as it comes out is the drawn one grown by that.
 */
export function judgeLayer(
  layer: readonly (readonly Point[])[],
  grows: { readonly outline: number; readonly hole: number },
  expected: Expected,
): Judged {
  const built = layer.flatMap(path => {
    const full = signedArea(path) > 0;
    const by = full ? grows.outline : grows.hole;
    const points = path.map(p => ({ x: p.x, y: p.y }));
    const made =
      by === 0
        ? [points]
        : Clipper.inflatePathsD(
            [full ? points : [...points].reverse()],
            full ? by : -by,
            JoinType.Round,
            EndType.Polygon,
            2,
            6,
            0.001,
          );
    return made.map(p => ({ full, points: p.map(q => ({ x: q.x, y: q.y })) }));
  });
  const outline = built.filter(b => b.full).sort((a, b) => signedArea(b.points) - signedArea(a.points))[0];
  const holes = built.filter(b => !b.full);
  const count = { wanted: expected.holes.length, found: holes.length };
  if (!outline) return { name: expected.name, found: false, off: Infinity, holes: count };
  const edges = [
    edgeOff(outline.points, expected.outline),
    ...holes.map(h => Math.min(Infinity, ...expected.holes.map(w => edgeOff(h.points, w)))),
  ];
  return { name: expected.name, found: true, off: Math.max(...edges), holes: count };
}

/** The farthest that a corner of a line lies from another closed line. */
function edgeOff(line: readonly Point[], other: readonly Point[]): number {
  const away = distanceFrom(other);
  return line.reduce((most, p) => Math.max(most, away(p)), 0);
}

/** The middle of the box round a line: it does not hang on how many corners the line has. */
function middleOf(points: readonly Point[]): Point {
  const box = bounds(points);
  return { x: (box.minX + box.maxX) / 2, y: (box.minY + box.maxY) / 2 };
}
