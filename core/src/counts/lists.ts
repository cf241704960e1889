import type { Stage } from './candidate.ts';
import type { Fit } from './fit.ts';
import type { Hit } from './hits.ts';
import type { Positions } from './positions.ts';
import { type Products, productsOf } from './products.ts';
import { createTrainMaker, type TrainMaker } from './trains.ts';

/** Two ascending lists whose quotients left / right are the ratios of a search, each entry with its least sum of teeth. */
export interface Lists {
  readonly left: Products;
  readonly right: Products;
  /** The right values times the target. */
  readonly scaled: Float64Array;
  /** Whether entries of these sums can go together at all; absent when any can. */
  readonly fits?: (left: number, right: number) => boolean;
  /** The train that two entries make; undefined when a limit forbids it. */
  readonly hit: (i: number, j: number) => Hit | undefined;
}

/** The ratios of a search in one or several windows, each small enough to be held at once. */
export interface Source {
  readonly windows: number;
  /** About how many pairs of entries there are in all. */
  readonly pairs: number;
  /** The lists of a window, without entries that no train of up to `mostTotal` teeth and so much error can use. */
  readonly load: (window: number, mostTotal: number, error: number) => Generator<void, Lists>;
  /** Stages of a hit that has none yet. */
  readonly trainOf: TrainMaker;
}

/** Products that are held at once; more are made window by window. */
const MOST_HELD = 8_000_000;
/** A total that leaves nothing out. */
export const WITHOUT_LIMIT = 65535;
/** Half trains that are held at once where limits tie their stages. */
const MOST_HALVES = 500_000;

/** Driving products against driven products: for limits on single counts. Other limits look at each train that comes near. */
export function* productSource(
  positions: Positions,
  fit: Fit,
  target: number,
  alike: 'driving' | 'driven' | undefined,
): Generator<void, Source> {
  const trainOf = createTrainMaker(positions, fit);
  const sides = {
    driving: alike === 'driving' ? powers(positions.driving) : undefined,
    driven: alike === 'driven' ? powers(positions.driven) : undefined,
  };
  const sizes = [positions.driving, positions.driven].map(manyProducts);
  const windows = Math.ceil(Math.max(...sizes) / MOST_HELD);
  const hits = (left: Products, right: Products): Lists => ({
    left,
    right,
    scaled: scaledBy(right.values, target),
    hit: (i, j) => {
      const num = left.values[i] as number;
      const den = right.values[j] as number;
      const total = (left.sums[i] as number) + (right.sums[j] as number);
      if (!fit.coupled) return { num, den, total };
      const train = trainOf(num, den);
      return train && { num, den, ...train };
    },
  });
  if (windows === 1) {
    const left = sides.driving ?? (yield* productsOf(positions.driving));
    const same = positions.driving.every((s, i) => s === positions.driven[i]);
    const right = sides.driven ?? (same && !sides.driving ? left : yield* productsOf(positions.driven));
    const least = { left: leastSum(left), right: leastSum(right) };
    const all = hits(left, right);
    let held = { total: Infinity, lists: all };
    return {
      windows,
      pairs: left.values.length * right.values.length,
      trainOf,
      *load(_, mostTotal) {
        yield;
        if (mostTotal > held.total) held = { total: Infinity, lists: all };
        if (mostTotal < WITHOUT_LIMIT && mostTotal < held.total) {
          const near = within(held.lists.left, mostTotal - least.right);
          const alikeSides = held.lists.left === held.lists.right;
          const far = alikeSides ? near : within(held.lists.right, mostTotal - least.left);
          held = { total: mostTotal, lists: hits(near, far) };
        }
        return held.lists;
      },
    };
  }
  return {
    windows,
    pairs: (sizes[0] ?? 1) * (sizes[1] ?? 1),
    trainOf,
    *load(window, mostTotal, error) {
      const { from, below } = bound(positions.driven, windows, window);
      const near = { from: from * target * (1 - error), below: below * target * (1 + error) };
      const room = {
        driving: mostTotal - leastOf(positions.driven),
        driven: mostTotal - leastOf(positions.driving),
      };
      const right = yield* productsOf(positions.driven, { from, below, mostSum: room.driven });
      const left = yield* productsOf(positions.driving, { ...near, mostSum: room.driving });
      return hits(left, right);
    },
  };
}

/** Products of so many alike counts. */
function powers(sets: readonly (readonly number[])[]): Products {
  const common = (sets[0] ?? []).filter(n => sets.every(s => s.includes(n)));
  return {
    values: Float64Array.from(common, n => n ** sets.length),
    sums: Uint16Array.from(common, n => n * sets.length),
  };
}

/** Choices of one count from each set, where the order of equal sets has no meaning. */
function manyProducts(sets: readonly (readonly number[])[]): number {
  let many = 1;
  for (const [i, set] of sets.entries()) {
    const repeats = sets.slice(0, i).filter(s => s === set).length;
    many *= (set.length + repeats) / (repeats + 1);
  }
  return many;
}

/** The bounds of one window of values: in equal steps of their logarithm, finer than their number asks. */
function bound(
  sets: readonly (readonly number[])[],
  windows: number,
  window: number,
): { from: number; below: number } {
  const low = sets.reduce((n, s) => n * (s[0] ?? 1), 1);
  const high = sets.reduce((n, s) => n * (s.at(-1) ?? 1), 1);
  const at = (w: number): number => Math.floor(low * (high / low) ** (w / windows));
  return { from: at(window), below: window + 1 >= windows ? high + 1 : at(window + 1) };
}

/** All values times a factor. */
function scaledBy(values: Float64Array, factor: number): Float64Array {
  const scaled = new Float64Array(values.length);
  for (let i = 0; i < values.length; i++) scaled[i] = (values[i] as number) * factor;
  return scaled;
}

const leastOf = (sets: readonly (readonly number[])[]): number => sets.reduce((n, s) => n + (s[0] ?? 0), 0);
function leastSum({ sums }: Products): number {
  let least = 65535;
  for (let i = 0; i < sums.length; i++) if ((sums[i] as number) < least) least = sums[i] as number;
  return least;
}

/** The products of sums up to a limit. */
function within(list: Products, mostSum: number): Products {
  const { values, sums } = list;
  let kept = 0;
  for (let i = 0; i < sums.length; i++) if ((sums[i] as number) <= mostSum) kept += 1;
  if (kept === sums.length) return list;
  const out = { values: new Float64Array(kept), sums: new Uint16Array(kept) };
  let at = 0;
  for (let i = 0; i < sums.length; i++) {
    if ((sums[i] as number) > mostSum) continue;
    out.values[at] = values[i] as number;
    out.sums[at++] = sums[i] as number;
  }
  return out;
}

/** Half trains as lists: their stages, their ratio (or its inverse) and their teeth. */
interface Halves {
  readonly list: Products;
  readonly stages: readonly (readonly Stage[])[];
}

/** Half trains against half trains: for limits that tie the counts of a stage, where there are not too many. */
export function* stageSource(positions: Positions, fit: Fit, target: number): Generator<void, Source> {
  const count = positions.driving.length;
  const middle = Math.ceil(count / 2);
  const first = yield* halves(positions, fit, 0, middle, false);
  const second = yield* halves(positions, fit, middle, count, true);
  const hit = (i: number, j: number): Hit | undefined => {
    const stages = [...(first.stages[i] ?? []), ...(second.stages[j] ?? [])];
    if (!fit.train(stages)) return undefined;
    if (!fit.ordered)
      stages.sort((a, b) => b.driving + b.driven - (a.driving + a.driven) || a.driving - b.driving);
    return {
      num: stages.reduce((n, s) => n * s.driving, 1),
      den: stages.reduce((n, s) => n * s.driven, 1),
      total: teeth(stages),
      stages,
    };
  };
  const { returns } = fit;
  const lists: Lists = {
    left: first.list,
    right: second.list,
    scaled: scaledBy(second.list.values, target),
    ...(returns && count === 2 && { fits: (a: number, b: number) => returns(a, b, 0) }),
    hit,
  };
  return {
    windows: 1,
    pairs: first.stages.length * second.stages.length,
    trainOf: createTrainMaker(positions, fit),
    *load() {
      yield;
      return lists;
    },
  };
}

function* halves(
  positions: Positions,
  fit: Fit,
  from: number,
  to: number,
  inverse: boolean,
): Generator<void, Halves> {
  let stages: Stage[][] = [[]];
  for (let at = from; at < to; at++) {
    const next = stagesAt(positions, fit, at);
    const pair = at % 2 === 1 && at > from ? fit.returns : undefined;
    stages = stages.flatMap(row =>
      next.filter(s => !pair || pair(teeth(row.slice(-1)), teeth([s]), at - 1)).map(s => [...row, s]),
    );
    yield;
  }
  const value = (row: readonly Stage[]): number => {
    const num = row.reduce((n, s) => n * s.driving, 1);
    const den = row.reduce((n, s) => n * s.driven, 1);
    return inverse ? den / num : num / den;
  };
  const values = Float64Array.from(stages, value);
  const order = Uint32Array.from(stages, (_, i) => i).sort(
    (a, b) => (values[a] as number) - (values[b] as number) || a - b,
  );
  yield;
  const sorted = Array.from(order, i => stages[i] ?? []);
  return {
    list: {
      values: Float64Array.from(order, i => values[i] as number),
      sums: Uint16Array.from(sorted, teeth),
    },
    stages: sorted,
  };
}

const teeth = (stages: readonly Stage[]): number => stages.reduce((n, s) => n + s.driving + s.driven, 0);

function stagesAt(positions: Positions, fit: Fit, at: number): Stage[] {
  return (positions.driving[at] ?? []).flatMap(driving =>
    (positions.driven[at] ?? []).map(driven => ({ driving, driven })).filter(s => fit.stage(s, at)),
  );
}

/** Whether half trains are few enough to be held: always for two stages. */
export function fewHalves(positions: Positions, fit: Fit): boolean {
  const count = positions.driving.length;
  if (count <= 2) return true;
  const middle = Math.ceil(count / 2);
  return (
    manyHalves(positions, fit, 0, middle) <= MOST_HALVES &&
    manyHalves(positions, fit, middle, count) <= MOST_HALVES
  );
}

/** How many half trains there are; two stages that return are counted by their sums. */
function manyHalves(positions: Positions, fit: Fit, from: number, to: number): number {
  const sizes = [];
  for (let at = from; at < to; at++) sizes.push(bySum(stagesAt(positions, fit, at)));
  const [first, second] = sizes;
  const all = (sums: ReadonlyMap<number, number>): number => [...sums.values()].reduce((n, k) => n + k, 0);
  if (!first) return 1;
  if (!second) return all(first);
  const { returns } = fit;
  if (!returns || from % 2 === 1) return all(first) * all(second);
  let many = 0;
  for (const [a, n] of first) for (const [b, k] of second) if (returns(a, b, from)) many += n * k;
  return many;
}

function bySum(stages: readonly Stage[]): Map<number, number> {
  const sums = new Map<number, number>();
  for (const s of stages) sums.set(s.driving + s.driven, (sums.get(s.driving + s.driven) ?? 0) + 1);
  return sums;
}
