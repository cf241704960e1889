import type { Derived } from '@tesseron/core/state';
import { arbors, byId, circleCount, GROUND, jointEnds, type Machine, meshes } from '@tesseron/core/machine';
import type { Rational } from '@tesseron/core/rational';
import { overlap, type Span, spansOf, type Stack, stackOf } from '@tesseron/core/layout';
import { groundRate, lineOf } from '@tesseron/core/train';
import { type JointSign, jointSigns } from './joint-signs';

/** A wheel in the elevation: a bar at its layer. Places along the row are in columns, half lengths too. */
export interface Bar {
  readonly id: string;
  readonly member: string;
  readonly name: string;
  readonly x: number;
  readonly layer: number;
  /** Its place among the wheels of one column and layer, as sun and ring are. */
  readonly slot: number;
  readonly slots: number;
  readonly half: number;
  readonly text: string;
  readonly open: boolean;
  readonly ring: boolean;
  readonly rate: Rational | undefined;
}

/** An arbor as a line in its column, nested as the layout nests it. */
export interface Tube {
  readonly id: string;
  readonly name: string;
  readonly x: number;
  /** How many turn within it. */
  readonly inside: number;
  readonly low: number;
  /** It goes down to what it stands on; others end at the lowest layer that they pass. */
  readonly grounded: boolean;
  /** The lowest and the highest layer that it passes, and whether it comes out at the front. */
  readonly from: number;
  readonly to: number;
  readonly out: boolean;
  readonly drive: boolean;
  readonly held: boolean;
  readonly slide: boolean;
  /** In the frame of its axis, and against the ground where an arm carries it. */
  readonly rate: Rational | undefined;
  readonly ground: Rational | undefined;
}

/** A line on which arbors turn, or along which something slides. */
interface Column {
  readonly id: string;
  readonly x: number;
  /** The band of the arm that carries it, from the top; undefined: it stands on the ground. */
  readonly band: number | undefined;
  readonly copies: number;
  /** Its arbors turn beside each other on a rod that stands. */
  readonly rod: boolean;
  readonly tubes: readonly Tube[];
}

/** An arm as a bracket: from its own column under those that it carries. */
export interface Bracket {
  readonly id: string;
  readonly name: string;
  readonly from: number;
  readonly to: readonly number[];
  /** A row of its own below the layers, arms on arms above those that carry them. */
  readonly band: number;
  readonly rate: Rational | undefined;
}

/** Two bars in engagement. */
interface Touch {
  readonly id: string;
  readonly a: Bar;
  readonly b: Bar;
  readonly kind: string;
}

export interface Elevation {
  readonly columns: readonly Column[];
  readonly bars: readonly Bar[];
  readonly touches: readonly Touch[];
  readonly brackets: readonly Bracket[];
  readonly signs: readonly JointSign[];
  readonly lowest: number;
  readonly layers: number;
  /** The most wheels of one column in one layer. */
  readonly slots: number;
  /** The most arbors of one column. */
  readonly nested: number;
}

/**
 * The arrangement as a row of lines in the order in which they hang on each other, from the drive on; bars as long
 * as their wheels.
 */
export function layoutElevation(derived: Derived): Elevation {
  const { machine } = derived;
  const axes = new Map(machine.axes.map(a => [a.id, a] as const));
  const columnOf = new Map<string, string>();
  for (const m of machine.members) {
    if (m.kind === 'arbor')
      columnOf.set(m.id, `${axes.get(m.axis)?.frame ?? GROUND} ${lineOf(axes, m.axis)}`);
    if (m.kind === 'slide') columnOf.set(m.id, m.id);
  }
  const order = orderOf(machine, columnOf);
  const place = new Map(order.map((c, i) => [c, i] as const));
  const bars = barsOf(derived, columnOf, place);
  const barOf = new Map(bars.map(b => [b.id, b] as const));
  const lowest = Math.min(0, ...bars.map(b => b.layer));
  const highest = Math.max(0, ...bars.map(b => b.layer));
  const arms = armsOf(machine);
  const stack = stackOf(machine);
  const { of: spans } = spansOf(machine, stack);
  const columns = order.map((id, x): Column => {
    const on = machine.members.filter(m => columnOf.get(m.id) === id);
    const tubes = on.map(m => tubeOf(derived, m, x, bars, [lowest, highest], spans.get(m.id), stack));
    const rod = on.some(m => spans.get(m.id)?.stands === 'on a standing rod');
    const axis = on.flatMap(m => (m.kind === 'arbor' ? (axes.get(m.axis) ?? []) : [])).find(a => a.copies);
    return {
      ...{ id, x, band: bandOf(machine, arms, on[0]), copies: axis?.copies?.count ?? 1, rod },
      tubes: [...tubes].sort((p, q) => p.inside - q.inside || p.low - q.low),
    };
  });
  const brackets = bracketsOf(derived, arms, columnOf, place);
  return {
    ...{ columns, bars, brackets, lowest },
    touches: touchesOf(machine, barOf),
    signs: jointSigns(machine, columnOf, place),
    layers: highest - lowest + 1,
    slots: Math.max(1, ...bars.map(b => b.slots)),
    nested: Math.max(1, ...columns.map(c => c.tubes.length)),
  };
}

/** The arbors that carry others, those on arms before those that carry them. */
function armsOf(machine: Machine): string[] {
  const arms = [...new Set(machine.axes.map(a => a.frame))].filter(f => f !== GROUND);
  return arms.sort((a, b) => depthOf(machine, b) - depthOf(machine, a));
}

function bandOf(
  machine: Machine,
  arms: readonly string[],
  member: Machine['members'][number] | undefined,
): number | undefined {
  const frame =
    member?.kind === 'arbor'
      ? byId(machine.axes, member.axis)?.frame
      : member?.kind === 'slide'
        ? member.frame
        : undefined;
  const band = arms.indexOf(frame ?? GROUND);
  return band < 0 ? undefined : band;
}

/** How many arms carry a member. */
function depthOf(machine: Machine, member: string): number {
  let depth = 0;
  let at = member;
  for (let i = 0; i <= machine.axes.length; i++) {
    const m = byId(machine.members, at);
    const frame =
      m?.kind === 'arbor' ? byId(machine.axes, m.axis)?.frame : m?.kind === 'slide' ? m.frame : GROUND;
    if (frame === undefined || frame === GROUND) return depth;
    depth++;
    at = frame;
  }
  return depth;
}

/**
 * Columns from the drive on, each followed by what it carries and what it meshes with, as far as that goes, before
 * the next.
 */
function orderOf(machine: Machine, columnOf: ReadonlyMap<string, string>): string[] {
  const near = new Map<string, Set<string>>();
  const link = (a: string | undefined, b: string | undefined): void => {
    if (a === undefined || b === undefined || a === b) return;
    for (const [p, q] of [
      [a, b],
      [b, a],
    ] as const)
      near.set(p, (near.get(p) ?? new Set()).add(q));
  };
  for (const m of arbors(machine))
    link(columnOf.get(byId(machine.axes, m.axis)?.frame ?? ''), columnOf.get(m.id));
  const columnOfWheel = (w: string): string | undefined =>
    columnOf.get(byId(machine.wheels, w)?.member ?? '');
  for (const j of machine.joints) {
    if (j.kind === 'mesh') link(columnOfWheel(j.a), columnOfWheel(j.b));
    else if (j.kind !== 'chain') {
      const ends = jointEnds(j).flatMap(([what, id]) =>
        what === 'wheel' ? (columnOfWheel(id) ?? []) : (columnOf.get(id) ?? []),
      );
      for (const other of ends.slice(1)) link(ends[0], other);
    }
    if (j.kind === 'chain')
      for (const r of j.runs.slice(1)) link(columnOfWheel(j.runs[0]?.wheel ?? ''), columnOfWheel(r.wheel));
  }
  const order: string[] = [];
  const seen = new Set<string>();
  const visit = (column: string): void => {
    if (seen.has(column)) return;
    seen.add(column);
    order.push(column);
    for (const next of near.get(column) ?? []) visit(next);
  };
  const first = columnOf.get(machine.drive?.member ?? '');
  if (first !== undefined) visit(first);
  for (const column of columnOf.values()) visit(column);
  return order;
}

function barsOf(
  derived: Derived,
  columnOf: ReadonlyMap<string, string>,
  place: ReadonlyMap<string, number>,
): Bar[] {
  const { machine } = derived;
  const radius = (w: Machine['wheels'][number]): number =>
    ((circleCount(w) ?? 20) * (derived.modules[w.toothing] ?? 1)) / 2;
  const largest = Math.max(1, ...machine.wheels.filter(w => w.role !== 'rack').map(radius));
  const crowd = new Map<string, number>();
  const spot = (w: Machine['wheels'][number]): string => `${columnOf.get(w.member) ?? ''} ${w.layer}`;
  for (const w of machine.wheels) crowd.set(spot(w), (crowd.get(spot(w)) ?? 0) + 1);
  const used = new Map<string, number>();
  return machine.wheels.flatMap((w): Bar[] => {
    const x = place.get(columnOf.get(w.member) ?? '');
    if (x === undefined) return [];
    const slot = used.get(spot(w)) ?? 0;
    used.set(spot(w), slot + 1);
    const { teeth } = w;
    return [
      {
        ...{ id: w.id, member: w.member, name: w.name, x, layer: w.layer },
        ...{ slot, slots: crowd.get(spot(w)) ?? 1 },
        half: w.role === 'rack' ? 0.4 : 0.12 + 0.28 * Math.sqrt(Math.min(1, radius(w) / largest)),
        text: teeth.kind === 'open' ? `${teeth.least}–${teeth.most}` : String(circleCount(w) ?? '?'),
        open: teeth.kind === 'open',
        ring: w.role === 'ring',
        rate: groundRate(machine, derived.train.rates, w.member) ?? derived.train.rates[w.member],
      },
    ];
  });
}

function tubeOf(
  { machine, train }: Derived,
  member: Machine['members'][number],
  x: number,
  bars: readonly Bar[],
  [lowest, highest]: readonly [number, number],
  span: Span | undefined,
  stack: Stack,
): Tube {
  const own = bars.filter(b => b.member === member.id).map(b => b.layer);
  const rate = train.rates[member.id];
  const carried = depthOf(machine, member.id) > 0;
  const passed = span
    ? [...stack.layers].flatMap(([layer, band]) =>
        overlap(band, span.whole) && layer >= lowest && layer <= highest ? [layer] : [],
      )
    : [];
  const all = passed.length > 0 ? passed : own.length > 0 ? own : [lowest, highest];
  return {
    ...{
      from: Math.min(...all),
      to: Math.max(...all),
      out: span ? span.whole.to > stack.height + 1e-9 : false,
    },
    ...{ id: member.id, name: member.name, x, inside: span?.within.length ?? 0, rate },
    grounded: !span || (span.within.length === 0 && span.stands !== 'on a standing rod'),
    low: own.length > 0 ? Math.min(...own) : lowest,
    drive: machine.drive?.member === member.id,
    held: member.kind !== 'link' && member.held !== undefined,
    slide: member.kind === 'slide',
    ground: carried && member.kind === 'arbor' ? groundRate(machine, train.rates, member.id) : undefined,
  };
}

function bracketsOf(
  { machine, train }: Derived,
  arms: readonly string[],
  columnOf: ReadonlyMap<string, string>,
  place: ReadonlyMap<string, number>,
): Bracket[] {
  return arms.flatMap((id, band): Bracket[] => {
    const [from, member] = [place.get(columnOf.get(id) ?? ''), byId(machine.members, id)];
    const axes = new Set(machine.axes.filter(a => a.frame === id).map(a => a.id));
    const carried = arbors(machine).filter(m => axes.has(m.axis));
    const to = [...new Set(carried.map(m => place.get(columnOf.get(m.id) ?? '') ?? 0))];
    if (from === undefined || !member || to.length === 0) return [];
    return [{ id, name: member.name, from, to, band, rate: groundRate(machine, train.rates, id) }];
  });
}

function touchesOf(machine: Machine, barOf: ReadonlyMap<string, Bar>): Touch[] {
  const touch = (id: string, wa: string, wb: string, kind: string): Touch[] => {
    const [a, b] = [barOf.get(wa), barOf.get(wb)];
    return a && b ? [a.x <= b.x ? { id, a, b, kind } : { id, a: b, b: a, kind }] : [];
  };
  const chains = machine.joints.flatMap(j =>
    j.kind === 'chain'
      ? j.runs.slice(1).flatMap((r, i) => touch(j.id, j.runs[i]?.wheel ?? '', r.wheel, j.type))
      : [],
  );
  return [...meshes(machine).flatMap(j => touch(j.id, j.a, j.b, j.type)), ...chains];
}

/**
 * The nearest of some points to another in a direction, by the way along it and twice the way across; undefined
 * where none lies there.
 */
export function nearestTowards<T extends { readonly x: number; readonly y: number }>(
  from: { readonly x: number; readonly y: number },
  points: readonly T[],
  direction: 'left' | 'right' | 'up' | 'down',
): T | undefined {
  const level = direction === 'left' || direction === 'right';
  const sign = direction === 'left' || direction === 'up' ? -1 : 1;
  let best: T | undefined;
  let least = Infinity;
  for (const p of points) {
    const [dx, dy] = [p.x - from.x, p.y - from.y];
    const along = sign * (level ? dx : dy);
    if (along < 1) continue;
    const cost = along + 2 * Math.abs(level ? dy : dx);
    if (cost < least) [best, least] = [p, cost];
  }
  return best;
}
