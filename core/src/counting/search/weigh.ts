import { compare, type Rational, toNumber } from '../../ground/rational/index.ts';
import { type Candidate, errorSize } from './candidate.ts';
import { DOUBT, type FrontList, type Hit, type TopList } from './hits.ts';
import { type Lists, type Source, WITHOUT_LIMIT } from './lists.ts';
import type { CountQuery } from './query.ts';
import type { Making } from './products.ts';
import { visitBySums } from './sums.ts';
import { visitNear } from './visit.ts';

/** Part of the work that is done, from 0 to 1, and the best found so far when there is news. */
export interface SearchProgress {
  readonly done: number;
  readonly best?: readonly Candidate[];
}

/** Trains that are looked at one by one for limits that tie their counts, before a search is cut short. */
const MOST_LOOKED = 400_000;
/** Pairs of products that are weighed before a search is cut short. */
const MOST_WEIGHED = 3e9;
/**
 * Steps of making products window by window before a search is cut short; fewer where there are so many windows that
 * not even one walk through them all would end.
 */
const mostMade = (windows: number): number => (windows > ENDLESS ? 1e9 : 4e9);
/** From so many windows on, a search takes what it comes upon. */
const ENDLESS = 100;

/** A search under way for one number of stages. */
export interface Weighing {
  readonly source: Source;
  readonly target: number;
  readonly top: TopList;
  readonly front: FrontList;
  /** No ratio in reach has a greater error. */
  readonly worst: number;
  /** Whether each pair is a question of its own, which takes its time. */
  readonly coupled: boolean;
  /** Whether the coarse rest of the front may be found total by total. */
  readonly bySums: boolean;
  /** Pairs that were looked at so far. */
  looked: number;
  /** Steps it took so far to make the products of windows. */
  made: number;
  readonly show: (hit: Hit) => Candidate;
  /** Whether a hit lies on the side of the target that is asked for. */
  readonly onSide: (hit: Hit) => boolean;
}

/** Exact where doubles leave a doubt. */
export function sideTest(side: CountQuery['side'], target: Rational): (hit: Hit) => boolean {
  if (!side) return () => true;
  const t = toNumber(target);
  return ({ num, den }) => {
    const off = num / den / t - 1;
    const sign =
      Math.abs(off) > DOUBT ? Math.sign(off) : compare({ num: BigInt(num), den: BigInt(den) }, target);
    return side === 'below' ? sign <= 0 : sign >= 0;
  };
}

export const errorOf = (ratio: Rational, target: Rational): number => toNumber(errorSize(ratio, target));

export function* loading<T>(job: Making<T>, done: number): Generator<SearchProgress, T> {
  let step = job.next();
  for (; !step.done; step = job.next()) yield { done };
  return step.value;
}

const spent = ({ looked, coupled, made, source }: Weighing): boolean =>
  looked > (!coupled ? MOST_WEIGHED : source.windows > ENDLESS ? MOST_LOOKED / 8 : MOST_LOOKED) ||
  made > mostMade(source.windows);

/** The lists of a window, whose making counts as work where it is done anew; undefined when that was too much. */
function* windowOf(
  w: Weighing,
  window: number,
  mostTotal: number,
  error: number,
  done: number,
): Generator<SearchProgress, Lists | undefined> {
  const job = w.source.load(window, mostTotal, error);
  let step = job.next();
  for (; !step.done && !spent(w); step = job.next()) {
    if (w.source.windows > 1) w.made += step.value ?? 0;
    yield { done };
  }
  return step.done ? step.value : undefined;
}

/** About so many times the pairs that a list needs lie within the error that is tried first: many make one ratio. */
const FIRST = 40;

/**
 * Widens the error until the list is full and everything at least as good was weighed; the error up to which it is
 * proven.
 */
export function* findTop(w: Weighing, wanted: number): Generator<SearchProgress, number> {
  let shown = 0;
  let proven = 0;
  const least = w.source.windows > ENDLESS ? 1e-9 : 1e-13;
  const first = Math.min(w.worst, Math.max(least, (FIRST * wanted) / w.source.pairs));
  for (let error = first; ; error = Math.min(w.worst, error * 32)) {
    const limit = (): number => Math.min(error, w.top.threshold());
    for (let window = 0; window < w.source.windows; window++) {
      const lists = yield* windowOf(w, window, WITHOUT_LIMIT, error, window / w.source.windows / 3);
      if (!lists) return proven;
      const walk = visitNear(lists, limit, (i, j, e) => {
        const { left, right } = lists;
        const sums = [left.sums[i] as number, right.sums[j] as number] as const;
        if (lists.fits && !lists.fits(...sums)) return;
        const bare = {
          num: left.values[i] as number,
          den: right.values[j] as number,
          total: sums[0] + sums[1],
        };
        if (w.coupled && w.top.knows(bare)) return;
        w.looked += 1;
        const hit = lists.hit(i, j);
        if (!hit || !w.onSide(hit)) return;
        w.top.offer(e, hit);
        if (w.front.wants(e, hit.total)) w.front.offer(e, hit);
      });
      for (const _ of walk) {
        yield { done: (0.4 * (window + 0.5)) / w.source.windows };
        if (spent(w)) return proven;
      }
    }
    proven = error;
    const best = w.top.best();
    if (best.length >= wanted || error >= w.worst) return Infinity;
    if (best.length > shown) yield { done: 0.4, best: best.map(w.show) };
    shown = best.length;
  }
}

/**
 * The front from its accurate end: in ever wider bands of error only trains with fewer teeth than the best so far can
 * matter, so the lists shrink as the bands widen. Where no limit ties counts together, the coarse rest is found total
 * by total. `weighed`: the error up to which all was looked at before. Returns the error up to which the front is
 * proven.
 */
export function* findFront(w: Weighing, weighed: number): Generator<SearchProgress, number> {
  const [best] = w.top.best();
  if (!best) return spent(w) ? 0 : Infinity;
  // What is listed was offered to the front, too: up to there nothing is left to look at.
  const known = Math.min(w.worst, w.top.threshold(), weighed);
  let error = Math.max(known, Math.abs(best.num / best.den / w.target - 1));
  let total = w.front.leastTotal(error, best.total);
  /** Offers a pair; whether its neighbours of greater error could still matter. */
  const tried =
    (visited: Lists) =>
    (i: number, j: number, e: number): boolean => {
      const sums = [visited.left.sums[i] as number, visited.right.sums[j] as number] as const;
      const sum = sums[0] + sums[1];
      if (sum >= total || !w.front.wants(e, sum)) return false;
      if (visited.fits && !visited.fits(...sums)) return false;
      w.looked += 1;
      const hit = visited.hit(i, j);
      if (hit && !w.onSide(hit)) return false;
      if (hit && hit.total < total && w.front.wants(e, hit.total)) w.front.offer(e, hit);
      return !hit;
    };
  while (error < w.worst) {
    if (w.bySums && error > COARSE) {
      const lists = yield* loading(w.source.load(0, total, w.worst), 0.8);
      const rest = visitBySums(lists, total, w.front.limit, tried(lists));
      for (const _ of rest) {
        yield { done: 0.9 };
        if (spent(w)) return error;
      }
      return Infinity;
    }
    const proven = error;
    error = Math.min(w.worst, Math.max(64 * error, 1e-12));
    const limit = (): number => error + DOUBT;
    for (let window = 0; window < w.source.windows; window++) {
      const lists = yield* windowOf(w, window, total, error, 0.5);
      if (!lists) return proven;
      for (const _ of visitNear(lists, limit, tried(lists))) {
        yield { done: 0.6 };
        if (spent(w)) return proven;
      }
    }
    total = w.front.leastTotal(error, total);
  }
  return Infinity;
}

/** From this error on the front is looked for total by total: few totals are left, and many trains for each. */
const COARSE = 3e-3;
