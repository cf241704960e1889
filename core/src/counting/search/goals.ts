import { compare, type Rational, toNumber } from '../../ground/rational/index.ts';
import { type Candidate, errorSize } from './candidate.ts';
import { fewestDifferent } from './different.ts';
import { positionsOf } from './positions.ts';
import type { CountQuery } from './query.ts';
import { searchCounts } from './search.ts';
import type { SearchProgress } from './weigh.ts';

/** What may be least, besides error and teeth, among the trains that are accurate enough. */
export type Goal = 'wheels' | 'arbors' | 'largest wheel' | 'different counts';
export const GOALS: readonly Goal[] = ['wheels', 'arbors', 'largest wheel', 'different counts'];

/** The least that was found for a goal, and whether nothing within the limits is less. */
export interface GoalResult {
  readonly goal: Goal;
  readonly best?: Candidate;
  readonly value?: number;
  readonly proven: boolean;
}

/** A sense that must be met by an idler where the number of stages does not give it. */
export type Sense = 'with the drive' | 'against the drive' | 'either';

/** Wheels and arbors of a train of so many stages, the drive's own arbor and an idler included. */
export function partsOf(stages: number, sense: Sense): { wheels: number; arbors: number } {
  const idler = sense !== 'either' && (stages % 2 === 0) !== (sense === 'with the drive') ? 1 : 0;
  return { wheels: 2 * stages + idler, arbors: stages + 1 + idler };
}

/**
 * For every goal the train that serves it best among those whose error is at most `error` (relative, exact). Yields its
 * progress. Wheels, arbors and the largest wheel are proven as far as the searches behind them are; different
 * counts as far as `fewestDifferent` gets.
 */
export function* searchGoals(
  query: CountQuery,
  error: Rational,
  sense: Sense,
): Generator<SearchProgress, GoalResult[]> {
  const within = (c: Candidate | undefined): c is Candidate =>
    c !== undefined && compare(errorSize(c.ratio, query.target), error) <= 0;
  const byStages: { stages: number; best: Candidate }[] = [];
  let complete = true;
  for (const stages of [...query.stages].sort((a, b) => a - b)) {
    const { best, proven } = yield* bestOf({ ...query, stages: [stages] }, 0.1);
    if (within(best)) byStages.push({ stages, best });
    else complete &&= proven;
  }
  const parts = (goal: 'wheels' | 'arbors'): GoalResult => {
    const ranked = byStages
      .map(b => ({ ...b, value: partsOf(b.stages, sense)[goal] }))
      .sort((a, b) => a.value - b.value || a.stages - b.stages);
    const first = ranked[0];
    return { goal, proven: complete, ...(first && { best: first.best, value: first.value }) };
  };
  const results = [parts('wheels'), parts('arbors')];
  if (byStages.length === 0) return GOALS.map(goal => ({ goal, proven: complete }));
  results.push(yield* smallestLargest(query, within));
  const few = yield* fewestDifferent(query, toNumber(error));
  const { best, different: value } = few;
  results.push({
    goal: 'different counts',
    proven: few.proven,
    ...(best && { best }),
    ...(value !== undefined && { value }),
  });
  return results;
}

/** The largest wheel of trains that are accurate enough, as small as can be: by halving the range of its count. */
function* smallestLargest(
  query: CountQuery,
  within: (c: Candidate | undefined) => c is Candidate,
): Generator<SearchProgress, GoalResult> {
  const first = yield* bestOf(query, 0.2);
  let { best } = first;
  let proven = true;
  if (!within(best)) return { goal: 'largest wheel', proven: first.proven };
  let [low, high] = [smallestMost(query), largestCount(best)];
  while (low < high) {
    const middle = Math.floor((low + high) / 2);
    const tried = yield* bestOf({ ...query, most: middle, ...capped(query, middle) }, 0.3);
    if (within(tried.best)) {
      best = tried.best;
      high = largestCount(best);
    } else {
      low = middle + 1;
      proven &&= tried.proven;
    }
  }
  return { goal: 'largest wheel', best, value: largestCount(best), proven };
}

/** The least value of the upper limit that leaves every position of some train a count. */
function smallestMost(query: CountQuery): number {
  const tops = query.stages.flatMap(stages => {
    const positions = positionsOf(query, stages);
    return positions.ok
      ? [Math.max(...[...positions.value.driving, ...positions.value.driven].map(s => s[0] ?? 0))]
      : [];
  });
  return Math.min(...tops);
}

/** Limits by position, none above `most`; given wheels stay. */
function capped(query: CountQuery, most: number): Pick<CountQuery, 'positions'> {
  if (!query.positions) return {};
  const cap = (l: { least: number; most: number } | undefined): typeof l =>
    l && (l.least === l.most ? l : { least: l.least, most: Math.max(l.least, Math.min(l.most, most)) });
  return {
    positions: query.positions.map(p => ({
      ...(p.driving && { driving: cap(p.driving) as { least: number; most: number } }),
      ...(p.driven && { driven: cap(p.driven) as { least: number; most: number } }),
    })),
  };
}

const largestCount = (c: Candidate): number => Math.max(...c.stages.flatMap(s => [s.driving, s.driven]));

/** The best by error; not proven when the search was cut short. Limits that cannot be met are proven to give none. */
function* bestOf(
  query: CountQuery,
  done: number,
): Generator<SearchProgress, { best: Candidate | undefined; proven: boolean }> {
  const job = searchCounts({ ...query, top: 1, front: false });
  let step = job.next();
  for (; !step.done; step = job.next()) yield { done };
  return step.value.ok
    ? { best: step.value.value.top[0], proven: step.value.value.proven }
    : { best: undefined, proven: true };
}
