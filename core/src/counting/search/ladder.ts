import { compare, factors, type Rational, terms, toNumber } from '../../ground/rational/index.ts';
import { byTotal, type Candidate, candidateOf, errorSize } from './candidate.ts';
import { fitOf } from './fit.ts';
import { type Lists, productSource, type Source, WITHOUT_LIMIT } from './lists.ts';
import { positionsOf, reachOf } from './positions.ts';
import { checkQuery, type CountQuery, MOST_STAGES, type StageLimits } from './query.ts';
import { loading, type SearchProgress } from './weigh.ts';

/** Why a fraction can or cannot be cut within the limits. */
export type Verdict =
  | { readonly kind: 'can'; readonly train: Candidate }
  | { readonly kind: 'needs a wheel'; readonly count: number; readonly side: 'driving' | 'driven' }
  | { readonly kind: 'needs stages'; readonly stages: number }
  | { readonly kind: 'out of reach' }
  | { readonly kind: 'too large to factor' }
  | { readonly kind: 'limits forbid' }
  | { readonly kind: 'not looked through' };

/** A fraction near the wanted rate: a convergent of its continued fraction, or an intermediate between two of them. */
export interface Rung {
  readonly ratio: Rational;
  readonly convergent: boolean;
  /** Prime factors of numerator and denominator, ascending; undefined when too large to be factored. */
  readonly factors: readonly [readonly number[], readonly number[]] | undefined;
  /** |ratio / target − 1|, exact. */
  readonly error: Rational;
  readonly verdict: Verdict;
}

const MOST_RUNGS = 40;
/** Numbers up to this are factored by trial division in no time. */
const MOST_FACTORED = 1e12;

/**
 * The ladder of a wanted rate: its convergents and the intermediates that are nearer than the convergent before, each
 * with its factors and why it can or cannot be cut within the limits of the query. Yields its progress. A query that
 * cannot be searched gives an empty ladder.
 */
export function* ladder(query: CountQuery): Generator<SearchProgress, Rung[]> {
  if (!checkQuery(query).ok) return [];
  const most = Math.max(query.most, ...(query.positions ?? []).flatMap(mostOf));
  const largest = BigInt(most) ** BigInt(Math.min(MOST_STAGES, Math.max(...query.stages) + 1));
  const fractions = fractionsNear(query.target, largest);
  const ratios = fractions.map(f => f.ratio);
  const within = yield* reachable(query, query.stages, ratios);
  const beyond = yield* reachable(loose(query), allStages(query), ratios);
  return fractions.map(({ ratio, convergent }) => ({
    ratio,
    convergent,
    factors: primeFactors(ratio),
    error: errorSize(ratio, query.target),
    verdict: verdict(ratio, query, within, beyond),
  }));
}

const mostOf = ({ driving, driven }: StageLimits): number[] => [driving?.most ?? 0, driven?.most ?? 0];

/** Intermediates that are listed before a convergent, at most. */
const MOST_BETWEEN = 4;

/**
 * Convergents, and before each the last few intermediates that are nearer than the convergent before; the simplest
 * first, until the figures outgrow any train. p = k p₁ + p₀ for k up to the term, from above half of it on.
 * Source: Hardy & Wright, An Introduction to the Theory of Numbers, ch. 10; Brocot, Calcul des rouages par
 * approximation, 1861.
 */
function fractionsNear(target: Rational, largest: bigint): { ratio: Rational; convergent: boolean }[] {
  let [p0, q0, p1, q1] = [0n, 1n, 1n, 0n];
  const found: { ratio: Rational; convergent: boolean }[] = [];
  for (const [i, term] of terms(target).entries()) {
    const first = i === 0 || term === 1n ? term : maximum(term / 2n + 1n, term - BigInt(MOST_BETWEEN));
    for (let k = first; k <= term; k++) {
      const ratio = { num: k * p1 + p0, den: k * q1 + q0 };
      if (ratio.num > 0n) found.push({ ratio, convergent: k === term });
    }
    [p0, q0, p1, q1] = [p1, q1, term * p1 + p0, term * q1 + q0];
    if (found.length >= MOST_RUNGS || p1 > largest || q1 > largest) break;
  }
  return found.slice(0, MOST_RUNGS);
}

const maximum = (a: bigint, b: bigint): bigint => (a > b ? a : b);

function primeFactors({ num, den }: Rational): Rung['factors'] {
  if (num > MOST_FACTORED || den > MOST_FACTORED) return undefined;
  const of = (n: bigint): number[] => (n === 1n ? [] : factors(Number(n)));
  return [of(num), of(den)];
}

/** The exact trains of so many stages, by fraction; undefined where there are too many trains to look through. */
interface Reachable {
  readonly stages: number;
  readonly trains: ReadonlyMap<Rational, Candidate> | undefined;
  readonly query: CountQuery;
}

/** Windows of products that are looked through at most. */
const MOST_WINDOWS = 8;

/** Looks for every fraction among the products of every number of stages, as the search has them. */
function* reachable(
  query: CountQuery,
  stages: readonly number[],
  ratios: readonly Rational[],
): Generator<SearchProgress, Reachable[]> {
  const found: Reachable[] = [];
  for (const [n, k] of stages.entries()) {
    if (query.coaxial !== 'none' && k % 2 === 1) continue;
    const positions = positionsOf(query, k);
    if (!positions.ok) continue;
    const done = (0.5 * n) / stages.length;
    const fit = fitOf(query, k, positions.value);
    const making = productSource(positions.value, fit, toNumber(query.target), query);
    const source = yield* loading(making, done);
    const trains =
      source.windows > MOST_WINDOWS ? undefined : yield* exactTrains(ratios, source, query, done);
    found.push({ stages: k, trains, query });
  }
  return found;
}

/** Only the range of counts is kept: what more stages could do. */
const loose = ({ target, least, most, top }: CountQuery): CountQuery => ({
  target,
  least,
  most,
  top,
  stages: [1],
  coaxial: 'none',
});

/** All numbers of stages that are quickly looked through, those of the query first. */
function allStages({ stages, least, most }: CountQuery): number[] {
  const quick = most - least <= 100 ? MOST_STAGES : MOST_STAGES - 1;
  const others = Array.from({ length: quick }, (_, i) => i + 1).filter(k => !stages.includes(k));
  return [...stages, ...others];
}

function verdict(
  ratio: Rational,
  query: CountQuery,
  within: readonly Reachable[],
  beyond: readonly Reachable[],
): Verdict {
  const train = within.flatMap(r => r.trains?.get(ratio) ?? []).sort(byTotal)[0];
  if (train) return { kind: 'can', train };
  const primes = primeFactors(ratio);
  if (!primes) return { kind: 'too large to factor' };
  const wheels = (['driving', 'driven'] as const).map((side, i) => ({
    side,
    count: Math.max(0, ...(primes[i] ?? [])),
  }));
  const worst = wheels.sort((a, b) => b.count - a.count)[0];
  const most = Math.max(query.most, ...(query.positions ?? []).flatMap(mostOf));
  if (worst && worst.count > most) return { kind: 'needs a wheel', ...worst };
  if (within.some(r => !r.trains)) return { kind: 'not looked through' };
  const more = beyond.find(r => r.trains?.has(ratio));
  if (more && !query.stages.includes(more.stages)) return { kind: 'needs stages', stages: more.stages };
  if (more) return { kind: 'limits forbid' };
  const reaches = within.map(r => {
    const positions = positionsOf(r.query, r.stages);
    return positions.ok ? reachOf(r.query, positions.value) : undefined;
  });
  const reached = reaches.some(r => r && compare(ratio, r.least) >= 0 && compare(ratio, r.most) <= 0);
  return { kind: reached ? 'limits forbid' : 'out of reach' };
}

/**
 * The trains of fewest teeth that give fractions exactly, window by window: driving and driven products are the same
 * multiple of it.
 */
function* exactTrains(
  ratios: readonly Rational[],
  source: Source,
  { target }: CountQuery,
  done: number,
): Generator<SearchProgress, Map<Rational, Candidate>> {
  const best = new Map<Rational, Candidate>();
  const farthest = Math.max(0, ...ratios.map(r => toNumber(errorSize(r, target))));
  for (let window = 0; window < source.windows; window++) {
    const lists = yield* loading(
      source.load(window, WITHOUT_LIMIT, Math.min(farthest + 1e-9, 0.999999)),
      done,
    );
    for (const ratio of ratios) {
      const found = exactTrain(ratio, lists, source.trainOf, best.get(ratio));
      if (found) best.set(ratio, found);
      yield { done };
    }
  }
  return best;
}

/** The train of fewest teeth among the lists of a window, when it has fewer than the best so far. */
function exactTrain(
  ratio: Rational,
  lists: Lists,
  trainOf: Source['trainOf'],
  before: Candidate | undefined,
): Candidate | undefined {
  let best = before;
  const [num, den] = [Number(ratio.num), Number(ratio.den)];
  const { values: left } = lists.left;
  const { values: right } = lists.right;
  if (num > (left.at(-1) ?? 0) || den > (right.at(-1) ?? 0)) return undefined;
  for (let i = 0; i < left.length; i++) {
    const value = left[i] as number;
    if (value % num !== 0) continue;
    const j = indexOf(right, (value / num) * den);
    if (j < 0) continue;
    const sums = [lists.left.sums[i] as number, lists.right.sums[j] as number] as const;
    if (best && sums[0] + sums[1] >= best.total) continue;
    if (lists.fits && !lists.fits(...sums)) continue;
    const train = trainOf(value, right[j] as number);
    if (train && (!best || train.total < best.total)) best = candidateOf(train.stages);
  }
  return best === before ? undefined : best;
}

/** Where a value stands in an ascending list; below nought when it does not. */
function indexOf(values: Float64Array, value: number): number {
  let [low, high] = [0, values.length - 1];
  while (low <= high) {
    const middle = (low + high) >>> 1;
    const at = values[middle] as number;
    if (at === value) return middle;
    if (at < value) low = middle + 1;
    else high = middle - 1;
  }
  return -1;
}
