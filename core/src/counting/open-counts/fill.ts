import { candidateOf, type CountQuery, searchCounts, type StageLimits } from '../search/index.ts';
import { byId, type Machine } from '../../document/machine/index.ts';
import { absolute, div, isZero, type Rational, toNumber } from '../../ground/rational/index.ts';
import { fail, ok, type Result, table } from '../../ground/result/index.ts';
import { groundRate, trainRates } from '../../trains/train/index.ts';
import type { Blank } from './blank.ts';
import { type BlankSystem, blankSystem, type OpenBlank } from './blank-system.ts';
import { type FillLimits, hasPieces } from './fill-limits.ts';
import { type OwnMeshes, searchCommonSum } from './common-sum.ts';
import { type BlankAim, type BlankGroup, Finder, KEPT, withCounts } from './finder.ts';
import { nearestCounts } from './nearest-counts.ts';
import { type Product, searchProduct } from './product-search.ts';
import { type Solved, solveRules, type SumRule, sumRules } from './sum-rules.ts';

/** Up to so many ways are all weighed; of more, one count is solved for in every one. */
const MOST_LISTED = 1e6;
/** More trials than this are refused: the ranges must be narrowed. */
export const MOST_TRIALS = 4e7;
/**
 * Fills the open counts of a machine towards its outputs, through any train, planetary sets and arms included:
 * equal sums where meshes stand between the same lines, shared wheels as they are, planets that go together.
 * Outputs that hang on no common count are filled apart; those on which no open count bears are left out. All ways
 * within the ranges are weighed by doubles, and the best exactly. A generator: it yields its progress. Problems:
 * nothing open, no output on which an open count bears, contradictory sums, ranges too wide.
 */
export function* fillBlanks(
  machine: Machine,
  aims: readonly BlankAim[],
  top: number,
  limits: FillLimits = {},
): Generator<{ readonly done: number }, Result<BlankGroup[]>> {
  const system = blankSystem(machine, limits);
  if (system.blanks.length === 0) return fail('blanks-none');
  const bad = system.blanks.find(b => b.least > b.most || b.least < 1);
  if (bad) return fail('limits-reversed', { least: bad.least, most: bad.most });
  const none = system.blanks.find(b => b.counts.length === 0);
  if (none)
    return fail('blanks-none-allowed', { wheel: byId(machine.wheels, none.wheel)?.name ?? none.wheel });
  if (aims.length === 0) return fail('blanks-no-aim');
  const rules = sumRules(machine, system.blanks);
  const parts = independentParts(system, aims, rules);
  if (parts.length === 0) return fail('blanks-no-bearing', { aim: aims[0]?.id ?? '' });
  const groups: BlankGroup[] = [];
  for (const [k, part] of parts.entries()) {
    const job = fillPart(machine, system, part, rules, top, limits);
    for (let step = job.next(); ; step = job.next()) {
      if (step.done) {
        if (!step.value.ok) return step.value;
        groups.push(step.value.value);
        break;
      }
      yield { done: (k + step.value.done) / parts.length };
    }
  }
  return ok(groups);
}

type Rate = (counts: readonly number[]) => number;

/** Outputs that hang on common blanks, and those blanks. */
interface Part {
  readonly aims: readonly BlankAim[];
  readonly blanks: ReadonlySet<number>;
}

function* fillPart(
  machine: Machine,
  system: BlankSystem,
  { aims, blanks }: Part,
  rules: readonly SumRule[],
  top: number,
  limits: FillLimits,
): Generator<{ readonly done: number }, Result<BlankGroup>> {
  if (aims.some(a => isZero(a.target))) return fail('blanks-still');
  const rates = aims.map(a => system.rateOf(a.member, a.ground));
  const all = [...blanks].sort((a, b) => a - b);
  const own = rules.filter(r => [...r.terms.keys()].some(i => blanks.has(i)));
  const solved = solveRules(own, all);
  if (!solved) return fail('blanks-sums');
  const found = new Finder(machine, system, aims, all, top, limits);
  // What keeps only the nearest of alike products, or at a sum, may keep one that the pieces do not make.
  const few = hasPieces(limits);
  // Where planets must go together the nearest product may not: only weighing every way proves anything.
  const copied = machine.axes.some(a => a.copies !== undefined);
  const [rate, aim] = [rates[0], aims[0]];
  if (rate && aim && aims.length === 1 && solved.follow.length === 0) {
    const done = yield* fillOne(found, machine, system, rate, aim, all, limits, copied);
    if (done) return done;
  }
  const every = solved.chosen.reduce((p, i) => p * rangeOf(system.blanks[i]), 1);
  if (aims.length > 1 && every > MOST_TRIALS && !copied && !few) {
    const outputs = ownMeshes(system, aims, rates, all);
    if (outputs && (yield* searchCommonSum(found, machine, system.blanks, outputs, own)))
      return found.result(true, false);
  }
  return yield* searchAll(found, system, rates, aims, solved, few);
}

/** One output that no sums tie: the search of counts, or halves of its product; undefined where neither serves. */
function* fillOne(
  found: Finder,
  machine: Machine,
  system: BlankSystem,
  rate: Rate,
  aim: BlankAim,
  all: readonly number[],
  limits: FillLimits,
  copied: boolean,
): Generator<{ readonly done: number }, Result<BlankGroup> | undefined> {
  const row = asRow(system, rate, all);
  if (!row) return undefined;
  const few = hasPieces(limits);
  if (row.driving.length === row.driven.length && row.driving.length > 1 && !(few && copied)) {
    const done = yield* searchRow(found, system, row, aim, machine, limits);
    if (done) return done;
  }
  const every = all.reduce((p, i) => p * rangeOf(system.blanks[i]), 1);
  if (every <= MOST_LISTED || copied || few) return undefined;
  const target = toNumber(aim.target);
  if (!aim.either && row.constant < 0 !== target < 0) return fail('blanks-sense', { aim: aim.id });
  return (yield* searchProduct(found, system.blanks, row, target)) ? found.result(true, false) : undefined;
}

/** The outputs as products over blanks of their own; undefined where they share one, or turn the wrong way. */
function ownMeshes(
  system: BlankSystem,
  aims: readonly BlankAim[],
  rates: readonly Rate[],
  all: readonly number[],
): OwnMeshes[] | undefined {
  const start = system.blanks.map((b, i) => b.least + i + 1);
  const taken = new Set<number>();
  const found: OwnMeshes[] = [];
  for (const [k, aim] of aims.entries()) {
    const rate = rates[k];
    if (!rate) return undefined;
    const moved = all.filter(
      i => Math.abs(rate(start.map((x, n) => (n === i ? 2 * x : x))) / rate(start) - 1) > 1e-9,
    );
    const product = asRow(system, rate, moved);
    const target = toNumber(aim.target);
    if (!product || moved.some(i => taken.has(i)) || (!aim.either && product.constant < 0 !== target < 0))
      return undefined;
    for (const i of moved) taken.add(i);
    found.push({ product, target });
  }
  return taken.size === all.length ? found : undefined;
}

/**
 * The blanks on which each output hangs, by trying, with those that sums tie to them; outputs with a common blank
 * together.
 */
function independentParts(system: BlankSystem, aims: readonly BlankAim[], rules: readonly SumRule[]): Part[] {
  const { blanks } = system;
  const middle = blanks.map((b, i) => (b.least + b.most) / 2 + 0.37 * (i + 1));
  let parts: Part[] = [];
  for (const aim of aims) {
    const rate = system.rateOf(aim.member, aim.ground);
    const at = rate(middle);
    const moves = (i: number): boolean => {
      const there = rate(middle.map((x, k) => (k === i ? x * 1.13 + 0.5 : x)));
      return !(Math.abs(there - at) <= 1e-12 * Math.max(1e-12, Math.abs(at)));
    };
    const own = Number.isNaN(at) ? new Set<number>() : new Set(blanks.map((_, i) => i).filter(moves));
    for (let size = -1; size !== own.size;) {
      size = own.size;
      for (const { terms } of rules)
        if ([...terms.keys()].some(i => own.has(i))) for (const i of terms.keys()) own.add(i);
    }
    if (own.size === 0) continue;
    const touching = parts.filter(p => [...own].some(i => p.blanks.has(i)));
    parts = parts.filter(p => !touching.includes(p));
    parts.push({
      aims: [...touching.flatMap(p => p.aims), aim],
      blanks: new Set([...touching.flatMap(p => [...p.blanks]), ...own]),
    });
  }
  return parts;
}

const rangeOf = (b: OpenBlank | undefined): number => b?.counts.length ?? 1;

/**
 * The blanks as a plain row of driving and driven wheels, where the rate is a product of them; found by doubling
 * each.
 */
function asRow({ blanks, degree }: BlankSystem, rate: Rate, all: readonly number[]): Product | undefined {
  const driving: number[] = [];
  const driven: number[] = [];
  const start = blanks.map((b, i) => b.least + i + 1);
  const at = rate(start);
  for (const i of all) {
    if (degree[i] !== 1) return undefined;
    const doubled = rate(start.map((x, k) => (k === i ? 2 * x : x))) / at;
    const tripled = rate(start.map((x, k) => (k === i ? 3 * x : x))) / at;
    if (Math.abs(doubled - 2) < 1e-9 && Math.abs(tripled - 3) < 1e-9) driving.push(i);
    else if (Math.abs(doubled - 1 / 2) < 1e-9 && Math.abs(tripled - 1 / 3) < 1e-9) driven.push(i);
    else return undefined;
  }
  const product =
    driving.reduce((p, i) => p * (start[i] ?? 1), 1) / driven.reduce((p, i) => p * (start[i] ?? 1), 1);
  return { constant: at / product, driving, driven };
}

/** Up to four pairs of a plain row: the search of counts, with the ranges as limits of the positions. */
function* searchRow(
  found: Finder,
  { blanks }: BlankSystem,
  row: Product,
  aim: BlankAim,
  machine: Machine,
  { stock, forbidden }: FillLimits,
): Generator<{ readonly done: number }, Result<BlankGroup> | undefined> {
  const n = row.driving.length;
  const constant = exactConstant(machine, blanks, row, aim);
  if (n > 4 || !constant) return undefined;
  const range = (i: number | undefined): { least: number; most: number } => {
    const b = blanks[i ?? 0];
    return { least: b?.least ?? 1, most: b?.most ?? 1 };
  };
  const positions: StageLimits[] = row.driving.map((d, k) => ({
    driving: range(d),
    driven: range(row.driven[k]),
  }));
  const all = [...row.driving, ...row.driven].map(range);
  const [least, most] = [Math.min(...all.map(r => r.least)), Math.max(...all.map(r => r.most))];
  const same = all.every(r => r.least === least && r.most === most);
  const wrongWay = !aim.either && toNumber(constant) < 0 !== toNumber(aim.target) < 0;
  if (wrongWay) return fail('blanks-sense', { aim: aim.id });
  const query: CountQuery = {
    target: absolute(div(aim.target, constant)),
    ...{ least, most, stages: [n], coaxial: 'none', top: KEPT, front: false },
    ...(!same && { positions }),
    ...(stock && { stock }),
    ...(forbidden && { forbidden }),
  };
  const search = searchCounts(query);
  for (let step = search.next(); ; step = search.next()) {
    if (!step.done) {
      yield { done: step.value.done };
      continue;
    }
    if (!step.value.ok) return undefined;
    const target = Math.abs(toNumber(query.target));
    for (const c of step.value.value.top) {
      const counts = blanks.map(() => 0);
      for (const [k, stage] of c.stages.entries()) {
        counts[row.driving[k] ?? 0] = stage.driving;
        counts[row.driven[k] ?? 0] = stage.driven;
      }
      found.weighed++;
      found.offer(counts, Math.abs(toNumber(candidateOf(c.stages).ratio) / target - 1));
    }
    return found.result(step.value.value.proven, false);
  }
}

/** The constant of a row exactly: the rate with every blank at one count, driving and driven in equal number. */
function exactConstant(
  machine: Machine,
  blanks: readonly Blank[],
  row: Product,
  aim: BlankAim,
): Rational | undefined {
  const own = [...row.driving, ...row.driven].map(i => blanks[i]?.wheel ?? '');
  const equal = withCounts(machine, table(own.map(w => [w, 20])));
  const { rates } = trainRates(equal);
  const rate = aim.ground ? groundRate(equal, rates, aim.member) : rates[aim.member];
  return rate && Math.abs(toNumber(rate) / row.constant - 1) < 1e-9 ? rate : undefined;
}

/** All ways that the sums leave, one blank of a plain mesh solved for where there is one. */
function* searchAll(
  found: Finder,
  { blanks, degree }: BlankSystem,
  rates: readonly Rate[],
  aims: readonly BlankAim[],
  { chosen, follow }: Solved,
  few: boolean,
): Generator<{ readonly done: number }, Result<BlankGroup>> {
  const tied = new Set(follow.flatMap(f => [...f.by.keys()]));
  const width = (i: number): number => rangeOf(blanks[i]);
  const byRange = [...chosen].sort((a, b) => width(a) - width(b));
  const every = chosen.reduce((p, i) => p * width(i), 1);
  const solvable =
    aims.length === 1 && every > MOST_LISTED
      ? byRange.filter(i => degree[i] === 1 && !tied.has(i)).at(-1)
      : undefined;
  const looped = byRange.filter(i => i !== solvable);
  const trials = looped.reduce((p, i) => p * width(i), 1) * (solvable === undefined ? 1 : 8);
  if (trials > MOST_TRIALS) return fail('blanks-too-many', { trials, most: MOST_TRIALS });
  const targets = aims.map(a => toNumber(a.target));
  const followers = follow.map(f => ({
    blank: f.blank,
    constant: toNumber(f.constant),
    by: [...f.by].map(([i, c]) => [i, toNumber(c)] as const),
  }));
  const counts = blanks.map(b => b.least);
  const errorNow = (): { worst: number; all: number } => {
    let [worst, all] = [0, 0];
    for (const [k, rate] of rates.entries()) {
      const is = rate(counts);
      const wanted = targets[k] ?? 0;
      const off = aims[k]?.either ? Math.abs(Math.abs(is / wanted) - 1) : Math.abs(is / wanted - 1);
      if (!(off <= worst)) worst = off;
      all += off;
    }
    return { worst, all };
  };
  const allowed = blanks.map(b => new Set(b.counts));
  const followNow = (): boolean => {
    for (const f of followers) {
      let value = f.constant;
      for (const [i, c] of f.by) value += c * (counts[i] ?? 0);
      const whole = Math.round(value);
      const b = blanks[f.blank];
      if (!b || Math.abs(value - whole) > 1e-9 || !allowed[f.blank]?.has(whole)) return false;
      counts[f.blank] = whole;
    }
    return true;
  };
  const tryHere = (): void => {
    if (!followNow()) return;
    found.weighed++;
    const { worst, all } = errorNow();
    found.offer(counts, worst, all);
  };
  const total = looped.reduce((p, i) => p * width(i), 1);
  for (let n = 0; n < total; n++) {
    let rest = n;
    for (const i of looped) {
      counts[i] = blanks[i]?.counts[rest % width(i)] ?? 0;
      rest = Math.floor(rest / width(i));
    }
    if (solvable === undefined) tryHere();
    else
      for (const x of nearestCounts(
        rates[0] as Rate,
        counts,
        solvable,
        blanks,
        targets[0] ?? 0,
        aims[0]?.either === true,
      )) {
        counts[solvable] = x;
        tryHere();
      }
    if (n % 4096 === 4095) yield { done: n / total };
  }
  return found.result(solvable === undefined || !few, solvable === undefined);
}
