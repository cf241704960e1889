import { Clipper, EndType, FillRule, JoinType } from 'clipper2-ts';
import { circle, flatten, type Path, polygon, signedArea } from '../../ground/geometry/index.ts';
import type { Process } from '../../document/machine/index.ts';
import { fail, ok, type Result } from '../../ground/result/index.ts';

/**
 * How much more material the file shows than the finished part has, mm: its outline stands so far outside, the edge
 * of a hole so far inside the hole. Negative where a process adds material of its own.
 */
export interface Growth {
  readonly outline: number;
  readonly hole: number;
}

/**
 * A laser and a saw take half their kerf on either side of the line, a router half its cutter; a printer lays
 * outlines on too wide and prints holes too small across (conventions 11: the file is what the process turns into
 * the finished part).
 */
export function growthOf(process: Process): Growth {
  switch (process.kind) {
    case 'laser':
    case 'saw':
      return { outline: (process.kerf ?? 0) / 2, hole: (process.kerf ?? 0) / 2 };
    case 'router':
      return { outline: (process.cutter ?? 0) / 2, hole: (process.cutter ?? 0) / 2 };
    case 'printer':
      return { outline: -(process.outlineGrowth ?? 0), hole: -(process.holeShrink ?? 0) / 2 };
  }
}

/** Of a process that changes nothing. */
export const AS_IS: Growth = { outline: 0, hole: 0 };

/** Whether a process changes nothing. */
export const leavesAsIs = ({ outline, hole }: Growth): boolean => outline === 0 && hole === 0;

/** Decimals of a millimetre that offsets are reckoned to. */
const DECIMALS = 6;

/**
 * A closed path moved outwards by `by` mm (inwards when negative), round at outer corners as a tool goes round
 * them. A full circle stays one.
 * Refused when nothing is left of it, or it falls into several.
 */
export function offsetPath(path: Path, by: number, chordError: number): Result<Path> {
  if (by === 0) return ok(path);
  const round = circleOf(path);
  if (round) {
    const radius = round.radius + by;
    return radius > 0 ? ok(circle(round.centre, radius, round.ccw)) : fail('compensation-swallows', { by });
  }
  const points = flatten(path, chordError);
  const ccw = signedArea(points) > 0;
  const made = inflate(ccw ? points : [...points].reverse(), by, chordError);
  const [one, ...more] = made;
  if (!one || more.length > 0 || one.length < 3) return fail('compensation-swallows', { by });
  return ok(polygon(ccw ? one : [...one].reverse()));
}

type Points = readonly { readonly x: number; readonly y: number }[];

function inflate(points: Points, by: number, chordError: number): { x: number; y: number }[][] {
  const paths = [points.map(p => ({ x: p.x, y: p.y }))];
  return Clipper.inflatePathsD(paths, by, JoinType.Round, EndType.Polygon, 2, DECIMALS, chordError).map(p =>
    p.map(q => ({ x: q.x, y: q.y })),
  );
}

/** The circle that a path is, if it is one. */
function circleOf(
  path: Path,
): { centre: { x: number; y: number }; radius: number; ccw: boolean } | undefined {
  const [first] = path.segments;
  if (first?.kind !== 'arc' || !path.closed) return undefined;
  const { centre, ccw } = first;
  const one = path.segments.every(
    s => s.kind === 'arc' && Math.hypot(s.centre.x - centre.x, s.centre.y - centre.y) < 1e-9,
  );
  return one
    ? { centre, radius: Math.hypot(path.start.x - centre.x, path.start.y - centre.y), ccw }
    : undefined;
}

/**
 * An outline with its holes as a file shows them for a process; refused where the compensation swallows one of
 * them.
 */
export function compensated(
  outline: Path,
  holes: readonly Path[],
  growth: Growth,
  chordError: number,
): Result<readonly Path[]> {
  const paths: Path[] = [];
  const moves = [{ path: outline, by: growth.outline }, ...holes.map(path => ({ path, by: -growth.hole }))];
  for (const { path, by } of moves) {
    const moved = offsetPath(path, by, chordError);
    if (!moved.ok) return moved;
    paths.push(moved.value);
  }
  return ok(paths);
}

/**
 * What a round cutter of that radius leaves uncut in inside corners of an outline, as closed figures: the outline
 * rolled round outside by the cutter, less itself. Slivers thinner than the chords are left out.
 */
export function uncutCorners(outline: Path, radius: number, chordError: number): Path[] {
  if (radius <= 0) return [];
  const points = flatten(outline, chordError).map(p => ({ x: p.x, y: p.y }));
  const rolled = inflate(points, radius, chordError).flatMap(p => inflate(p, -radius, chordError));
  return Clipper.differenceD(rolled, [points], FillRule.NonZero, DECIMALS)
    .filter(p => Math.abs(Clipper.areaD(p)) > 20 * chordError * chordError)
    .map(p => polygon(p.map(q => ({ x: q.x, y: q.y }))));
}

/**
 * What a round cutter of that radius leaves uncut in inside corners of an outline, mm²: the outline rolled round
 * outside by the cutter, less itself. A square notch of a part, cut with a radius r, keeps (1 − π/4)·r² in each of
 * its corners.
 */
export function leftUncut(outline: Path, radius: number, chordError: number): number {
  if (radius <= 0) return 0;
  const points = flatten(outline, chordError);
  const area = Math.abs(signedArea(points));
  const ccw = signedArea(points) > 0 ? points : [...points].reverse();
  const rolled = inflate(ccw, radius, chordError).flatMap(p => inflate(p, -radius, chordError));
  const closed = rolled.reduce((sum, p) => sum + signedArea(p), 0);
  return Math.max(0, closed - area);
}
