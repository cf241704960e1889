import {
  byId,
  circleCount,
  type Machine,
  type MeshJoint,
  meshes,
  moduleOf,
} from '../../document/machine/index.ts';
import {
  add,
  div,
  isZero,
  mul,
  neg,
  parseDecimal,
  type Rational,
  rational,
  sub,
  ZERO,
} from '../../ground/rational/index.ts';
import { lineOf } from '../../trains/train/index.ts';
import type { Blank } from './blank.ts';

/** A rule that counts must keep: Σ coefficient·count = total. */
export interface SumRule {
  readonly terms: ReadonlyMap<number, Rational>;
  readonly total: Rational;
}

/**
 * Two meshes between the same two lines share their centre distance: m(a + b) = m′(c + d) outside, m(r − p) in a
 * ring. Rules in which an open count stands; spread and profile shift are not counted.
 */
export function sumRules(machine: Machine, blanks: readonly Blank[]): SumRule[] {
  const axes = new Map(machine.axes.map(a => [a.id, a] as const));
  const index = new Map(blanks.map((b, i) => [b.wheel, i] as const));
  const line = (wheel: string): string | undefined => {
    const member = byId(machine.members, byId(machine.wheels, wheel)?.member);
    return member?.kind === 'arbor' ? lineOf(axes, member.axis) : undefined;
  };
  const groups = new Map<string, MeshJoint[]>();
  for (const j of meshes(machine)) {
    if (j.type !== 'external' && j.type !== 'internal') continue;
    const ends = [line(j.a), line(j.b)].sort();
    if (ends.includes(undefined)) continue;
    const name = ends.join(' ');
    groups.set(name, [...(groups.get(name) ?? []), j]);
  }
  const rules: SumRule[] = [];
  for (const group of groups.values()) {
    const [first, ...more] = group.map(j => distance(machine, index, j));
    for (const other of more) {
      if (!first || !other) continue;
      const terms = new Map(first.terms);
      for (const [i, c] of other.terms) terms.set(i, sub(terms.get(i) ?? ZERO, c));
      for (const [i, c] of terms) if (isZero(c)) terms.delete(i);
      if (terms.size > 0) rules.push({ terms, total: sub(other.total, first.total) });
    }
  }
  return rules;
}

interface Distance {
  readonly terms: ReadonlyMap<number, Rational>;
  readonly total: Rational;
}

/** Twice the centre distance of a mesh: Σ `terms`·count + `total`. */
function distance(machine: Machine, index: ReadonlyMap<string, number>, j: MeshJoint): Distance | undefined {
  const [a, b] = [byId(machine.wheels, j.a), byId(machine.wheels, j.b)];
  const toothing = byId(machine.toothings, a?.toothing);
  const module = toothing && moduleOf(toothing, machine);
  const exact = module?.ok ? parseDecimal(String(module.value)) : undefined;
  if (!a || !b || !exact?.ok) return undefined;
  const terms = new Map<number, Rational>();
  let total = ZERO;
  const put = (wheel: typeof a, by: Rational): void => {
    const blank = index.get(wheel.id);
    if (blank === undefined) total = add(total, mul(by, rational(circleCount(wheel) ?? 0)));
    else terms.set(blank, add(terms.get(blank) ?? ZERO, by));
  };
  const ringIsA = a.role === 'ring' || (b.role !== 'ring' && (circleCount(a) ?? 0) > (circleCount(b) ?? 0));
  const inside = j.type === 'internal';
  put(a, inside && !ringIsA ? neg(exact.value) : exact.value);
  put(b, inside && ringIsA ? neg(exact.value) : exact.value);
  return { terms, total };
}

/** Counts that follow from others: for each, the constant and the coefficients of the counts that stay to be chosen. */
export interface Solved {
  /** Blanks that are chosen freely, in ascending order. */
  readonly chosen: readonly number[];
  readonly follow: readonly {
    readonly blank: number;
    readonly constant: Rational;
    readonly by: ReadonlyMap<number, Rational>;
  }[];
}

/** Works the rules into one another, so that some counts follow from the rest; undefined where they contradict. */
export function solveRules(rules: readonly SumRule[], blanks: readonly number[]): Solved | undefined {
  const rows = new Map<number, { terms: Map<number, Rational>; total: Rational }>();
  for (const rule of rules) {
    let terms = new Map(rule.terms);
    let { total } = rule;
    const clear = (pivot: number, row: { terms: Map<number, Rational>; total: Rational }): void => {
      const factor = terms.get(pivot);
      if (!factor) return;
      for (const [i, c] of row.terms) terms.set(i, sub(terms.get(i) ?? ZERO, mul(factor, c)));
      total = sub(total, mul(factor, row.total));
      terms = new Map([...terms].filter(([, c]) => !isZero(c)));
    };
    for (const [pivot, row] of rows) clear(pivot, row);
    const pivot = Math.max(...terms.keys());
    const lead = terms.get(pivot);
    if (!lead) {
      if (!isZero(total)) return undefined;
      continue;
    }
    const unit = {
      terms: new Map([...terms].map(([i, c]) => [i, div(c, lead)] as const)),
      total: div(total, lead),
    };
    for (const [key, row] of rows) {
      const factor = row.terms.get(pivot);
      if (!factor) continue;
      for (const [i, c] of unit.terms) row.terms.set(i, sub(row.terms.get(i) ?? ZERO, mul(factor, c)));
      rows.set(key, {
        terms: new Map([...row.terms].filter(([, c]) => !isZero(c))),
        total: sub(row.total, mul(factor, unit.total)),
      });
    }
    rows.set(pivot, unit);
  }
  return {
    chosen: blanks.filter(b => !rows.has(b)),
    follow: [...rows].map(([blank, { terms, total }]) => ({
      blank,
      constant: total,
      by: new Map([...terms].filter(([i]) => i !== blank).map(([i, c]) => [i, neg(c)] as const)),
    })),
  };
}
