import { type Rational, toNumber } from '../rational/index.ts';
import { ok, type Result } from '../result/index.ts';
import { type Candidate, pairStages } from './candidate.ts';
import { type Collector, createCollector } from './collector.ts';
import { checkQuery, type CountQuery, IDLER_ROOM, outOfReach, reach, searchTarget } from './query.ts';

/** What the search knows when it is done. Front and top are complete and exact within the limits. */
export interface SearchResult {
  /** Trains that no other beats in both error and total teeth, by rising total. */
  readonly front: readonly Candidate[];
  /** The best by error, each ratio once with its least total. */
  readonly top: readonly Candidate[];
  readonly reach: { readonly least: Rational; readonly most: Rational };
  readonly outOfReach: 'below' | 'above' | undefined;
  readonly proven: true;
}

/** Part of the work that is done, from 0 to 1. */
export interface SearchProgress {
  readonly done: number;
}

/**
 * All trains of one or two stages within the limits, weighed exactly. A generator: it yields its progress every few
 * milliseconds of work, so that a worker can report and be stopped. Throws nothing; a query that cannot be searched
 * comes back as a problem.
 */
export function* searchCounts(query: CountQuery): Generator<SearchProgress, Result<SearchResult>> {
  const checked = checkQuery(query);
  if (!checked.ok) return checked;
  const target = searchTarget(query);
  const collector = createCollector(target, 4 * query.most, query.top);
  if (query.stages.includes(1) && query.coaxial === 'none') oneStage(query, target, collector);
  if (query.stages.includes(2)) {
    if (query.coaxial === 'none') {
      yield* bestOfProducts(query, target, collector);
      yield* bestBySums(query, target, collector);
    } else yield* sharedCentres(query, target, collector);
  }
  return ok({
    front: collector.front(),
    top: collector.top(),
    reach: reach(query),
    outOfReach: outOfReach(query),
    proven: true,
  });
}

function oneStage({ least, most }: CountQuery, target: Rational, collector: Collector): void {
  const t = toNumber(target);
  for (let driving = least; driving <= most; driving++) {
    for (let driven = least; driven <= most; driven++) {
      const error = Math.abs(driving / driven / t - 1);
      if (collector.wants(error, driving + driven)) collector.offer(error, [{ driving, driven }]);
    }
  }
}

interface Product {
  readonly value: number;
  readonly a: number;
  readonly b: number;
}

/** Products of two counts with a given sum, ascending in value. */
function productsOfSum(least: number, most: number, sum: number): Product[] {
  const found: Product[] = [];
  for (let a = Math.max(least, sum - most); 2 * a <= sum; a++)
    found.push({ value: a * (sum - a), a, b: sum - a });
  return found;
}

/** For every pair of sums, the driven product nearest to each driving product over the target: nothing else can be best for that total. */
function* bestBySums(query: CountQuery, target: Rational, collector: Collector): Generator<SearchProgress> {
  const { least, most } = query;
  const t = toNumber(target);
  const lists = [];
  for (let sum = 2 * least; sum <= 2 * most; sum++)
    lists.push({ sum, products: productsOfSum(least, most, sum) });
  for (const [i, driving] of lists.entries()) {
    for (const driven of lists)
      nearestPairs(driving.products, driven.products, t, driving.sum + driven.sum, collector);
    if (i % 4 === 3) yield { done: 0.4 + (0.6 * i) / lists.length };
  }
}

function nearestPairs(
  driving: Product[],
  driven: Product[],
  t: number,
  total: number,
  collector: Collector,
): void {
  let j = 0;
  for (const p of driving) {
    while (j < driven.length && (driven[j] as Product).value * t < p.value) j++;
    for (let k = Math.max(0, j - 2); k <= j + 1 && k < driven.length; k++) {
      const q = driven[k] as Product;
      const error = Math.abs(p.value / q.value / t - 1);
      if (collector.wants(error, total)) collector.offer(error, pairStages([p.a, p.b], [q.a, q.b]));
    }
  }
}

/** Every distinct product with the factors of least sum, ascending. */
function distinctProducts({ least, most }: CountQuery): Product[] {
  const best = new Map<number, Product>();
  for (let a = least; a <= most; a++) {
    for (let b = a; b <= most; b++) {
      const value = a * b;
      const known = best.get(value);
      if (!known || a + b < known.a + known.b) best.set(value, { value, a, b });
    }
  }
  return [...best.values()].sort((x, y) => x.value - y.value);
}

/** The best by error: from every driving product outwards in both directions for as long as the error can still matter. */
function* bestOfProducts(
  query: CountQuery,
  target: Rational,
  collector: Collector,
): Generator<SearchProgress> {
  const t = toNumber(target);
  const products = distinctProducts(query);
  let j = 0;
  for (const [i, p] of products.entries()) {
    while (j < products.length && (products[j] as Product).value * t < p.value) j++;
    const look = (k: number): boolean => {
      const q = products[k];
      if (!q) return false;
      const error = Math.abs(p.value / q.value / t - 1);
      if (error > collector.threshold()) return false;
      collector.offer(error, pairStages([p.a, p.b], [q.a, q.b]));
      return true;
    };
    for (let k = j; look(k); k++);
    for (let k = j - 1; look(k); k--);
    if (i % 256 === 255) yield { done: (0.4 * i) / products.length };
  }
}

/** Two stages between the same two axes: every pair of stages whose tooth sums allow it. */
function* sharedCentres(
  query: CountQuery,
  target: Rational,
  collector: Collector,
): Generator<SearchProgress> {
  const { least, most } = query;
  const t = toNumber(target);
  const sums = 2 * most - 2 * least + 1;
  for (let s1 = 2 * least; s1 <= 2 * most; s1++) {
    const last = query.coaxial === 'equal sums' ? s1 : s1 - IDLER_ROOM;
    for (let s2 = query.coaxial === 'equal sums' ? s1 : 2 * least; s2 <= last; s2++) {
      stagePairs(least, most, s1, s2, t, collector);
      if (s2 % 16 === 0) yield { done: ((s1 - 2 * least) / sums) ** 2 };
    }
  }
}

function stagePairs(
  least: number,
  most: number,
  s1: number,
  s2: number,
  t: number,
  collector: Collector,
): void {
  const total = s1 + s2;
  for (let a = Math.max(least, s1 - most); a <= Math.min(most, s1 - least); a++) {
    const first = a / (s1 - a) / t;
    const from = s1 === s2 ? a : Math.max(least, s2 - most);
    for (let c = from; c <= Math.min(most, s2 - least); c++) {
      const error = Math.abs((first * c) / (s2 - c) - 1);
      if (collector.wants(error, total)) {
        const stages = [
          { driving: a, driven: s1 - a },
          { driving: c, driven: s2 - c },
        ];
        collector.offer(error, stages);
      }
    }
  }
}
