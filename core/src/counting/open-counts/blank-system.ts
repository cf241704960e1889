import type { Blank } from './blank.ts';
import { countsAllowed, type FillLimits } from './fill-limits.ts';
import { GROUND, type Machine } from '../../document/machine/index.ts';
import { add, neg, type Rational, rational, toNumber, ZERO } from '../../ground/rational/index.ts';
import {
  CONSTANT,
  eliminateLaws,
  type Frames,
  framesOf,
  inMode,
  isMember,
  jointLaws,
  type RateEquation,
} from '../../trains/train/index.ts';

/** A blank with the counts that it may have, ascending, at least one. */
export interface OpenBlank extends Blank {
  readonly counts: readonly number[];
}

/** A machine with open counts, its closed laws worked in: rates are found for any counts by a small dense system. */
export interface BlankSystem {
  readonly blanks: readonly OpenBlank[];
  /**
   * Rate of a member, in the frame of its axis or against the ground, for counts in the order of the blanks, in
   * doubles; NaN where it is not settled.
   */
  readonly rateOf: (member: string, ground?: boolean) => (counts: readonly number[]) => number;
  /** The number of open meshes in which each blank takes part. */
  readonly degree: readonly number[];
}

/** All open wheels of a machine. */
export const blanksOf = (machine: Pick<Machine, 'wheels'>): Blank[] =>
  machine.wheels.flatMap(w =>
    w.teeth.kind === 'open' ? [{ wheel: w.id, least: w.teeth.least, most: w.teeth.most }] : [],
  );

/** A law in which open counts stand: its terms, and for every blank the terms that its count multiplies. */
interface OpenLaw {
  readonly fixed: Dense;
  readonly byBlank: readonly (readonly [blank: number, Dense])[];
}
/** Coefficients of the free members, and the constant of the right-hand side last. */
type Dense = readonly number[];

/** A law with open counts: what it has without them, and what each adds for every tooth. */
interface OpenTerms {
  readonly fixed: RateEquation['terms'];
  readonly byBlank: readonly (readonly [blank: number, RateEquation['terms']])[];
}

/** The laws whose counts are all known, and those with open counts among them. */
function splitLaws(
  machine: Machine,
  frames: Frames,
  index: ReadonlyMap<string, number>,
): { readonly closed: readonly RateEquation[]; readonly open: readonly OpenTerms[] } {
  const closed: RateEquation[] = [];
  const open: OpenTerms[] = [];
  const withCounts = (count: (wheel: string) => number): Frames => ({
    ...frames,
    count: id => (index.has(id) ? count(id) : frames.count(id)),
  });
  for (const m of machine.members) {
    if (m.kind === 'link' || m.held === undefined) continue;
    const held = m.kind === 'slide' ? undefined : frames.turnIn(m.id, m.held ?? GROUND);
    if (held) closed.push({ source: m.id, terms: held });
  }
  for (const j of machine.joints) {
    const laws = jointLaws(frames, j);
    if (laws && laws !== 'open') closed.push(...laws);
    if (laws !== 'open') continue;
    const none = jointLaws(
      withCounts(() => 0),
      j,
    );
    if (!none || none === 'open') continue;
    none.forEach((law, k) => {
      const byBlank: [number, RateEquation['terms']][] = [];
      for (const [wheel, i] of index) {
        const one = jointLaws(
          withCounts(id => (id === wheel ? 1 : 0)),
          j,
        );
        const terms = one && one !== 'open' ? one[k]?.terms : undefined;
        if (terms) byBlank.push([i, difference(terms, law.terms)]);
      }
      open.push({ fixed: law.terms, byBlank: byBlank.filter(([, t]) => t.some(([, c]) => c.num !== 0n)) });
    });
  }
  return { closed, open };
}

/**
 * Every law is linear in the count of each wheel, so a law with open counts is L₀ + Σ xᵢ·Lᵢ. The closed laws are
 * eliminated exactly once; what is left are as many free members as there are open meshes, few enough to solve for
 * every trial.
 */
export function blankSystem(whole: Machine, limits: FillLimits = {}): BlankSystem {
  const machine = inMode(whole);
  const blanks = blanksOf(machine).map(b => ({ ...b, counts: countsAllowed(b, limits) }));
  const index = new Map(blanks.map((b, i) => [b.wheel, i] as const));
  const frames = framesOf(machine);
  const { closed, open } = splitLaws(machine, frames, index);
  const worked = eliminateLaws(
    [...closed.filter(e => !e.yields), ...closed.filter(e => e.yields)],
    machine.drive?.member,
  );
  const free = new Set<string>();
  const dense = (terms: RateEquation['terms']): ReadonlyMap<string, Rational> => {
    const row = worked.reduce(terms);
    for (const key of row.keys()) if (isMember(key)) free.add(key);
    return row;
  };
  const rows = open.map(l => ({
    fixed: dense(l.fixed),
    byBlank: l.byBlank.map(([i, t]) => [i, dense(t)] as const),
  }));
  const own = new Map(machine.members.map(m => [m.id, dense([[m.id, rational(1n)]])] as const));
  const grounded = new Map(
    machine.members.map(m => {
      const terms = frames.turnIn(m.id, GROUND);
      return [m.id, terms && dense(terms)] as const;
    }),
  );
  // Members that no open law speaks of stay free for good; what hangs on them has no rate.
  const spoken = new Set(
    rows.flatMap(r => [r.fixed, ...r.byBlank.map(([, t]) => t)].flatMap(t => [...t.keys()])),
  );
  const order = [...free].filter(f => spoken.has(f));
  const flat = (row: ReadonlyMap<string, Rational>): Dense =>
    [...order, CONSTANT].map(key => toNumber(row.get(key) ?? ZERO));
  const laws: OpenLaw[] = rows.map(r => ({
    fixed: flat(r.fixed),
    byBlank: r.byBlank.map(([i, t]) => [i, flat(t)] as const),
  }));
  const degree = blanks.map((_, i) => laws.filter(l => l.byBlank.some(([b]) => b === i)).length);
  const solve = solverOf(laws, order.length);
  return {
    blanks,
    degree,
    rateOf: (member, ground = false) => {
      const row = (ground ? grounded : own).get(member);
      const stray = [...(row?.keys() ?? [])].some(k => isMember(k) && !spoken.has(k));
      if (!row || stray) return () => NaN;
      const weights = flat(row);
      return counts => {
        const at = solve(counts);
        if (!at) return NaN;
        let sum = -(weights[order.length] ?? 0);
        for (let i = 0; i < order.length; i++) {
          const weight = weights[i] ?? 0;
          if (weight !== 0) sum += weight * (at[i] ?? NaN);
        }
        return sum;
      };
    },
  };
}

function difference(a: RateEquation['terms'], b: RateEquation['terms']): RateEquation['terms'] {
  const sum = new Map<string, Rational>();
  for (const [id, c] of a) sum.set(id, add(sum.get(id) ?? ZERO, c));
  for (const [id, c] of b) sum.set(id, add(sum.get(id) ?? ZERO, neg(c)));
  return [...sum];
}

/** Two rows that agree this well are one: of laws that close a loop. */
const AGREES = 1e-9;

/**
 * Gauss–Jordan elimination with row pivoting; undefined where the laws contradict. A member that is not settled is
 * NaN.
 */
function solverOf(
  laws: readonly OpenLaw[],
  size: number,
): (counts: readonly number[]) => number[] | undefined {
  const work: Float64Array[] = laws.map(() => new Float64Array(size + 1));
  return counts => {
    for (const [e, law] of laws.entries()) {
      const row = work[e] as Float64Array;
      for (let c = 0; c <= size; c++) row[c] = law.fixed[c] ?? 0;
      for (const [i, own] of law.byBlank) {
        const x = counts[i] ?? 0;
        for (let c = 0; c <= size; c++) row[c] = (row[c] ?? 0) + x * (own[c] ?? 0);
      }
    }
    const pivots = reduceRows(work, size);
    const top = pivots.filter(p => p >= 0).length;
    for (let r = top; r < work.length; r++) if (abs(work[r], size) > AGREES) return undefined;
    return pivots.map(r => {
      const row = work[r];
      // A settled member's row has no other free member left in it.
      const loose = pivots.some((p, k) => p === -1 && abs(row, k) > 1e-12);
      return !row || loose ? NaN : (row[size] ?? NaN);
    });
  };
}

/** Works the rows into one another in place; for every column the row of its pivot, or −1. */
function reduceRows(work: Float64Array[], size: number): number[] {
  const pivots = new Array<number>(size).fill(-1);
  let top = 0;
  for (let c = 0; c < size && top < work.length; c++) {
    let best = top;
    for (let r = top + 1; r < work.length; r++) if (abs(work[r], c) > abs(work[best], c)) best = r;
    if (abs(work[best], c) < 1e-12) continue;
    [work[top], work[best]] = [work[best] as Float64Array, work[top] as Float64Array];
    const row = work[top] as Float64Array;
    const pivot = row[c] ?? 1;
    for (let k = c; k <= size; k++) row[k] = (row[k] ?? 0) / pivot;
    for (let r = 0; r < work.length; r++) {
      const other = work[r] as Float64Array;
      const factor = other[c] ?? 0;
      if (r === top || factor === 0) continue;
      for (let k = c; k <= size; k++) other[k] = (other[k] ?? 0) - factor * (row[k] ?? 0);
    }
    pivots[c] = top++;
  }
  return pivots;
}

const abs = (row: Float64Array | undefined, c: number): number => Math.abs(row?.[c] ?? 0);
