import { compare, type Rational, toFraction, toNumber } from '../rational/index.ts';
import { fail, ok, type Result } from '../result/index.ts';
import { byTotal, byError, type Candidate, candidateOf, errorSize } from './candidate.ts';
import { type Fit, fitOf } from './fit.ts';
import { createFrontList, createTopList, DOUBT, type FrontList, type Hit, type TopList } from './hits.ts';
import { fewHalves, type Lists, productSource, type Source, stageSource, WITHOUT_LIMIT } from './lists.ts';
import { type Positions, positionsOf, reachOf } from './positions.ts';
import { checkQuery, type CountQuery } from './query.ts';
import { visitBySums } from './sums.ts';
import { visitNear } from './visit.ts';

/** Up to which error (relative) a list is proven complete: everything up to there was weighed. Infinity: all of it. */
export interface Covered {
  readonly top: number;
  readonly front: number;
}

/** What the search knows when it is done. */
export interface SearchResult {
  /** Trains that no other beats in both error and total teeth, by rising total. */
  readonly front: readonly Candidate[];
  /** The best by error, each ratio once with its least total. */
  readonly top: readonly Candidate[];
  readonly reach: { readonly least: Rational; readonly most: Rational };
  readonly outOfReach: 'below' | 'above' | undefined;
  /** Whether both lists are complete within the limits. */
  readonly proven: boolean;
  readonly covered: Covered;
}

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
 * The trains within the limits of a query, weighed exactly. A generator: it yields its progress every few milliseconds
 * of work, so that a worker can report and be stopped. Throws nothing; a query that cannot be searched comes back as a
 * problem. A target out of reach is searched from the bound of the reach, which leaves the order of the nearest alone.
 */
export function* searchCounts(query: CountQuery): Generator<SearchProgress, Result<SearchResult>> {
  const checked = checkQuery(query);
  if (!checked.ok) return checked;
  const plans = planOf(query);
  if (!plans.ok) return plans;
  const reach = widest(plans.value.map(p => reachOf(query, p.positions)));
  const outOfReach = sideOf(query.target, reach);
  const target = outOfReach === undefined ? query.target : outOfReach === 'below' ? reach.least : reach.most;
  const found: Found[] = [];
  let done = 0;
  for (const [i, plan] of plans.value.entries()) {
    const parts = searchStages(query, plan, target, reach);
    for (;;) {
      const step = parts.next();
      if (step.done) {
        found.push(step.value);
        break;
      }
      done = Math.max(done, (i + step.value.done) / plans.value.length);
      yield { ...step.value, done };
    }
  }
  const covered = {
    top: Math.min(...found.map(f => f.covered.top)),
    front: Math.min(...found.map(f => f.covered.front)),
  };
  return ok({
    front: mergeFronts(found, target),
    top: mergeTops(found, target, query.top),
    reach,
    outOfReach,
    proven: covered.top === Infinity && covered.front === Infinity,
    covered,
  });
}

interface Plan {
  readonly stages: number;
  readonly positions: Positions;
  readonly fit: Fit;
}

/** A plan for each number of stages that the limits leave counts for; a problem when they leave none at all. */
function planOf(query: CountQuery): Result<Plan[]> {
  const plans: Plan[] = [];
  let problem;
  for (const stages of [...new Set(query.stages)].sort((a, b) => a - b)) {
    if (query.coaxial !== 'none' && stages % 2 === 1) continue;
    const positions = positionsOf(query, stages);
    if (!positions.ok) problem = positions;
    else plans.push({ stages, positions: positions.value, fit: fitOf(query, stages, positions.value) });
  }
  if (plans.length > 0) return ok(plans);
  return problem ?? fail('coaxial-needs-two');
}

interface Found {
  readonly top: readonly Candidate[];
  readonly front: readonly Candidate[];
  readonly covered: Covered;
}

/** All about trains of one number of stages. */
function* searchStages(
  query: CountQuery,
  { positions, fit }: Plan,
  target: Rational,
  reach: Reach,
): Generator<SearchProgress, Found> {
  const t = toNumber(target);
  const halves = fit.coupled && fewHalves(positions, fit);
  const making = halves ? stageSource(positions, fit, t) : productSource(positions, fit, t, query.alike);
  const source = yield* loading(making, 0);
  const show = (h: Hit): Candidate => candidateOf(h.stages ?? source.trainOf(h.num, h.den)?.stages ?? []);
  const mostTotal = [...positions.driving, ...positions.driven].reduce((n, s) => n + (s.at(-1) ?? 0), 0);
  const top = createTopList(target, query.top);
  const front = createFrontList(target, mostTotal);
  const weighing: Weighing = {
    source,
    target: t,
    top,
    front,
    worst: (1 + 1e-9) * Math.max(errorOf(reach.most, target), errorOf(reach.least, target)),
    coupled: fit.coupled && !halves,
    bySums: (!fit.coupled || halves) && source.windows === 1,
    looked: 0,
    show,
  };
  const covered = {
    top: yield* findTop(weighing, query.top),
    front: query.front === false ? Infinity : yield* findFront(weighing),
  };
  return {
    top: top.best().map(show),
    front: query.front === false ? [] : front.front().map(show),
    covered,
  };
}

interface Weighing {
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
  readonly show: (hit: Hit) => Candidate;
}

const errorOf = (ratio: Rational, target: Rational): number => toNumber(errorSize(ratio, target));

function* loading<T>(job: Generator<void, T>, done: number): Generator<SearchProgress, T> {
  let step = job.next();
  for (; !step.done; step = job.next()) yield { done };
  return step.value;
}

const spent = ({ looked, coupled }: Weighing): boolean => looked > (coupled ? MOST_LOOKED : MOST_WEIGHED);

/** Widens the error until the list is full and everything at least as good was weighed; the error up to which it is proven. */
function* findTop(w: Weighing, wanted: number): Generator<SearchProgress, number> {
  let shown = 0;
  let proven = 0;
  const first = Math.min(w.worst, Math.max(1e-13, (8 * wanted) / w.source.pairs));
  for (let error = first; ; error = Math.min(w.worst, error * 32)) {
    const limit = (): number => Math.min(error, w.top.threshold());
    for (let window = 0; window < w.source.windows; window++) {
      const lists = yield* loading(
        w.source.load(window, WITHOUT_LIMIT, error),
        window / w.source.windows / 3,
      );
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
        if (!hit) return;
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
 * by total. Returns the error up to which the front is proven.
 */
function* findFront(w: Weighing): Generator<SearchProgress, number> {
  const [best] = w.top.best();
  if (!best) return spent(w) ? 0 : Infinity;
  let total = best.total;
  let error = Math.abs(best.num / best.den / w.target - 1);
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
    error = Math.min(w.worst, Math.max(4 * error, 1e-12));
    const limit = (): number => error + DOUBT;
    for (let window = 0; window < w.source.windows; window++) {
      const lists = yield* loading(w.source.load(window, total, error), 0.5);
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

function mergeTops(found: readonly Found[], target: Rational, top: number): Candidate[] {
  const best = new Map<string, Candidate>();
  for (const c of found.flatMap(f => f.top)) {
    const known = best.get(toFraction(c.ratio));
    if (!known || byTotal(c, known) < 0) best.set(toFraction(c.ratio), c);
  }
  return [...best.values()].sort(byError(target)).slice(0, top);
}

function mergeFronts(found: readonly Found[], target: Rational): Candidate[] {
  const order = byError(target);
  const all = found.flatMap(f => f.front).sort((a, b) => a.total - b.total || order(a, b) || byTotal(a, b));
  const front: Candidate[] = [];
  for (const c of all) {
    const last = front.at(-1);
    if (!last || compare(errorSize(c.ratio, target), errorSize(last.ratio, target)) < 0) front.push(c);
  }
  return front;
}

interface Reach {
  readonly least: Rational;
  readonly most: Rational;
}

function widest(all: readonly Reach[]): Reach {
  return all.reduce((a, b) => ({
    least: compare(a.least, b.least) <= 0 ? a.least : b.least,
    most: compare(a.most, b.most) >= 0 ? a.most : b.most,
  }));
}

function sideOf(target: Rational, reach: Reach): 'below' | 'above' | undefined {
  if (compare(target, reach.least) < 0) return 'below';
  return compare(target, reach.most) > 0 ? 'above' : undefined;
}
