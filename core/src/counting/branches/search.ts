import type { Stage } from '../search/index.ts';
import { compare, toNumber } from '../../ground/rational/index.ts';
import { ok, type Result } from '../../ground/result/index.ts';
import { comparePlans, costOf, planOf } from './plan.ts';
import { beyondReach, type BranchPlan, type BranchQuery, type BranchResult, checkBranches } from './query.ts';
import { firstFrom, oneMesh, type Ratios, stagesOf, twoMeshes } from './ratios.ts';

/** Part of the work that is done, from 0 to 1, and the best plan so far when it is new. */
export interface BranchProgress {
  readonly done: number;
  readonly plan?: BranchPlan;
}

/** Choices that are tried before the search is cut short. */
const MOST_TRIED = 1e9;
/** Errors are looked for up to a tenth of these, then up to the next, until there is a plan. */
const LEVELS = [1e-8, 1e-7, 1e-6, 1e-5, 1e-4, 1e-3, 1e-2, 0.1, 0.5];
/** Bounds are widened by this, so that rounding never hides a plan; exact figures decide in the end. */
const SLACK = 1e-11;

/**
 * The best way to drive all outputs over one centre distance. Branch and bound over every tooth sum: an output's ratio
 * must lie in the window that the bound leaves, which an ascending list of all ratios gives at once. Yields its
 * progress.
 * The answer is proven unless the work was cut short; no plan means that there is none (with an error up to one half).
 */
export function* searchBranches(query: BranchQuery): Generator<BranchProgress, Result<BranchResult>> {
  const checked = checkBranches(query);
  if (!checked.ok) return checked;
  const beyond = beyondReach(query);
  if (beyond) return ok({ proven: true, beyond, coveredTo: query.mostSum });
  const state: State = {
    query,
    wanted: query.outputs.map(o => toNumber(o.rate)),
    bound: Infinity,
    worst: Infinity,
    tried: 0,
    rest: 0,
    known: new Map(),
    used: new Uint16Array(query.mostSum + 1),
    different: 0,
    choice: [],
    best: undefined,
  };
  const levels = query.objective === 'different counts' ? countLevels(query) : errorLevels(state);
  for (const [i, bound] of levels.entries()) {
    state.bound = bound;
    let shown = state.best;
    for (let sum = query.leastSum; sum <= query.mostSum; sum++) {
      for (const _ of searchSum(state, sum)) {
        yield { done: (i + (sum - query.leastSum) / (query.mostSum - query.leastSum + 1)) / levels.length };
        if (state.tried > MOST_TRIED) return ok(resultOf(state, sum - 1, false));
      }
      if (state.best !== shown && state.best) yield { done: (i + 0.5) / levels.length, plan: state.best };
      shown = state.best;
    }
    if (state.best) break;
  }
  return ok(resultOf(state, query.mostSum, true));
}

const resultOf = ({ best }: State, coveredTo: number, proven: boolean): BranchResult => ({
  ...(best && { plan: best }),
  proven,
  coveredTo,
});

interface State {
  readonly query: BranchQuery;
  readonly wanted: readonly number[];
  /** A plan must be better than this to count: an error, or with different counts their number. */
  bound: number;
  /** The worst error of the best plan with equally few different counts. */
  worst: number;
  tried: number;
  /** The number of choices at which it pauses next. */
  rest: number;
  readonly known: Map<number, Ratios>;
  /** How often each count is used by the choice so far, and how many counts that are. */
  readonly used: Uint16Array;
  different: number;
  readonly choice: { from: number | undefined; i: number; reached: number; rate: number }[];
  best: BranchPlan | undefined;
}

const countLevels = (query: BranchQuery): number[] =>
  Array.from({ length: 4 * query.outputs.length + 2 }, (_, i) => i + 1);

/** For drift the levels are in turns of the fastest output. */
const errorLevels = ({ query, wanted }: State): number[] =>
  query.objective === 'worst drift' ? LEVELS.map(l => l * Math.max(...wanted)) : LEVELS;

/** Everything at one tooth sum. */
function* searchSum(state: State, sum: number): Generator<void> {
  const { query } = state;
  const ratios = ratiosOf(state, sum);
  if (ratios.values.length === 0) return;
  for (const first of firstMeshes(query, sum)) {
    const base = first ? first.driving / first.driven : 1;
    const shared = first ? [first.driving, first.driven] : [];
    for (const n of shared) use(state, n, 1);
    if (fewEnough(state)) yield* tryOutput({ state, sum, ratios, first, base }, 0);
    for (const n of shared) use(state, n, -1);
    yield;
  }
}

/** The ratios at a tooth sum; they are made once. */
function ratiosOf({ query, known }: State, sum: number): Ratios {
  const { school, least, most } = query;
  const made = known.get(sum) ?? (school === 'lay arbor' ? oneMesh : twoMeshes)(sum, least, most);
  known.set(sum, made);
  return made;
}

/**
 * The mesh that turns a lay arbor. With a free drive its ratio does not matter, unless its counts do: then the one
 * nearest to 1 : 1 stands for all.
 */
function firstMeshes(query: BranchQuery, sum: number): (Stage | undefined)[] {
  if (query.school !== 'lay arbor') return [undefined];
  const { first } = oneMesh(sum, query.least, query.most);
  const all = Array.from(first, a => ({ driving: a, driven: sum - a }));
  if (query.drive === 'given' || query.objective === 'different counts') return all;
  return all.filter(s => s.driving === Math.floor(sum / 2));
}

/** What stays the same while one tooth sum is tried. */
interface Frame {
  readonly state: State;
  readonly sum: number;
  readonly ratios: Ratios;
  readonly first: Stage | undefined;
  readonly base: number;
}

/** Outputs whose choices may be interrupted; those after them are tried in one go. */
const INTERRUPTED = 2;
/** Choices between two pauses. */
const PAUSE = 20000;

/** Tries every ratio in its window for one output, from every arbor that may drive it, and everything after it. */
function* tryOutput(frame: Frame, at: number): Generator<void> {
  const { state } = frame;
  const deeper = at + 1 < INTERRUPTED && at + 1 < state.wanted.length;
  for (const from of sourcesOf(state.query, at)) {
    const [begin, end] = range(frame, at, from);
    for (let i = begin; i < end; i++) {
      if (!choose(frame, at, from, i)) continue;
      if (deeper) yield* tryOutput(frame, at + 1);
      else tryRest(frame, at + 1);
      drop(frame);
      if (state.tried < state.rest) continue;
      state.rest = state.tried + PAUSE;
      yield;
    }
  }
}

/** As tryOutput, in one go; a complete choice is weighed. */
function tryRest(frame: Frame, at: number): void {
  const { state } = frame;
  if (at === state.wanted.length) return weigh(frame);
  for (const from of sourcesOf(state.query, at)) {
    const [begin, end] = range(frame, at, from);
    for (let i = begin; i < end; i++) {
      if (!choose(frame, at, from, i)) continue;
      tryRest(frame, at + 1);
      drop(frame);
    }
  }
}

/** The entries within the window of an output that is driven from that arbor: from the first to before the second. */
function range({ state, ratios, base, sum }: Frame, at: number, from: number | undefined): [number, number] {
  const { values } = ratios;
  if (at === 0 && anyFirst(state.query)) {
    const i = Math.min(values.length - 1, firstFrom(values, 1 - 2 / sum));
    return [i, i + 1];
  }
  const [low, high] = window(state, at);
  const scale = (state.wanted[at] as number) / before(state, from, base);
  const begin = firstFrom(values, low * scale);
  let end = begin;
  while (end < values.length && (values[end] as number) <= high * scale) end++;
  return [begin, end];
}

const before = (state: State, from: number | undefined, base: number): number =>
  from === undefined ? base : (state.choice[from]?.rate ?? 1);

/**
 * In a cascade from a free drive the first ratio only sets the speed: any will do, so one near 1 : 1 stands for
 * all.
 */
const anyFirst = ({ school, drive, objective }: BranchQuery): boolean =>
  school === 'cascade' && drive === 'free' && objective !== 'different counts';

/** Takes a choice on when it may still lead to a better plan. */
function choose(frame: Frame, at: number, from: number | undefined, i: number): boolean {
  const { state, ratios, base } = frame;
  state.tried += 1;
  const rate = (ratios.values[i] as number) * before(state, from, base);
  const reached = rate / (state.wanted[at] as number);
  const [low, high] = window(state, at);
  if (reached < low || reached > high) return false;
  useEntry(frame, i, 1);
  if (!fewEnough(state)) {
    useEntry(frame, i, -1);
    return false;
  }
  state.choice.push({ from, i, reached, rate });
  return true;
}

function drop(frame: Frame): void {
  const last = frame.state.choice.pop();
  if (last) useEntry(frame, last.i, -1);
}

function useEntry({ state, ratios, sum }: Frame, i: number, by: 1 | -1): void {
  const [a, c] = [ratios.first[i] as number, ratios.second[i] as number];
  use(state, a, by);
  use(state, sum - a, by);
  if (c === 0) return;
  use(state, c, by);
  use(state, sum - c, by);
}

function sourcesOf({ school }: BranchQuery, at: number): (number | undefined)[] {
  if (school === 'cascade') return [at === 0 ? undefined : at - 1];
  if (school === 'mixed') return [undefined, ...Array.from({ length: at }, (_, i) => i)];
  return [undefined];
}

/**
 * Between which parts of the wanted rate an output must be for its plan to count: round 1 for a given drive; for a free
 * one wherever the spread with those chosen stays small, see planOf.
 */
function window(state: State, at: number): [number, number] {
  const { query, choice } = state;
  const e = query.objective === 'different counts' ? toError(query) : state.bound;
  if (query.drive === 'given') {
    const room =
      query.objective === 'worst drift'
        ? e / (state.wanted[at] as number)
        : query.objective === 'sum of errors'
          ? e - choice.reduce((n, c) => n + Math.abs(c.reached - 1), 0)
          : e;
    return [1 - room - SLACK, 1 + room + SLACK];
  }
  if (choice.length === 0) return [0, Infinity];
  let [least, greatest] = [Infinity, 0];
  for (const c of choice) {
    if (c.reached < least) least = c.reached;
    if (c.reached > greatest) greatest = c.reached;
  }
  const spread =
    query.objective === 'sum of errors' ? 1 / Math.max(1e-9, 1 - e) : (1 + e) / Math.max(1e-9, 1 - e);
  return [(greatest / spread) * (1 - SLACK), least * spread * (1 + SLACK)];
}

const toError = ({ error }: BranchQuery): number => (error ? toNumber(error) : Infinity);

function use(state: State, count: number, by: 1 | -1): void {
  const now = (state.used[count] as number) + by;
  state.used[count] = now;
  if (by === 1 && now === 1) state.different += 1;
  if (by === -1 && now === 0) state.different -= 1;
}

const fewEnough = ({ query, different, bound }: State): boolean =>
  query.objective !== 'different counts' || different <= bound;

/** Weighs a complete choice; in doubles first, exactly when it may be the best. */
function weigh({ state, sum, first, ratios }: Frame): void {
  const { query } = state;
  if (query.objective === 'different counts' && state.best && state.different >= state.best.different) {
    if (state.different > state.best.different || roughWorst(state) > state.worst * (1 + 1e-9)) return;
  }
  const choice = state.choice.map(({ from, i }) => ({ from, stages: stagesOf(ratios, i, sum) }));
  const plan = planOf(query, sum, choice, first);
  if (query.objective === 'different counts' && query.error && compare(plan.worst, query.error) > 0) return;
  if (state.best && comparePlans(query, plan, state.best) >= 0) return;
  state.best = plan;
  state.worst = toNumber(plan.worst);
  const cost = toNumber(costOf(query, plan)[0]);
  if (query.objective !== 'different counts') state.bound = Math.min(state.bound, cost);
}

function roughWorst({ query, choice }: State): number {
  const reached = choice.map(c => c.reached);
  const [least, greatest] = [Math.min(...reached), Math.max(...reached)];
  if (query.drive === 'given') return Math.max(Math.abs(least - 1), Math.abs(greatest - 1));
  return (greatest - least) / (greatest + least);
}
