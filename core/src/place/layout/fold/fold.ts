import type { Point } from '../../../ground/geometry/index.ts';
import { type Axis, axisOfWheel, byId, type Machine, meshes } from '../../../document/machine/index.ts';
import { setLayout } from '../../../edits/change/index.ts';
import { fail, ok, type Result, table } from '../../../ground/result/index.ts';
import { degrees } from '../../../ground/units/index.ts';
import { type FoundLayers, findLayers, withLayers } from '../auto-layers.ts';
import { clearancesOf, shownClearances, USUAL_CLEARANCE } from '../clearances.ts';
import { layoutParts } from '../layout-state.ts';
import { axisPositions } from '../positions.ts';
import type { Extent, LayoutParts } from '../solids.ts';
import type { MotionParts } from '../turning.ts';
import { boxOf, centred, foldCost, weight } from './fold-cost.ts';
import { type FoldPlan, foldPlan } from './fold-plan.ts';
import { seeded } from '../../../ground/rational/index.ts';
import { topologyOf } from './topology.ts';

/** What a fold is asked: the machine, its centre distances, what its wheels fill, and how hard to look. */
export interface FoldQuery {
  readonly machine: Machine;
  readonly distances: Readonly<Record<string, number>>;
  readonly rates: MotionParts['rates'];
  readonly uneven: readonly string[];
  readonly extents: Readonly<Record<string, Extent>>;
  /** How many arrangements are tried from chance, and how many of different kind are wanted. */
  /** Whether pillars are in the way; otherwise those that would be struck are counted, to be moved afterwards. */
  readonly pillarsStay: boolean;
  readonly starts: number;
  readonly wanted: number;
  readonly seed: number;
  /** Chance alone, for measuring: nothing is swung to a better place. */
  readonly plain?: boolean;
}

/** One way to fold a train: new places of axes, layers, and how large it is. */
export interface Folded {
  readonly places: Readonly<Record<string, Axis['place']>>;
  readonly layers: FoundLayers;
  readonly topology: string;
  /** Where all axes stand then, mm. */
  readonly at: Readonly<Record<string, Point>>;
  readonly width: number;
  readonly depth: number;
  readonly height: number;
  /** Radius of the circle round everything, mm. */
  readonly radius: number;
  /** The least gap between any two things that must not touch, mm. */
  readonly tightest: number;
  /** Pillars that would be struck. */
  readonly pillars: number;
  /** Hands and bodies that would strike something beside them. */
  readonly shown: number;
}

export interface FoldNews {
  readonly done: number;
  readonly folded: readonly Folded[];
}

interface Trial {
  readonly turns: number[];
  readonly cost: number;
}

/** Swings tried for one axis at a time, radians: coarse, then finer and finer. */
const SWINGS = [Math.PI / 2, Math.PI / 5, Math.PI / 12, Math.PI / 30, Math.PI / 90, Math.PI / 300];
/** Arrangements of one kind for which layers are looked for. */
const PER_KIND = 3;
/** Kinds for which layers are looked for, per arrangement wanted. */
const KINDS = 5;

/**
 * Folds a train: swings its axes so that all stays in the envelope and nothing strikes anything, in as little room
 * and as few layers as are found. Arrangements are started from chance, each axis swung to its best place again and
 * again, the best of every topology kept; for these layers are found, and the whole is drawn in as far as its
 * clearances let it. Compact first.
 * Fails where the envelope is smaller than the largest wheel, where nothing can be swung, or where no arrangement
 * is found.
 */
export function* foldTrain(asked: FoldQuery): Generator<FoldNews, Result<readonly Folded[]>> {
  const query = asked.pillarsStay ? asked : { ...asked, machine: withoutPillars(asked.machine) };
  const parts = partsOf(query, query.machine);
  const plan = foldPlan(parts, query.distances);
  const tooSmall = largerThanRoom(plan, query.machine);
  if (tooSmall) return tooSmall;
  if (plan.turns.length === 0) return fail('fold-nothing-free', {});
  const covered = coveredAlways(plan, query);
  if (covered) return covered;
  const weigh = costing(plan, query.machine);
  const random = seeded(query.seed);
  const kinds = new Map<string, Trial[]>();
  for (let i = 0; i < query.starts; i++) {
    const start = plan.turns.map(t =>
      i === 0 && !query.plain
        ? t.now
        : t.kind === 'side'
          ? random() < 0.5
            ? 1
            : -1
          : 2 * Math.PI * random(),
    );
    const best = query.plain ? { turns: start, cost: weigh(start) } : settle(plan, start, weigh);
    const at = plan.place(best.turns);
    if (at) remember(kinds, topologyOf(plan, best.turns, at), best);
    if (i % 4 === 3) yield { done: (0.6 * (i + 1)) / query.starts, folded: [] };
  }
  const ranked = [...kinds].sort((a, b) => (a[1][0]?.cost ?? 0) - (b[1][0]?.cost ?? 0));
  const tried = ranked.slice(0, KINDS * query.wanted);
  const found: Folded[] = [];
  for (const [i, [topology, trials]] of tried.entries()) {
    const folded = firstOf(trials, t => finish(query, plan, t, topology));
    if (folded) found.push({ ...folded, pillars: struckPillars(asked, folded) });
    found.sort((a, b) => a.shown - b.shown || size(a) - size(b));
    yield { done: 0.6 + (0.4 * (i + 1)) / tried.length, folded: found.slice(0, query.wanted) };
  }
  return found.length > 0 ? ok(found.slice(0, query.wanted)) : fail('fold-none', { kinds: kinds.size });
}

function withoutPillars(machine: Machine): Machine {
  const { plates } = machine.layout;
  return plates ? setLayout({ plates: { ...plates, pillars: [] } })(machine) : machine;
}

/** How many pillars stand in the way of a folded train. */
function struckPillars(query: FoldQuery, folded: Folded): number {
  const struck = clearancesOf(partsOf(query, withFold(query.machine, folded))).filter(
    c => c.kind === 'pillar' && c.gap < 0,
  );
  const pillars = query.machine.layout.plates?.pillars ?? [];
  return pillars.filter(p => struck.some(c => c.a === p.id || c.b === p.id)).length;
}

/** The volume of the round box it needs. */
const size = (f: Folded): number => f.radius * f.radius * f.height;

const partsOf = (query: FoldQuery, machine: Machine): LayoutParts => {
  const { at } = axisPositions(machine, query.distances);
  return layoutParts(machine, { rates: query.rates, uneven: new Set(query.uneven), at }, query.extents);
};

function largerThanRoom(plan: FoldPlan, { layout, wheels }: Machine): ReturnType<typeof fail> | undefined {
  if (!layout.envelope) return undefined;
  const { region } = layout.envelope;
  const across =
    region.kind === 'circle'
      ? region.diameter
      : region.kind === 'rectangle'
        ? Math.min(region.width, region.height)
        : smallerSide(region.points);
  const largest = plan.nodes
    .flatMap(n => n.wheels)
    .reduce((l, w) => (w.outer > l.outer ? w : l), { id: '', outer: 0 });
  if (2 * largest.outer <= across) return undefined;
  const name = wheels.find(w => w.id === largest.id)?.name ?? 'what an arm sweeps';
  return fail('fold-room-too-small', { name, needs: 2 * largest.outer, room: across });
}

/** A wheel that covers an arbor in mesh with its own however it swings, where that arbor is held in both plates. */
function coveredAlways(
  plan: FoldPlan,
  { machine, distances }: FoldQuery,
): ReturnType<typeof fail> | undefined {
  const axisOf = (wheel: string): string | undefined => {
    const w = byId(machine.wheels, wheel);
    return w && axisOfWheel(machine, w);
  };
  for (const mesh of meshes(machine)) {
    const ends = [mesh.a, mesh.b].map(w => plan.nodes.find(n => n.axis === axisOf(w)));
    for (const [one, other] of [ends, [...ends].reverse()]) {
      const over = one?.wheels.find(
        w => w.inner === undefined && w.outer + (other?.rod ?? 0) > (distances[mesh.id] ?? Infinity),
      );
      if (!one || !other?.through || !over) continue;
      const arbor = machine.members.find(m => m.kind === 'arbor' && m.axis === other.axis)?.name ?? '';
      return fail('fold-covered', { wheel: byId(machine.wheels, over.id)?.name ?? over.id, arbor });
    }
  }
  return undefined;
}

function smallerSide(points: readonly (readonly [number, number])[]): number {
  const [xs, ys] = [points.map(p => p[0]), points.map(p => p[1])];
  return Math.min(Math.max(...xs) - Math.min(...xs), Math.max(...ys) - Math.min(...ys));
}

type Weigh = (turns: readonly number[]) => number;

function costing(plan: FoldPlan, { layout }: Machine): Weigh {
  const least = layout.clearance ?? USUAL_CLEARANCE;
  return turns => {
    const at = plan.place(turns);
    if (!at) return Infinity;
    const shift = plan.moves && layout.envelope ? centred(plan.nodes, at, layout.envelope.region) : undefined;
    const moved = shift ? at.map(p => ({ x: p.x + shift.x, y: p.y + shift.y })) : at;
    return weight(foldCost(plan.nodes, moved, layout, least, !plan.moves));
  };
}

/** Swings one axis after the other to where the whole weighs least, until a round changes nothing; finer each time. */
function settle(plan: FoldPlan, start: readonly number[], weigh: Weigh): Trial {
  const turns = [...start];
  let cost = weigh(turns);
  const attempt = (i: number, value: number): boolean => {
    const before = turns[i] ?? 0;
    turns[i] = value;
    const now = weigh(turns);
    if (now < cost - 1e-9) {
      cost = now;
      return true;
    }
    turns[i] = before;
    return false;
  };
  for (const swing of SWINGS) {
    for (let again = 0, changed = true; changed && again < 6; again++) {
      changed = false;
      for (let i = 0; i < plan.turns.length; i++) {
        const value = turns[i] ?? 0;
        if (plan.turns[i]?.kind === 'side') changed = attempt(i, -value) || changed;
        else changed = attempt(i, value + swing) || attempt(i, value - swing) || changed;
      }
    }
  }
  return { turns, cost };
}

function remember(kinds: Map<string, Trial[]>, topology: string, trial: Trial): void {
  const known = kinds.get(topology) ?? [];
  known.push(trial);
  known.sort((a, b) => a.cost - b.cost);
  kinds.set(topology, known.slice(0, PER_KIND));
}

function firstOf<T, R>(list: readonly T[], make: (item: T) => R | undefined): R | undefined {
  for (const item of list) {
    const made = make(item);
    if (made !== undefined) return made;
  }
  return undefined;
}

/** Finds layers for an arrangement, draws it in with them, and holds everything against everything. */
function finish(query: FoldQuery, plan: FoldPlan, trial: Trial, topology: string): Folded | undefined {
  const first = placed(query.machine, plan, trial.turns);
  const layers = findLayers(partsOf(query, first));
  if (!layers.ok) return undefined;
  const least = query.machine.layout.clearance ?? USUAL_CLEARANCE;
  const tightest = (machine: Machine): number => clearancesOf(partsOf(query, machine))[0]?.gap ?? Infinity;
  const laid = withLayers(query.machine, layers.value);
  const fits = (turns: readonly number[]): boolean => tightest(placed(laid, plan, turns)) >= least - 1e-9;
  if (!fits(trial.turns)) return undefined;
  const drawn = query.plain ? trial.turns : drawIn(plan, trial, costing(plan, query.machine), fits);
  const machine = placed(laid, plan, drawn);
  const parts = partsOf(query, machine);
  if (
    query.machine.layout.envelope?.height !== undefined &&
    parts.stack.height > query.machine.layout.envelope.height + 1e-9
  )
    return undefined;
  const at = plan.nodes.map(n => parts.motion.at[n.axis] ?? { x: 0, y: 0 });
  const box = boxOf(plan.nodes, at);
  const { radius } = foldCost(plan.nodes, at, query.machine.layout, least, !plan.moves);
  return {
    places: table(machine.axes.map(a => [a.id, a.place])),
    ...{ layers: layers.value, topology, at: parts.motion.at, radius, height: parts.stack.height },
    ...{ width: box.maxX - box.minX, depth: box.maxY - box.minY, tightest: tightest(machine), pillars: 0 },
    shown: shownClearances(parts).filter(c => c.gap < 0).length,
  };
}

/** Small swings that still weigh less and strike nothing in the layers that were found. */
function drawIn(
  plan: FoldPlan,
  trial: Trial,
  weigh: Weigh,
  fits: (turns: readonly number[]) => boolean,
): number[] {
  const turns = [...trial.turns];
  let cost = trial.cost;
  for (const swing of [Math.PI / 36, Math.PI / 180])
    for (let i = 0; i < plan.turns.length; i++) {
      if (plan.turns[i]?.kind === 'side') continue;
      for (const by of [swing, -swing])
        for (let n = 0; n < 8; n++) {
          const tried = turns.map((t, k) => (k === i ? t + by : t));
          const now = weigh(tried);
          if (now >= cost - 1e-6 || !fits(tried)) break;
          cost = now;
          turns.splice(0, turns.length, ...tried);
        }
    }
  return turns;
}

const round = (x: number): number => Number(x.toFixed(4));

/** The machine with its axes swung so, and moved to the middle of its envelope where nothing is locked. */
function placed(machine: Machine, plan: FoldPlan, turns: readonly number[]): Machine {
  const at = plan.place(turns);
  const region = machine.layout.envelope?.region;
  const shift = at && region && plan.moves ? centred(plan.nodes, at, region) : { x: 0, y: 0 };
  const turnOf = new Map(plan.turns.map((t, i) => [plan.nodes[t.node]?.axis ?? '', turns[i] ?? 0] as const));
  return {
    ...machine,
    axes: machine.axes.map(a => {
      const value = turnOf.get(a.id);
      const { place } = a;
      if (place.kind === 'mesh' && value !== undefined)
        return { ...a, place: { ...place, angleDeg: round(asDegrees(value)) } };
      if (place.kind === 'between' && value !== undefined)
        return { ...a, place: { ...place, side: value > 0 ? 'left' : 'right' } };
      if (place.kind === 'given' && a.frame === 'ground' && (shift.x !== 0 || shift.y !== 0))
        return { ...a, place: { ...place, x: round(place.x + shift.x), y: round(place.y + shift.y) } };
      return a;
    }),
  };
}

const asDegrees = (turn: number): number => {
  const d = degrees(turn) % 360;
  return d > 180 ? d - 360 : d <= -180 ? d + 360 : d;
};

/** The machine folded so: places of axes and layers. */
export const withFold = (machine: Machine, folded: Pick<Folded, 'places' | 'layers'>): Machine =>
  withLayers(
    {
      ...machine,
      axes: machine.axes.map(a => {
        const place = folded.places[a.id];
        return place ? { ...a, place } : a;
      }),
    },
    folded.layers,
  );
