import { bounds, crossesItself, distance, type Point, signedArea } from '../../ground/geometry/index.ts';
import { fail, ok, type Result } from '../../ground/result/index.ts';
import type { DrawnLine, DrawnLines } from './drawn-lines.ts';

/**
 * What may be mended in a border as it is read, each only when asked, and the size of a unit where the file does
 * not say.
 */
export interface BorderWishes {
  /** Millimetres in a unit of the drawing; instead of what the file says. */
  readonly millimetres?: number | undefined;
  /** Join ends that lie apart. */
  readonly join?: boolean;
  /** Drop lines that are drawn twice. */
  readonly dropDoubles?: boolean;
}

/** Ends this near each other are one point, mm. */
const MEETS = 0.02;
/** Corners of a border that are kept at most. */
export const MOST_CORNERS = 20_000;

/**
 * The border of a drawing, mm, counter-clockwise: its lines joined end to end, of the closed ones the largest. Says
 * what is wrong with one that is open, drawn twice, of unknown units or crossing itself, and mends it only as asked.
 */
export function borderFrom(drawn: DrawnLines, wishes: BorderWishes = {}): Result<Point[]> {
  const scale = wishes.millimetres ?? drawn.millimetres;
  if (scale === undefined) return unknownUnits(drawn);
  const scaled = drawn.lines.map(l => ({
    ...l,
    points: l.points.map(p => ({ x: p.x * scale, y: p.y * scale })),
  }));
  const single = withoutDoubles(scaled);
  if (single.doubles > 0 && !wishes.dropDoubles)
    return fail('outline-doubled', { count: single.doubles, at: say(single.at) });
  const joined = chained(single.lines);
  const closed = joined.filter(l => l.closed);
  const open = joined.filter(l => !l.closed);
  const largest = [...closed].sort(
    (a, b) => Math.abs(signedArea(b.points)) - Math.abs(signedArea(a.points)),
  )[0];
  const longest = [...open].sort((a, b) => reach(b.points) - reach(a.points))[0];
  const whole = largest && (!longest || reach(largest.points) >= reach(longest.points)) ? largest : undefined;
  if (!whole && !longest) return fail('outline-none', { open: open.length });
  if (!whole && longest && !wishes.join) return openProblem(longest);
  const points = (whole ?? longest)?.points ?? [];
  if (points.length < 3) return fail('outline-none', { open: open.length });
  if (points.length > MOST_CORNERS)
    return fail('outline-too-fine', { points: points.length, most: MOST_CORNERS });
  if (crossesItself(points)) return fail('outline-crosses');
  return ok(signedArea(points) < 0 ? [...points].reverse() : [...points]);
}

function unknownUnits({ lines }: DrawnLines): ReturnType<typeof fail> {
  const points = lines.flatMap(l => l.points);
  if (points.length === 0) return fail('outline-none', { open: 0 });
  const box = bounds(points);
  return fail('outline-units', {
    width: Number((box.maxX - box.minX).toFixed(3)),
    height: Number((box.maxY - box.minY).toFixed(3)),
  });
}

function openProblem(line: DrawnLine): ReturnType<typeof fail> {
  const [first, last] = [line.points[0] as Point, line.points.at(-1) as Point];
  return fail('outline-open', { from: say(first), to: say(last), gap: distance(first, last) });
}

const say = (p: Point): string => `(${p.x.toFixed(2)}, ${p.y.toFixed(2)})`;

/** Diagonal of the box round some points. */
function reach(points: readonly Point[]): number {
  const box = bounds(points);
  return Math.hypot(box.maxX - box.minX, box.maxY - box.minY);
}

/** Lines without those whose every corner lies on an earlier one, whichever way round it was drawn. */
function withoutDoubles(lines: readonly DrawnLine[]): { lines: DrawnLine[]; doubles: number; at: Point } {
  const seen = new Set<string>();
  const kept: DrawnLine[] = [];
  let at: Point = { x: 0, y: 0 };
  for (const line of lines) {
    const near = (p: Point): string => `${Math.round(p.x / MEETS)},${Math.round(p.y / MEETS)}`;
    const names = line.points.map(near);
    const key = line.closed
      ? `o ${[...names].sort().join(' ')}`
      : [names.join(' '), [...names].reverse().join(' ')].sort().join('|');
    if (seen.has(key)) at = line.points[0] ?? at;
    else kept.push(line);
    seen.add(key);
  }
  return { lines: kept, doubles: lines.length - kept.length, at };
}

/** Open lines joined where their ends meet, and closed where they come back. */
function chained(lines: readonly DrawnLine[]): DrawnLine[] {
  const done: DrawnLine[] = lines.filter(l => l.closed);
  const left = lines.filter(l => !l.closed).map(l => [...l.points]);
  for (let run = left.pop(); run; run = left.pop()) {
    for (let grew = true; grew;) {
      grew = false;
      const end = run.at(-1) as Point;
      if (run.length > 2 && distance(run[0] as Point, end) <= MEETS) break;
      const next = left.findIndex(l => [l[0], l.at(-1)].some(p => p && distance(p, end) <= MEETS));
      if (next >= 0) {
        const [piece] = left.splice(next, 1) as [Point[]];
        const ahead = distance(piece[0] as Point, end) <= MEETS;
        run.push(...(ahead ? piece : piece.reverse()).slice(1));
        grew = true;
        continue;
      }
      const start = run[0] as Point;
      const before = left.findIndex(l => [l[0], l.at(-1)].some(p => p && distance(p, start) <= MEETS));
      if (before >= 0) {
        const [piece] = left.splice(before, 1) as [Point[]];
        const behind = distance(piece.at(-1) as Point, start) <= MEETS;
        run.unshift(...(behind ? piece : piece.reverse()).slice(0, -1));
        grew = true;
      }
    }
    const back = run.length > 3 && distance(run[0] as Point, run.at(-1) as Point) <= MEETS;
    done.push({ points: back ? run.slice(0, -1) : run, closed: back });
  }
  return done;
}
