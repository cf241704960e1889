import { compare, type Rational, toFraction, toNumber } from '../../ground/rational/index.ts';
import { fail, ok, type Result } from '../../ground/result/index.ts';
import { byTotal, byError, type Candidate, candidateOf, errorSize } from './candidate.ts';
import { type Fit, fitOf } from './fit.ts';
import { createFrontList, createTopList, type Hit } from './hits.ts';
import { fewHalves, stageSource } from './halves.ts';
import { productSource } from './lists.ts';
import { type Positions, positionsOf, reachOf } from './positions.ts';
import { checkQuery, type CountQuery } from './query.ts';
import {
  errorOf,
  findFront,
  findTop,
  loading,
  type SearchProgress,
  sideTest,
  type Weighing,
} from './weigh.ts';

/**
 * Up to which error (relative) a list is proven complete: everything up to there was weighed. Infinity: all of it. With
 * four stages and limits that tie their counts the front reaches only as far as the best by error.
 */
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
  /** Whether the best by error are complete within the limits; how far the front is, `covered` says. */
  readonly proven: boolean;
  readonly covered: Covered;
}

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
    proven: covered.top === Infinity,
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
  const narrow = query.coaxial !== 'none' || query.centre !== undefined || positions.driving.length <= 2;
  const halves = fit.coupled && narrow && fewHalves(positions, fit);
  const making = halves ? stageSource(positions, fit, t) : productSource(positions, fit, t, query);
  const source = yield* loading(making, 0);
  const show = (h: Hit): Candidate => candidateOf(h.stages ?? source.trainOf(h.num, h.den)?.stages ?? []);
  const mostTotal = [...positions.driving, ...positions.driven].reduce((n, s) => n + (s.at(-1) ?? 0), 0);
  /** With an exact total the front is the best train alone. */
  const withFront = query.front !== false && query.exactTotal === undefined;
  const top = createTopList(target, query.top);
  const front = createFrontList(target, mostTotal);
  const weighing: Weighing = {
    source,
    target: t,
    top,
    front,
    worst: (1 + 1e-9) * Math.max(errorOf(reach.most, target), errorOf(reach.least, target)),
    coupled: (fit.coupled && !halves) || (query.exactTotal !== undefined && source.windows > 1),
    bySums: (!fit.coupled || halves) && source.windows === 1,
    looked: 0,
    made: 0,
    show,
    onSide: sideTest(query.side, query.target),
  };
  const covered = { top: yield* findTop(weighing, query.top), front: Infinity };
  if (withFront && fit.coupled && positions.driving.length > 3) covered.front = top.threshold();
  else if (withFront) covered.front = yield* findFront(weighing, covered.top);
  const proven = (c: Candidate): boolean => toNumber(errorSize(c.ratio, target)) <= covered.front;
  return {
    top: top.best().map(show),
    front: query.front === false ? [] : front.front().map(show).filter(proven),
    covered,
  };
}

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
