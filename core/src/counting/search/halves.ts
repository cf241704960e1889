import type { Stage } from './candidate.ts';
import type { Fit } from './fit.ts';
import type { Hit } from './hits.ts';
import { type Lists, scaledBy, type Source } from './lists.ts';
import type { Positions } from './positions.ts';
import type { Products } from './products.ts';
import { createTrainMaker } from './trains.ts';

/** Half trains that are held at once where limits tie their stages. */
const MOST_HALVES = 500_000;

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
    const returns = at % 2 === 1 && at > from ? fit.returns : undefined;
    const partners = partnersOf(stagesAt(positions, fit, at), returns, at - 1);
    const next: Stage[][] = [];
    for (const [i, row] of stages.entries()) {
      for (const s of partners(row.at(-1))) next.push([...row, s]);
      if (i % 256 === 0) yield;
    }
    stages = next;
    yield;
  }
  const value = (row: readonly Stage[]): number => {
    const num = row.reduce((n, s) => n * s.driving, 1);
    const den = row.reduce((n, s) => n * s.driven, 1);
    return inverse ? den / num : num / den;
  };
  const values = Float64Array.from(stages, value);
  yield;
  const order = ascending(values);
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

/** The stages that may follow a stage: all, or those whose tooth sum lets it return. */
function partnersOf(
  all: readonly Stage[],
  returns: Fit['returns'],
  at: number,
): (before: Stage | undefined) => readonly Stage[] {
  if (!returns) return () => all;
  const groups = new Map<number, Stage[]>();
  for (const s of all) groups.set(teeth([s]), [...(groups.get(teeth([s])) ?? []), s]);
  const known = new Map<number, readonly Stage[]>();
  return before => {
    const out = before ? teeth([before]) : 0;
    const found =
      known.get(out) ?? [...groups].flatMap(([back, list]) => (returns(out, back, at) ? list : []));
    known.set(out, found);
    return found;
  };
}

/**
 * The order that sorts values, by sorting a copy and looking up every value’s place: faster than comparing by
 * index.
 */
function ascending(values: Float64Array): Uint32Array {
  const sorted = Float64Array.from(values).sort();
  const taken = new Uint32Array(values.length);
  const order = new Uint32Array(values.length);
  for (let i = 0; i < values.length; i++) {
    let [low, high] = [0, values.length];
    while (low < high) {
      const middle = (low + high) >>> 1;
      if ((sorted[middle] as number) < (values[i] as number)) low = middle + 1;
      else high = middle;
    }
    order[low + (taken[low] as number)] = i;
    taken[low] = (taken[low] as number) + 1;
  }
  return order;
}

const teeth = (stages: readonly Stage[]): number => {
  let n = 0;
  for (const s of stages) n += s.driving + s.driven;
  return n;
};

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
