import { ballBearing } from '../../document/bought/index.ts';
import { byId, GROUND, type Arbor, type Machine, ringWithin } from '../../document/machine/index.ts';
import { armLayers } from './arms.ts';
import { linkLayers } from './link-plates.ts';
import { bracketReach, type Crossing } from './crossing-axes.ts';
import { type Line, linesOf } from './lines.ts';
import { proudHubs } from './proud-hubs.ts';
import { reducerLayers } from './reducer-layers.ts';
import { type Seat, seatsOn } from './seats.ts';
import { wallsOf } from './walls.ts';
import { type Band, overlap, type Stack, stackOf } from './stack.ts';

type Parts = Pick<
  Machine,
  'stack' | 'layout' | 'wheels' | 'members' | 'axes' | 'joints' | 'aims' | 'indicators'
>;

/** How far one arbor reaches along its line, and what stands on it. Heights in mm. */
export interface Span {
  readonly arbor: string;
  readonly line: string;
  /** From its lowest to its highest wheel or arm. */
  readonly own: Band;
  /** With what it reaches beyond: to its bearings, to a hand, to a crank. */
  readonly whole: Band;
  /** The bands of its own wheels and of its arm. */
  readonly on: readonly Band[];
  /** Arbors of the line that turn within it, from the innermost. */
  readonly within: readonly string[];
  /** Whether it stands in both plates itself, or on another, or on a standing rod. */
  readonly stands: 'in the plates' | 'on another' | 'on a standing rod' | 'free';
}

/**
 * Two arbors of one line neither of which can turn within the other: each would pass through what stands on the
 * other.
 */
export interface NestClash {
  readonly a: string;
  readonly b: string;
}

export interface Spans {
  readonly of: ReadonlyMap<string, Span>;
  /** Where all that shows sits, by its id. */
  readonly seats: ReadonlyMap<string, Seat>;
  readonly clashes: readonly NestClash[];
}

/**
 * What a hand or a crank needs beyond the outermost plate or layer, and how much each tube leaves of the one
 * within, mm.
 */
export const BEYOND = 8;
export const STEP = 4;

/** An arbor by itself across the plan reaches on through its brackets. */
function bracketed(machine: Parts, { arbors }: Line, crossing: Crossing | undefined, span: Span): Span {
  const reach = crossing && arbors.length === 1 ? bracketReach(machine, crossing) : 0;
  if (!crossing || reach === 0) return span;
  const { whole, own } = span;
  return crossing.outboard === 1
    ? { ...span, whole: { ...whole, to: Math.max(whole.to, own.to + reach) } }
    : { ...span, whole: { ...whole, from: Math.min(whole.from, own.from - reach) } };
}

/** The heights of the layers alone. */
const withoutPlates = (stack: Stack): Stack => ({
  ...{ ...stack, back: undefined, front: undefined },
  height: Math.max(0, ...[...stack.layers.values()].map(b => b.to)),
});

interface Draft {
  readonly arbor: Arbor;
  readonly on: readonly Band[];
  readonly own: Band;
  readonly reaching: Band;
}

/**
 * The reach of every arbor, and which turns in which: on each line the one whose wheels the other would pass lies
 * within. What stands on an axis that crosses the plan stands in no plate.
 */
export function spansOf(
  machine: Parts,
  stack: Stack = stackOf(machine),
  crossing: ReadonlyMap<string, Crossing> = new Map(),
): Spans {
  const arms = armLayers(machine);
  const of = new Map<string, Span>();
  const clashes: NestClash[] = [];
  const seats = new Map<string, Seat>();
  for (const line of linesOf(machine)) {
    const own = crossing.has(line.axis) ? withoutPlates(stack) : stack;
    const drafts = line.arbors.flatMap(arbor => draftOf(machine, own, arms, arbor) ?? []);
    const within = nest(drafts, clashes);
    runThrough(line, drafts, within, own);
    const order = [...line.arbors]
      .sort((a, b) => depthOf(within, b.id) - depthOf(within, a.id))
      .map(a => a.id);
    const sits = seatsOn(machine, line, order, own.height + bearingOut(line, own));
    for (const [id, seat] of sits) seats.set(id, seat);
    const tops = topsOf(machine, drafts, within, sits, own);
    for (const [id, span] of standing(line, drafts, within, own, tops))
      of.set(id, bracketed(machine, line, crossing.get(line.axis), span));
  }
  return { of, seats, clashes };
}

function draftOf(
  machine: Parts,
  stack: Stack,
  arms: ReadonlyMap<string, number>,
  arbor: Arbor,
): Draft | undefined {
  if (arbor.bodiless) return undefined;
  const layers = hubbed(machine, arbor.id).map(w => w.layer);
  const arm = arms.get(arbor.id);
  if (arm !== undefined) layers.push(arm);
  layers.push(...wallsOf(machine, arbor.id).map(w => w.layer), ...reducerLayers(machine, arbor.id));
  layers.push(...linkLayers(machine, arbor.id));
  const frame = byId(machine.axes, arbor.axis)?.frame;
  const carrier = frame === undefined || frame === GROUND ? undefined : arms.get(frame);
  const hubs = proudHubs(machine, stack, arbor.id).map(h => h.band);
  const on = [...layers.flatMap(l => stack.layers.get(l) ?? []), ...hubs];
  const bearing = carrier === undefined ? undefined : stack.layers.get(carrier);
  const all = bearing ? [...on, bearing] : on;
  if (all.length === 0) return undefined;
  const own = { from: Math.min(...all.map(b => b.from)), to: Math.max(...all.map(b => b.to)) };
  const reach = arbor.reach ?? (showsAnything(machine, arbor.id) ? 'front' : 'neither');
  // What stands still is fixed in a plate: it reaches there.
  const fixed = arbor.held === GROUND && frame === GROUND;
  const plate = fixed ? (arbor.support === 'front' ? stack.front : stack.back) : undefined;
  return {
    ...{ arbor, on, own },
    reaching: {
      from: reach === 'back' ? -BEYOND : Math.min(own.from, plate?.from ?? own.from),
      to: reach === 'front' ? stack.height + BEYOND : Math.max(own.to, plate?.to ?? own.to),
    },
  };
}

/** Wheels that sit on their arbor with a hub: all but rings, which are held by their rims. */
export const hubbed = (machine: Pick<Machine, 'wheels'>, arbor: string): Machine['wheels'][number][] =>
  machine.wheels.filter(
    w => w.member === arbor && w.role !== 'ring' && w.role !== 'rack' && !ringWithin(machine, w),
  );

const showsAnything = (machine: Pick<Machine, 'aims' | 'indicators'>, id: string): boolean =>
  machine.aims.some(a => a.member === id) || machine.indicators.some(i => i.member === id);

/**
 * For every arbor of a line those that turn within it, the innermost first; pairs that cannot nest are told. What
 * leaves only one way is settled first; a pair that could nest either way goes the way that closes no circle; one
 * that closes a circle cannot nest.
 */
function nest(drafts: readonly Draft[], clashes: NestClash[]): Map<string, string[]> {
  const inner = new Map(drafts.map(d => [d.arbor.id, new Set<string>()] as const));
  const within = (id: string, outer: string): boolean =>
    [...(inner.get(outer) ?? [])].some(x => x === id || within(id, x));
  const put = (a: string, outer: string): boolean => {
    if (within(outer, a)) return false;
    inner.get(outer)?.add(a);
    return true;
  };
  const either: NestClash[] = [];
  drafts.forEach((a, i) => {
    for (const b of drafts.slice(i + 1)) {
      if (!overlap(a.reaching, b.reaching)) continue;
      const aOut = !b.on.some(band => overlap(band, a.reaching));
      const bOut = !a.on.some(band => overlap(band, b.reaching));
      const pair = { a: a.arbor.id, b: b.arbor.id };
      if (aOut && bOut) either.push(pair);
      else if (!(bOut && put(pair.a, pair.b)) && !(aOut && put(pair.b, pair.a))) clashes.push(pair);
    }
  });
  // Where both would do, the longer one turns within: it is the one that is held in the plates.
  const lengthOf = new Map(drafts.map(d => [d.arbor.id, d.reaching.to - d.reaching.from] as const));
  for (const { a, b } of either) {
    const [inside, outside] = (lengthOf.get(b) ?? 0) > (lengthOf.get(a) ?? 0) + 1e-9 ? [b, a] : [a, b];
    if (!put(inside, outside)) put(outside, inside);
  }
  const depth = (id: string): number => Math.max(-1, ...[...(inner.get(id) ?? [])].map(depth)) + 1;
  return new Map([...inner].map(([id, set]) => [id, [...set].sort((p, q) => depth(p) - depth(q))]));
}

/**
 * Arbors side by side on a line turn on a rod that stands. Where some arbor of the line passes every plate, that rod
 * could be fixed in none: then the one of them that goes out through a plate is the rod itself, and the others turn on
 * it.
 */
function runThrough(
  line: Line,
  drafts: readonly Draft[],
  within: Map<string, string[]>,
  { back, front }: Stack,
): void {
  const side = drafts.filter(d => (within.get(d.arbor.id)?.length ?? 0) === 0);
  const plates = [back, front].flatMap(p => p ?? []);
  if (side.length < 2 || line.frame !== GROUND || plates.length === 0) return;
  const passes = (d: Draft, plate: Band): boolean => overlap(d.reaching, plate);
  if (plates.some(p => !drafts.some(d => passes(d, p)))) return;
  const root = plates.map(p => side.find(d => passes(d, p))).find(d => d !== undefined);
  if (!root) return;
  for (const d of drafts)
    if (d !== root) within.set(d.arbor.id, [root.arbor.id, ...(within.get(d.arbor.id) ?? [])]);
}

/** How far a ball bearing of a line stands out beyond the front of the machine, mm. */
function bearingOut(line: Line, { front, height }: Stack): number {
  if (!front || line.frame !== GROUND) return 0;
  const widest = Math.max(0, ...line.arbors.map(a => ballBearing(a.bearing)?.width ?? 0));
  return Math.max(0, front.from + widest - height);
}

/** Where each arbor stands: the innermost of all in the plates, the others on what turns within them. */
function standing(
  line: Line,
  drafts: readonly Draft[],
  within: ReadonlyMap<string, readonly string[]>,
  stack: Stack,
  tops: ReadonlyMap<string, number>,
): [string, Span][] {
  const innermost = drafts.filter(d => (within.get(d.arbor.id)?.length ?? 0) === 0);
  const [root] = innermost;
  const alone =
    root &&
    innermost.length === 1 &&
    drafts.every(d => d === root || within.get(d.arbor.id)?.includes(root.arbor.id));
  return drafts.map(d => {
    const inside = within.get(d.arbor.id) ?? [];
    const onPlank = inside.length === 0 && turnsOnPlank(d.arbor, line, stack);
    const planted =
      alone === true && d === root && stack.back !== undefined && line.frame === GROUND && !onPlank;
    const whole = beyondOuter(planted ? plantedIn(d, stack) : d.reaching, d, drafts, within, tops, stack);
    const stands = planted
      ? 'in the plates'
      : inside.length > 0
        ? 'on another'
        : onPlank || innermost.length > 1
          ? 'on a standing rod'
          : 'free';
    const span: Span = {
      arbor: d.arbor.id,
      line: line.id,
      own: d.own,
      on: d.on,
      whole,
      within: inside,
      stands,
    };
    return [d.arbor.id, span];
  });
}

/** On a plank everything turns on rods that stand in it, but what is driven from behind and what stands itself. */
const turnsOnPlank = (arbor: Arbor, line: Line, { back, front }: Stack): boolean =>
  line.frame === GROUND &&
  back !== undefined &&
  front === undefined &&
  arbor.reach !== 'back' &&
  arbor.held !== GROUND;

/** How many arbors of a line lie within one, one in the other. */
const depthOf = (within: ReadonlyMap<string, readonly string[]>, id: string): number =>
  Math.max(0, ...(within.get(id) ?? []).map(inner => 1 + depthOf(within, inner)));

/**
 * How far up arbors reach that come out at the front: to the top of what sits on them, so far as nothing does for a
 * hand, and a step past what turns round them.
 */
function topsOf(
  { indicators }: Pick<Machine, 'indicators'>,
  drafts: readonly Draft[],
  within: ReadonlyMap<string, readonly string[]>,
  seats: ReadonlyMap<string, Seat>,
  { height }: Stack,
): ReadonlyMap<string, number> {
  const tops = new Map<string, number>();
  const topOf = (d: Draft): number => {
    const known = tops.get(d.arbor.id);
    if (known !== undefined) return known;
    const own = indicators.flatMap(i => (i.member === d.arbor.id ? (seatEnd(i, seats) ?? []) : []));
    const round = drafts.filter(
      o => o.reaching.to > height && (within.get(o.arbor.id) ?? []).includes(d.arbor.id),
    );
    const past = round.map(o => topOf(o) + (own.length > 0 ? 0 : STEP));
    const top = Math.max(...(own.length > 0 ? own : [height + BEYOND]), ...past);
    tops.set(d.arbor.id, top);
    return top;
  };
  for (const d of drafts) if (d.reaching.to > height) topOf(d);
  return tops;
}

/** Where an arbor ends for what sits on it: through all but a globe, into which it reaches halfway. */
function seatEnd(
  { id, kind }: Machine['indicators'][number],
  seats: ReadonlyMap<string, Seat>,
): number | undefined {
  const seat = seats.get(id);
  return seat && (kind === 'globe' ? (seat.low + seat.high) / 2 : seat.top);
}

/** Of nested arbors that reach beyond the same side each inner one ends beyond the one round it. */
function beyondOuter(
  whole: Band,
  { arbor }: Draft,
  drafts: readonly Draft[],
  within: ReadonlyMap<string, readonly string[]>,
  tops: ReadonlyMap<string, number>,
  { height }: Stack,
): Band {
  const round = drafts.filter(d => (within.get(d.arbor.id) ?? []).includes(arbor.id));
  const back = round.filter(d => d.reaching.from < 0).length;
  return {
    from: whole.from < 0 ? whole.from - STEP * back : whole.from,
    to: whole.to > height ? (tops.get(arbor.id) ?? whole.to) : whole.to,
  };
}

/** An arbor that is held in the plates reaches through them; on one side only where that is said. */
function plantedIn({ arbor, reaching }: Draft, { back, front }: Stack): Band {
  return {
    from: Math.min(reaching.from, (arbor.support === 'front' ? front : back)?.from ?? reaching.from),
    to: Math.max(reaching.to, (arbor.support === 'back' ? back : front)?.to ?? reaching.to),
  };
}
