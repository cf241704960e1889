import { byId, GROUND, LIMITS } from '../../document/machine/index.ts';
import type { DrawnLines } from '../../files/format/drawn-lines.ts';
import { direction, distance, type Point } from '../../ground/geometry/index.ts';
import { fail, ok, type Result } from '../../ground/result/index.ts';
import { degrees } from '../../ground/units/index.ts';
import { type LinkageFound, WANTED_POINTS } from '../../trains/linkage/index.ts';
import type { Attempt } from '../change/index.ts';
import { builderOn } from '../planting/index.ts';
import { freeName, type Made } from './drive-new.ts';
import { gone } from './sound.ts';

/** A line that a point is to follow, mm. */
export interface WantedLine {
  readonly points: readonly Point[];
  readonly closed: boolean;
}

const short = (x: number): number => Math.round(x * 1e6) / 1e6;

/**
 * Makes a linkage that was found, from the arbor whose turning it takes: a pin on it, a coupler, a rocker on an axis of
 * its own; the coupler's point, where one was wanted, is traced. Of wanted angles both arbors stand at the first of
 * them before the drive has moved; for an arbor that turns clockwise it is made as in a mirror, so that it comes to the
 * others in their order.
 */
export function linkageFrom(from: string, found: LinkageFound, clockwise = false): Attempt<Made> {
  return machine => {
    const { linkage, startDeg } = clockwise && found.startDeg ? mirrored(found) : found;
    const lead = byId(machine.members, from);
    if (!lead) return gone(from);
    if (lead.kind !== 'arbor') return fail('hand-needs-arbor', { name: lead.name });
    const own = byId(machine.axes, lead.axis);
    const { ground, point } = linkage;
    const out = direction({ x: 0, y: 0 }, ground);
    const b = builderOn(machine);
    const [id, axis, rod] = [b.id('joint'), b.id('axis'), b.id('rod')];
    b.edit(m => ({
      ...m,
      axes: [
        ...m.axes,
        {
          ...{ id: axis, frame: own?.frame ?? GROUND },
          place: {
            ...{ kind: 'polar', from: lead.axis, radius: short(distance({ x: 0, y: 0 }, ground)) },
            angleDeg: short(degrees(out)),
          },
        },
      ],
    }));
    const rocker = b.arbor({ name: freeName(machine, `${lead.name} rocker`), axis });
    const traced = Math.hypot(point.x, point.y) > 0;
    b.edit(m => ({
      ...m,
      members: [
        ...m.members,
        {
          ...{ kind: 'link', id: rod, name: freeName(m, `${lead.name} coupler`) },
          length: short(linkage.coupler),
          ...(traced && { points: [{ ...rodPoint(point), traced: true }] }),
        },
      ],
    }));
    const [crankDeg, rockerDeg] = startDeg ?? [0, 90];
    const turn = degrees(out);
    b.joint({
      ...{ kind: 'four-bar', id, rod },
      pin: { member: from, radius: short(linkage.crank), angleDeg: short(crankDeg + turn) },
      to: { member: rocker, radius: short(linkage.rocker), angleDeg: short(rockerDeg + turn) },
      ...(linkage.other && { other: true as const }),
    });
    return ok({ machine: b.machine(), made: id });
  };
}

/** A linkage for angles in the mirror of the line through its axes. */
const mirrored = ({ linkage, startDeg }: LinkageFound): Pick<LinkageFound, 'linkage' | 'startDeg'> => ({
  linkage: { ...linkage, other: !linkage.other },
  ...(startDeg && { startDeg: [-startDeg[0], -startDeg[1]] }),
});

const rodPoint = ({ x, y }: Point): { readonly radius: number; readonly angleDeg: number } => ({
  radius: short(Math.hypot(x, y)),
  angleDeg: short(degrees(Math.atan2(y, x))),
});

/** Reads rows of two numbers, as typed or from a table: points in mm, angles in degrees. Empty lines are left out. */
export function pairsFromText(text: string): Result<readonly (readonly [number, number])[]> {
  const pairs: (readonly [number, number])[] = [];
  for (const [i, line] of text.split(/\r?\n/).entries()) {
    const said = line.trim();
    if (said === '' || said.startsWith('#')) continue;
    const cells = said
      .split(/[;\t]|,\s|,(?=-?[\d.])|\s+/)
      .map(c => c.trim())
      .filter(c => c !== '');
    const [a, b] = cells.map(c => (/^[-+]?(\d+\.?\d*|\.\d+)(e[-+]?\d+)?$/i.test(c) ? Number(c) : NaN));
    const [, most] = LIMITS.pathPlace;
    const sound = (v: number | undefined): v is number =>
      v !== undefined && Number.isFinite(v) && Math.abs(v) <= most;
    if (cells.length === 2 && sound(a) && sound(b)) pairs.push([a, b]);
    // A heading before the first row is passed over.
    else if (pairs.length > 0 || cells.some(c => /\d/.test(c)))
      return fail('linkage-unread', { line: i + 1, text: said.slice(0, 40) });
  }
  return ok(pairs);
}

/** Rows of two numbers, as pairsFromText reads them. */
export const pairsText = (pairs: readonly (readonly [number, number])[]): string =>
  pairs.map(([a, b]) => `${short(a)}, ${short(b)}`).join('\n');

/** The longest line of a drawing as points of a path, mm, thinned to as many as can be wanted; whether it closes. */
export function pathFromDrawing({ lines, millimetres = 1 }: DrawnLines): Result<WantedLine> {
  const long = ({ points }: DrawnLines['lines'][number]): number =>
    points.reduce((sum, p, i) => (i === 0 ? 0 : sum + distance(p, points[i - 1] ?? p)), 0);
  const [longest] = [...lines].sort((a, b) => long(b) - long(a));
  const [least, most] = WANTED_POINTS;
  const given = longest?.points.length ?? 0;
  if (!longest || given < least) return fail('linkage-points', { given, least, most });
  const line = thinned(longest.points.map(p => ({ x: p.x * millimetres, y: p.y * millimetres })));
  return ok({ ...line, closed: longest.closed || line.closed });
}

/**
 * A path from a table: rows of x and y in mm, or of a time and x and y, as a traced path is saved; thinned to as many
 * as can be wanted. It closes where its last point is its first.
 */
export function pathFromTable(text: string): Result<WantedLine> {
  const rows = text.split(/\r?\n/).filter(row => row.trim() !== '');
  const timed = rows.every(row => row.split(/[;,\t]/).length === 3);
  const read = pairsFromText(timed ? rows.map(row => row.replace(/^[^;,\t]*[;,\t]/, '')).join('\n') : text);
  return read.ok ? ok(thinned(read.value.map(([x, y]) => ({ x, y })))) : read;
}

function thinned(points: readonly Point[]): WantedLine {
  const first = points[0];
  const closed = points.length > 2 && first !== undefined && distance(first, points.at(-1) ?? first) < 1e-6;
  const open = closed ? points.slice(0, -1) : points;
  const count = Math.min(WANTED_POINTS[1], open.length);
  const kept = Array.from({ length: count }, (_, i) => {
    const p = open[Math.round((i * (open.length - 1)) / Math.max(1, count - 1))] ?? { x: 0, y: 0 };
    return { x: short(p.x), y: short(p.y) };
  });
  return { points: kept, closed };
}

/** A step of a leg: along the ground and back above it, mm; a path to begin with. */
export function stepPath(long = 60, high = 20): Point[] {
  const ground = Array.from({ length: 9 }, (_, i) => ({ x: short((i / 8 - 0.5) * long), y: 0 }));
  const lifted = Array.from({ length: 7 }, (_, i) => {
    const at = (Math.PI * (i + 1)) / 8;
    return { x: short((Math.cos(at) * long) / 2), y: short(Math.sin(at) * high) };
  });
  return [...ground, ...lifted];
}
