import type { Stage } from '../search/index.ts';
import { compare, toNumber } from '../../ground/rational/index.ts';
import { ok, type Result } from '../../ground/result/index.ts';
import { allDriven, couplesOf, firstOrder, nextOf, ordersMatter, sourcesOf } from './orders.ts';
import { comparePlans, costOf, planOf } from './plan.ts';
import { beyondReach, type BranchPlan, type BranchQuery, type BranchResult, checkBranches } from './query.ts';
import { firstFrom, oneMesh, type Ratios, stagesOf, twoMeshes } from './ratios.ts';
import { allowedSoFar, counting, type State, toError, use } from './state.ts';

/** Part of the work that is done, from 0 to 1, and the best plan so far when it is new. */
export interface BranchProgress {
  readonly done: number;
  readonly plan?: BranchPlan;
}

/** Choices, and windows for them, that are tried before the search is cut short: in the order listed; in all orders. */
const MOST_TRIED = { listed: 3e7, all: 8e7 };
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
    total: Infinity,
    tried: 0,
    order: 'listed',
    listed: firstOrder(query).map((output, at) => sourcesOf(query, at).map(from => ({ output, from }))),
    rest: 0,
    known: new Map(),
    used: new Uint16Array(query.mostSum + 1),
    different: 0,
    pieces: new Map(
      query.stock?.flatMap(s => (s.pieces === undefined ? [] : [[s.count, s.pieces] as const])),
    ),
    couples: new Uint8Array(0),
    choice: [],
    best: undefined,
  };
  const levels = query.objective === 'different counts' ? countLevels(query) : errorLevels(state);
  const listed = yield* throughLevels(state, levels, 0, ordersMatter(query) ? 0.3 : 1);
  if (!ordersMatter(query)) return ok(resultOf(state, listed));
  // What the order listed gives is the bound for all orders.
  const bound = state.best ? Math.min(state.bound, levels.at(-1) ?? Infinity) : Infinity;
  state.order = 'all';
  state.tried = 0;
  state.rest = 0;
  const rest = levels.filter(l => l < bound);
  const all = yield* throughLevels(state, state.best ? [...rest, bound] : levels, 0.3, 1);
  return ok(resultOf(state, all));
}

/** Widens the bound level by level until there is a better plan; the sums that were covered in full, or why not. */
function* throughLevels(
  state: State,
  levels: readonly number[],
  from: number,
  to: number,
): Generator<BranchProgress, { proven: boolean; coveredTo: number }> {
  const { leastSum, mostSum } = state.query;
  const before = state.best;
  const part = (done: number): number => from + (to - from) * done;
  for (const [i, bound] of levels.entries()) {
    state.bound = bound;
    let shown = state.best;
    for (let sum = leastSum; sum <= mostSum; sum++) {
      for (const _ of searchSum(state, sum)) {
        yield { done: part((i + (sum - leastSum) / (mostSum - leastSum + 1)) / levels.length) };
        if (spent(state)) return { proven: false, coveredTo: sum - 1 };
      }
      if (spent(state)) return { proven: false, coveredTo: sum - 1 };
      if (state.best !== shown && state.best)
        yield { done: part((i + 0.5) / levels.length), plan: state.best };
      shown = state.best;
    }
    if (state.best !== before) break;
  }
  return { proven: true, coveredTo: mostSum };
}

const spent = ({ tried, order }: State): boolean => tried > MOST_TRIED[order];

const resultOf = (
  { best }: State,
  covered: { readonly proven: boolean; readonly coveredTo: number },
): BranchResult => ({ ...(best && { plan: best }), ...covered });

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
  state.couples = couplesOf(state, ratios);
  if (!allDriven(state)) return;
  for (const first of firstMeshes(query, sum)) {
    const base = first ? first.driving / first.driven : 1;
    const shared = first ? [first.driving, first.driven] : [];
    for (const n of shared) use(state, n, 1);
    if (allowedSoFar(state, shared)) yield* tryOutput({ state, sum, ratios, first, base }, 0);
    for (const n of shared) use(state, n, -1);
    yield;
  }
}

/** The ratios at a tooth sum; they are made once. */
function ratiosOf({ query, known }: State, sum: number): Ratios {
  const made = known.get(sum) ?? (query.school === 'lay arbor' ? oneMesh : twoMeshes)(sum, query);
  known.set(sum, made);
  return made;
}

/**
 * The mesh that turns a lay arbor. With a free drive its ratio does not matter, unless its counts do: then the one
 * nearest to 1 : 1 stands for all.
 */
function firstMeshes(query: BranchQuery, sum: number): (Stage | undefined)[] {
  if (query.school !== 'lay arbor') return [undefined];
  const { first } = oneMesh(sum, query);
  const all = Array.from(first, a => ({ driving: a, driven: sum - a }));
  if (query.drive === 'given' || query.objective === 'different counts' || query.stock) return all;
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

/** The last outputs are tried in one go; the choices of those before them may be interrupted. */
const IN_ONE_GO = 2;
/** Exact figures for a whole choice take as long as so many choices. */
const EXACT = 20;
/** Choices between two pauses. */
const PAUSE = 20000;

/** Tries every ratio in its window for one output, from every arbor that may drive it, and everything after it. */
function* tryOutput(frame: Frame, at: number): Generator<void> {
  const { state } = frame;
  if (tied(state)) return complete(frame, at);
  const deeper = at + IN_ONE_GO < state.wanted.length;
  for (const { output, from } of nextOf(state, at)) {
    const [begin, end] = range(frame, output, from);
    for (let i = begin; i < end; i++) {
      if (spent(state)) return;
      if (!choose(frame, output, from, i)) continue;
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
  if (tied(state)) return complete(frame, at);
  for (const { output, from } of nextOf(state, at)) {
    const [begin, end] = range(frame, output, from);
    for (let i = begin; i < end; i++) {
      if (!choose(frame, output, from, i)) continue;
      tryRest(frame, at + 1);
      drop(frame);
    }
  }
}

/**
 * Whether the outputs chosen so far already have the worst error of the best plan, and the others hang on nothing but
 * the drive: then no choice for these can make it better, and all that is left is to choose the nearest.
 */
function tied(state: State): boolean {
  const { query, best, choice, bound } = state;
  if (!best || choice.length === 0 || query.objective !== 'worst error' || ordersMatter(query)) return false;
  if (state.pieces.size > 0) return false;
  return roughWorst(state) >= bound * (1 - 1e-9);
}

/** Takes for every output that is left the ratio nearest to the middle of those chosen, and weighs the whole. */
function complete(frame: Frame, at: number): void {
  const { state, ratios, base } = frame;
  const reached = state.choice.map(c => c.reached);
  const middle = state.query.drive === 'given' ? 1 : (Math.min(...reached) + Math.max(...reached)) / 2;
  let taken = 0;
  for (let place = at; place < state.wanted.length; place++) {
    const output = state.listed[place]?.[0]?.output ?? place;
    const wanted = ((state.wanted[output] as number) * middle) / base;
    const above = firstFrom(ratios.values, wanted);
    const off = (i: number): number => Math.abs((ratios.values[i] ?? Infinity) - wanted);
    if (!choose(frame, output, undefined, off(above - 1) < off(above) ? above - 1 : above)) break;
    taken += 1;
  }
  if (at + taken === state.wanted.length) weigh(frame);
  for (; taken > 0; taken--) drop(frame);
}

/** The entries within the window of an output that is driven from that arbor: from the first to before the second. */
function range(
  { state, ratios, base, sum }: Frame,
  output: number,
  from: number | undefined,
): [number, number] {
  const { values } = ratios;
  state.tried += 1;
  if (state.choice.length === 0 && anyFirst(state.query)) {
    const i = Math.min(values.length - 1, firstFrom(values, 1 - 2 / sum));
    return [i, i + 1];
  }
  const [low, high] = window(state, output);
  const scale = (state.wanted[output] as number) / before(state, from, base);
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
const anyFirst = ({ school, drive, objective, stock }: BranchQuery): boolean =>
  school === 'cascade' && drive === 'free' && objective !== 'different counts' && !stock;

/** Takes a choice on when it may still lead to a better plan. */
function choose(frame: Frame, output: number, from: number | undefined, i: number): boolean {
  const { state, ratios, base } = frame;
  state.tried += 1;
  const rate = (ratios.values[i] as number) * before(state, from, base);
  const reached = rate / (state.wanted[output] as number);
  const [low, high] = window(state, output);
  if (reached < low || reached > high) return false;
  useEntry(frame, i, 1);
  if (counting(state) && !allowedSoFar(state, countsOf(frame, i))) {
    useEntry(frame, i, -1);
    return false;
  }
  state.choice.push({ output, from, i, reached, rate });
  if (!noBetter(state, false)) return true;
  drop(frame);
  return false;
}

function drop(frame: Frame): void {
  const last = frame.state.choice.pop();
  if (last) useEntry(frame, last.i, -1);
}

function useEntry(frame: Frame, i: number, by: 1 | -1): void {
  if (!counting(frame.state)) return;
  const [a, b, c, d] = countsOf(frame, i);
  use(frame.state, a, by);
  use(frame.state, b, by);
  if (c === 0) return;
  use(frame.state, c, by);
  use(frame.state, d, by);
}

/** The counts of an entry, each driving one before the one it drives; the last two nought where there is one mesh. */
function countsOf({ ratios, sum }: Frame, i: number): [number, number, number, number] {
  const [a, c] = [ratios.first[i] as number, ratios.second[i] as number];
  return [a, sum - a, c, c === 0 ? 0 : sum - c];
}

/**
 * Between which parts of the wanted rate an output must be for its plan to count: round 1 for a given drive; for a free
 * one wherever the spread with those chosen stays small, see planOf.
 */
function window(state: State, output: number): [number, number] {
  const { query, choice } = state;
  const e = query.objective === 'different counts' ? toError(query) : state.bound;
  if (query.drive === 'given') {
    const room =
      query.objective === 'worst drift'
        ? e / (state.wanted[output] as number)
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

/** Weighs a complete choice; in doubles first, exactly when it may be the best. */
function weigh({ state, sum, first, ratios }: Frame): void {
  const { query } = state;
  if (noBetter(state, true)) return;
  state.tried += EXACT;
  if (query.objective === 'different counts' && state.best && state.different >= state.best.different) {
    if (state.different > state.best.different || roughWorst(state) > state.worst * (1 + 1e-9)) return;
  }
  const choice = state.choice.map(({ output, from, i }) => ({
    output,
    from: from === undefined ? undefined : state.choice[from]?.output,
    stages: stagesOf(ratios, i, sum),
  }));
  if (!ordersMatter(query)) choice.sort((a, b) => a.output - b.output);
  const plan = planOf(query, sum, choice, first);
  if (query.objective === 'different counts' && query.error && compare(plan.worst, query.error) > 0) return;
  if (state.best && comparePlans(query, plan, state.best) >= 0) return;
  state.best = plan;
  state.total = plan.branches.reduce((n, b) => n + Math.abs(toNumber(b.error)), 0);
  state.worst = toNumber(plan.worst);
  const cost = toNumber(costOf(query, plan)[0]);
  if (query.objective !== 'different counts') state.bound = Math.min(state.bound, cost);
}

/**
 * Whether a choice, whole or begun, surely is no better than the best plan: its worst error is as great, and all its
 * errors together are too. Of a choice that is only begun from a free drive nothing is sure, for its speed is not.
 */
function noBetter(state: State, whole: boolean): boolean {
  const { query, best, choice, bound, total } = state;
  if (!best || query.objective !== 'worst error' || (query.drive === 'free' && !whole)) return false;
  const worst = roughWorst(state);
  if (worst < bound * (1 - 1e-12)) return false;
  if (worst > bound * (1 + 1e-12)) return true;
  const reached = choice.map(c => c.reached);
  const speed = query.drive === 'given' ? 1 : (Math.min(...reached) + Math.max(...reached)) / 2;
  return reached.reduce((n, one) => n + Math.abs(one / speed - 1), 0) >= total * (1 - 1e-12);
}

function roughWorst({ query, choice }: State): number {
  const reached = choice.map(c => c.reached);
  const [least, greatest] = [Math.min(...reached), Math.max(...reached)];
  if (query.drive === 'given') return Math.max(Math.abs(least - 1), Math.abs(greatest - 1));
  return (greatest - least) / (greatest + least);
}
