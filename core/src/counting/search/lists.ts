import type { Fit } from './fit.ts';
import type { Hit } from './hits.ts';
import type { Positions } from './positions.ts';
import { type Making, type ProductRange, type Products, productsBySum, productsOf } from './products.ts';
import type { CountQuery } from './query.ts';
import { createTrainMaker, type TrainMaker } from './trains.ts';

/**
 * Two ascending lists whose quotients left / right are the ratios of a search, each entry with its least sum of
 * teeth.
 */
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
  readonly load: (window: number, mostTotal: number, error: number) => Making<Lists>;
  /** Stages of a hit that has none yet. */
  readonly trainOf: TrainMaker;
}

/** Products that are held at once; more are made window by window. */
const MOST_HELD = 8_000_000;
/** Products that are held at once with every sum of theirs, for an exact total. */
const MOST_SUMMED = 3_000_000;
/** A total that leaves nothing out. */
export const WITHOUT_LIMIT = 65535;

/**
 * Driving products against driven products: for limits on single counts. Other limits look at each train that comes
 * near.
 */
export function* productSource(
  positions: Positions,
  fit: Fit,
  target: number,
  { alike, exactTotal }: Pick<CountQuery, 'alike' | 'exactTotal'>,
): Making<Source> {
  const trainOf = createTrainMaker(positions, fit);
  const sides = {
    driving: alike === 'driving' ? powers(positions.driving) : undefined,
    driven: alike === 'driven' ? powers(positions.driven) : undefined,
  };
  const sizes = [
    sides.driving?.values.length ?? manyProducts(positions.driving),
    sides.driven?.values.length ?? manyProducts(positions.driven),
  ];
  const windows = Math.ceil(Math.max(...sizes) / (exactTotal === undefined ? MOST_HELD : MOST_SUMMED));
  const summed = exactTotal !== undefined && windows === 1;
  const products = summed ? productsBySum : productsOf;
  const fits = summed ? { fits: (a: number, b: number) => a + b === exactTotal } : {};
  const asked = fit.coupled || (exactTotal !== undefined && !summed);
  const hits = (left: Products, right: Products): Lists => ({
    left,
    right,
    scaled: scaledBy(right.values, target),
    ...fits,
    hit: (i, j) => {
      const num = left.values[i] as number;
      const den = right.values[j] as number;
      const total = (left.sums[i] as number) + (right.sums[j] as number);
      if (!asked) return { num, den, total };
      const train = trainOf(num, den);
      return train && { num, den, ...train };
    },
  });
  if (windows === 1) {
    const left = sides.driving ?? (yield* products(positions.driving));
    const same = positions.driving.every((s, i) => s === positions.driven[i]);
    const right = sides.driven ?? (same && !sides.driving ? left : yield* products(positions.driven));
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
      const far = { from, below, mostSum: room.driven };
      const right = sides.driven ? partOf(sides.driven, far) : yield* productsOf(positions.driven, far);
      const close = { ...near, mostSum: room.driving };
      const left = sides.driving ? partOf(sides.driving, close) : yield* productsOf(positions.driving, close);
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
export function scaledBy(values: Float64Array, factor: number): Float64Array {
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

/** The products of a range of values, of sums up to a limit. */
function partOf({ values, sums }: Products, { from, below, mostSum }: ProductRange): Products {
  const first = values.findIndex(v => v >= from);
  const past = values.findIndex(v => v >= below);
  if (first === -1) return { values: values.slice(0, 0), sums: sums.slice(0, 0) };
  const end = past === -1 ? values.length : past;
  return within({ values: values.slice(first, end), sums: sums.slice(first, end) }, mostSum);
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
