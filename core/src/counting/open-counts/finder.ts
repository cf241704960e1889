import { copyGroups, settingsAt } from '../../place/layout/index.ts';
import type { Machine } from '../../document/machine/index.ts';
import { setWheel } from '../../edits/change/index.ts';
import { absolute, add, compare, div, ONE, type Rational, sub, ZERO } from '../../ground/rational/index.ts';
import { fail, ok, type Result, table } from '../../ground/result/index.ts';
import { groundRate, trainRates } from '../../trains/train/index.ts';
import type { BlankSystem } from './blank-system.ts';
import { type FillLimits, piecesOf } from './fill-limits.ts';

/** An output towards which blanks are filled: the rate its arbor must have; `either`: in either sense. */
export interface BlankAim {
  readonly id: string;
  readonly member: string;
  readonly target: Rational;
  readonly either: boolean;
  /** Meant against the ground, arms that carry it included; otherwise in the frame of its own axis. */
  readonly ground: boolean;
}

/** One way to fill the blanks. */
export interface BlankFill {
  /** Counts by wheel, for the blanks on which the outputs hang. */
  readonly counts: Readonly<Record<string, number>>;
  /** Rates and errors by aim, exact. */
  readonly rates: Readonly<Record<string, Rational>>;
  readonly errors: Readonly<Record<string, Rational>>;
  /** The largest of the errors by size. */
  readonly worst: Rational;
  readonly total: number;
}

/**
 * Outputs that hang on common blanks: ways to fill these, best first by the worst error, and whether nothing within
 * the ranges is better.
 */
export interface BlankGroup {
  readonly aims: readonly string[];
  readonly fills: readonly BlankFill[];
  readonly wheels: readonly string[];
  /** How many ways were weighed. */
  readonly weighed: number;
  readonly proven: boolean;
  /** Whether every way within the ranges was weighed, so that the list is the best in order, not only its first. */
  readonly whole: boolean;
}

/** Fills kept by doubles before they are weighed exactly. */
export const KEPT = 60;

interface Offered {
  readonly counts: number[];
  readonly off: number;
  readonly all: number;
}

/** Keeps the best by doubles, and weighs them exactly at the end. */
export class Finder {
  weighed = 0;
  private kept: Offered[] = [];
  private bound = Infinity;
  private readonly machine: Machine;
  private readonly system: BlankSystem;
  private readonly aims: readonly BlankAim[];
  private readonly all: readonly number[];
  private readonly top: number;
  private readonly copied: boolean;
  /** Pieces in stock by count, and how many wheels each blank is. */
  private readonly pieces: ReadonlyMap<number, number>;
  private readonly wheels: readonly number[];

  constructor(
    machine: Machine,
    system: BlankSystem,
    aims: readonly BlankAim[],
    all: readonly number[],
    top: number,
    limits: FillLimits = {},
  ) {
    this.pieces = new Map(
      (limits.stock ?? []).flatMap(s => (s.pieces === undefined ? [] : [[s.count, s.pieces] as const])),
    );
    this.wheels = piecesOf(machine, system.blanks);
    this.machine = machine;
    this.system = system;
    this.aims = aims;
    this.all = all;
    this.top = top;
    this.copied = machine.axes.some(a => a.copies !== undefined);
  }

  /** Offers counts in the order of all blanks, with their worst relative error and all errors together. */
  offer(counts: readonly number[], off: number, all = off): void {
    if (!(off <= this.bound) || !this.inStock(counts) || !this.assembles(counts)) return;
    this.kept.push({ counts: [...counts], off, all });
    if (this.kept.length < 4 * KEPT) return;
    this.shrink();
  }

  /** As many pieces as the wheels take, of every count that the stock has few of. */
  private inStock(counts: readonly number[]): boolean {
    if (this.pieces.size === 0) return true;
    const taken = new Map<number, number>();
    for (const i of this.all) {
      const count = counts[i] ?? 0;
      const now = (taken.get(count) ?? 0) + (this.wheels[i] ?? 1);
      if (now > (this.pieces.get(count) ?? Infinity)) return false;
      taken.set(count, now);
    }
    return true;
  }

  /** Planets must go together; only where a blank bears on them is there anything to try. */
  private assembles(counts: readonly number[]): boolean {
    if (!this.copied) return true;
    const own = this.all.map(i => [this.system.blanks[i]?.wheel ?? '', counts[i] ?? 0] as const);
    return goesTogether(withCounts(this.machine, table(own)));
  }

  /** Of the same errors only the smallest total stays, and of all only the best: by the worst, then by all. */
  private shrink(): void {
    const best = new Map<string, Offered>();
    for (const k of this.kept) {
      const name = `${k.off.toPrecision(11)} ${k.all.toPrecision(11)}`;
      const known = best.get(name);
      if (!known || sum(k.counts) < sum(known.counts)) best.set(name, k);
    }
    this.kept = [...best.values()].sort((a, b) => a.off - b.off || a.all - b.all).slice(0, KEPT);
    if (this.kept.length === KEPT) this.bound = this.kept.at(-1)?.off ?? Infinity;
  }

  result(proven: boolean, whole: boolean): Result<BlankGroup> {
    this.shrink();
    const wheels = this.all.map(i => this.system.blanks[i]?.wheel ?? '');
    const fills: BlankFill[] = [];
    const seen = new Set<string>();
    for (const { counts } of this.kept) {
      if (fills.length >= 3 * this.top) break;
      const fill = weigh(
        this.machine,
        this.aims,
        wheels,
        this.all.map(i => counts[i] ?? 0),
      );
      if (!fill) continue;
      const name = JSON.stringify(Object.values(fill.rates).map(r => `${r.num}/${r.den}`));
      if (seen.has(name)) continue;
      seen.add(name);
      fills.push(fill);
    }
    if (fills.length === 0) return fail('blanks-nothing');
    fills.sort((a, b) => compare(a.worst, b.worst) || compare(together(a), together(b)) || a.total - b.total);
    return ok({
      aims: this.aims.map(a => a.id),
      fills: fills.slice(0, this.top),
      wheels,
      weighed: this.weighed,
      ...{ proven, whole },
    });
  }
}

/** All errors of a fill together, by size. */
const together = ({ errors }: BlankFill): Rational =>
  Object.values(errors).reduce((s, e) => add(s, absolute(e)), ZERO);

const sum = (list: readonly number[]): number => list.reduce((s, n) => s + n, 0);

/** The machine with counts put into its blanks. */
export const withCounts = (machine: Machine, counts: Readonly<Record<string, number>>): Machine =>
  Object.entries(counts).reduce(
    (m, [wheel, count]) => setWheel(wheel, { teeth: { kind: 'count', count } })(m),
    machine,
  );

/** The fill of exact rates; undefined where an output has none, or planets do not go together. */
function weigh(
  machine: Machine,
  aims: readonly BlankAim[],
  wheels: readonly string[],
  values: readonly number[],
): BlankFill | undefined {
  const counts = table(wheels.map((w, i) => [w, values[i] ?? 0] as const));
  const filled = withCounts(machine, counts);
  const own = trainRates(filled).rates;
  const rates: Record<string, Rational> = table();
  const errors: Record<string, Rational> = table();
  let worst = ZERO;
  for (const a of aims) {
    const rate = a.ground ? groundRate(filled, own, a.member) : own[a.member];
    if (!rate) return undefined;
    const [is, wanted] = a.either ? [absolute(rate), absolute(a.target)] : [rate, a.target];
    const error = sub(div(is, wanted), ONE);
    rates[a.id] = rate;
    errors[a.id] = error;
    if (compare(absolute(error), worst) > 0) worst = absolute(error);
  }
  if (!goesTogether(filled)) return undefined;
  return { counts, rates, errors, worst, total: sum(values) };
}

const goesTogether = (machine: Machine): boolean =>
  copyGroups(machine).every(g => g.turns.every(t => settingsAt(g, t)));
