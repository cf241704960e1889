import { compare, type Rational, toNumber } from '../../ground/rational/index.ts';
import { byCompactness, candidateOf, errorSize, pairings, type Candidate, type Stage } from './candidate.ts';
import { fitOf, type Fit } from './fit.ts';
import { type Positions, positionsOf } from './positions.ts';
import type { CountQuery } from './query.ts';
import type { SearchProgress } from './weigh.ts';

/**
 * How often each of several different counts drives (+) or is driven (−), once common factors are struck out; nought
 * for one that does both and cancels, which only limits on single stages can ask for.
 */
type Pattern = readonly number[];

/** What the search for few different counts knows when it is done. */
export interface FewCounts {
  readonly best?: Candidate;
  readonly different?: number;
  /** Whether no train within the limits and the error gets by with fewer. */
  readonly proven: boolean;
}

/** Trains weighed before the search for few different counts is cut short. */
const MOST_WEIGHED = 4e8;

/** Different counts among the wheels of a train: what has to be cut, or what cutters and patterns are needed. */
export const differentCounts = (stages: readonly Stage[]): number =>
  new Set(stages.flatMap(s => [s.driving, s.driven])).size;

/**
 * The train with fewest different counts whose error is at most `error` (relative); of those with equally few the most
 * accurate. Tries every choice of two, three… counts, each as often as the stages allow; the last count of a choice is
 * computed from the others. Yields its progress.
 */
export function* fewestDifferent(query: CountQuery, error: number): Generator<SearchProgress, FewCounts> {
  const plans = query.stages.flatMap(stages => {
    const positions = positionsOf(query, stages);
    if (!positions.ok || (query.coaxial !== 'none' && stages % 2 === 1)) return [];
    return [{ stages, positions: positions.value, fit: fitOf(query, stages, positions.value) }];
  });
  const deepest = Math.max(0, ...plans.map(p => p.stages));
  const state: State = { query, error, weighed: 0, best: undefined, least: Infinity };
  for (let different = 1; different <= 2 * deepest; different++) {
    for (const plan of plans) {
      const counts = [...new Set([...plan.positions.driving, ...plan.positions.driven].flat())].sort(
        (a, b) => a - b,
      );
      for (const pattern of patterns(different, plan.stages, cancelling(plan))) {
        yield* tryPattern(state, plan, counts, pattern);
        if (state.weighed > MOST_WEIGHED) return { ...found(state), proven: false };
      }
    }
    if (state.best) return { ...found(state), proven: true };
  }
  return { proven: true };
}

const found = ({ best }: State): Pick<FewCounts, 'best' | 'different'> =>
  best ? { best: candidateOf(best), different: differentCounts(best) } : {};

interface Plan {
  readonly stages: number;
  readonly positions: Positions;
  readonly fit: Fit;
}

interface State {
  readonly query: CountQuery;
  readonly error: number;
  weighed: number;
  best: Stage[] | undefined;
  least: number;
}

/**
 * Every pattern of so many counts in trains of so many stages: as many driving as driven, in a settled order, with
 * counts that cancel where asked. A single count can only drive itself, which is the pattern [0].
 */
export function patterns(different: number, stages: number, cancel = false): Pattern[] {
  if (different === 1) return [[0]];
  const all: Pattern[] = [];
  const go = (chosen: number[], up: number, down: number): void => {
    if (chosen.length === different) {
      if (up === down) all.push(chosen);
      return;
    }
    for (let e = chosen.at(-1) ?? stages; e >= -stages; e--) {
      if (e > 0 && up + e <= stages) go([...chosen, e], up + e, down);
      if (e === 0 && cancel && up < stages) go([...chosen, e], up + 1, down + 1);
      if (e < 0 && down - e <= stages) go([...chosen, e], up, down - e);
    }
  };
  go([], 0, 0);
  // Without limits a train of counts that only cancel is one of a single count.
  return all.filter(p => p.some(e => e !== 0) || cancel);
}

/** Whether a limit on single stages, or ranges of their own, may need a count that drives here and is driven there. */
const cancelling = ({ positions, fit }: Plan): boolean =>
  fit.limited || [...positions.driving, ...positions.driven].some(s => s !== positions.driving[0]);

/** Weighs every choice of counts for a pattern; the last one is solved for. */
function* tryPattern(
  state: State,
  plan: Plan,
  counts: readonly number[],
  pattern: Pattern,
): Generator<SearchProgress> {
  const target = toNumber(state.query.target);
  const last = pattern.at(-1) ?? 0;
  if (last === 0) {
    for (const chosen of choices(counts, pattern.length)) {
      state.weighed += 1;
      offer(state, plan, pattern, chosen);
    }
    return;
  }
  const allowed = new Set(counts);
  const most = counts.at(-1) ?? 0;
  /** How far a count may be from exact, relative: 1/(1 − e) is farther from 1 than 1 + e. */
  const widest = state.error < 0.99 ? (1.01 * state.error) / (1 - state.error) + 1e-12 : 100;
  const chosen: number[] = [];
  const solve = (value: number): void => {
    state.weighed += 1;
    const exact = (target / value) ** (1 / last);
    const slack = exact * widest;
    if (exact + slack < (counts[0] ?? 0)) return;
    for (let n = Math.ceil(exact - slack); n <= exact + slack && n <= most; n++)
      if (allowed.has(n) && !chosen.includes(n)) offer(state, plan, pattern, [...chosen, n]);
  };
  const go = (at: number, value: number): void => {
    if (at >= pattern.length - 1) return solve(value);
    const e = pattern[at] as number;
    const above = pattern[at - 1] === e ? (chosen[at - 1] as number) : 0;
    for (const n of counts) {
      if (n <= above || chosen.includes(n)) continue;
      chosen.push(n);
      go(at + 1, value * n ** e);
      chosen.pop();
    }
  };
  for (const n of counts) {
    chosen.push(n);
    go(1, n ** (pattern[0] as number));
    chosen.pop();
    yield { done: Math.min(0.99, state.weighed / MOST_WEIGHED) };
    if (state.weighed > MOST_WEIGHED) return;
  }
}

const onSide = ({ side, target }: CountQuery, ratio: Rational): boolean =>
  !side || compare(ratio, target) * (side === 'below' ? 1 : -1) <= 0;

/** Offers a choice of counts when its error is small enough and the limits allow a train of it. */
function offer(state: State, plan: Plan, pattern: Pattern, counts: readonly number[]): void {
  const driving = counts.flatMap((n, i) => Array<number>(Math.max(0, pattern[i] as number)).fill(n));
  const driven = counts.flatMap((n, i) => Array<number>(Math.max(0, -(pattern[i] as number))).fill(n));
  const ratio = candidateOf(driving.map((d, i) => ({ driving: d, driven: driven[i] as number }))).ratio;
  const error = toNumber(errorSize(ratio, state.query.target));
  if (error > state.error || error > state.least || !onSide(state.query, ratio)) return;
  const both = counts.filter((_, i) => pattern[i] === 0);
  const stages = arrange(plan, driving, driven, counts, both);
  if (!stages) return;
  if (error === state.least && state.best && byCompactness(stages, state.best) >= 0) return;
  state.least = error;
  state.best = stages;
}

/**
 * The counts as stages; stages that are left over have one count on both sides: each of `both` once at least, the rest
 * any of the counts.
 */
function arrange(
  { stages: k, positions, fit }: Plan,
  driving: readonly number[],
  driven: readonly number[],
  counts: readonly number[],
  both: readonly number[],
): Stage[] | undefined {
  const free = k - driving.length - both.length;
  if (free < 0) return undefined;
  const fills = [...repeated(counts, free)].map(more => [...both, ...more]);
  for (const fill of fills) {
    const fits = pairings([...driving, ...fill], [...driven, ...fill], fit.ordered).filter(
      stages =>
        stages.every(
          (s, i) =>
            positions.driving[i]?.includes(s.driving) &&
            positions.driven[i]?.includes(s.driven) &&
            fit.stage(s, i),
        ) && fit.train(stages),
    );
    const best = fits.sort(byCompactness)[0];
    if (best) return best;
  }
  return undefined;
}

/** Every choice of so many different ones, in order. */
function* choices(of: readonly number[], many: number, from = 0): Generator<number[]> {
  if (many === 0) yield [];
  else
    for (let i = from; i < of.length; i++)
      for (const rest of choices(of, many - 1, i + 1)) yield [of[i] as number, ...rest];
}

/** Every choice of so many that may be alike, in order. */
function* repeated(of: readonly number[], many: number, from = 0): Generator<number[]> {
  if (many === 0) yield [];
  else
    for (let i = from; i < of.length; i++)
      for (const rest of repeated(of, many - 1, i)) yield [of[i] as number, ...rest];
}
