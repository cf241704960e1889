import { table } from '../../ground/result/index.ts';
import { div, isZero, mul, ONE, type Rational, sub, ZERO } from '../../ground/rational/index.ts';
import type { RateEquation } from './rate-equation.ts';

/** A law that could not be met: it asks for something other than what those before it gave. */
export interface Contradiction {
  readonly source: string;
  /** The mean rates agree, but the law is uneven within a turn and nothing takes that up. */
  readonly uneven?: true;
}

/** How far a member is off its mean, for each unit by which an uneven law is: coefficients by the law's source. */
export type Response = readonly (readonly [source: string, coefficient: Rational])[];

/** Rates by member, members whose rate nothing fixes, and laws that contradict the ones before. */
export interface Solution {
  readonly rates: Readonly<Record<string, Rational>>;
  readonly free: readonly string[];
  readonly contradictions: readonly Contradiction[];
  /** Slipping joints that do slip, since the rest of the train says how both sides turn. */
  readonly slipping: readonly string[];
  /** Only for members that an uneven law reaches. */
  readonly responses: Readonly<Record<string, Response>>;
}

type Row = Map<string, Rational>;

/** Columns of the right-hand side: the constant, and one for each uneven law. */
export const CONSTANT = '';
const UNEVEN = '~';
/** Whether a column is a member's rate. */
export const isMember = (key: string): boolean => key !== CONSTANT && !key.startsWith(UNEVEN);

/** Laws worked into one another: every pivot member by the others. Rows read Σ coefficient·rate = right-hand side. */
export interface Elimination {
  readonly rows: ReadonlyMap<string, ReadonlyMap<string, Rational>>;
  readonly contradictions: readonly Contradiction[];
  readonly slipping: readonly string[];
  /**
   * A sum of rates by the members that are still free and a constant: the entry under `CONSTANT` is the constant
   * with its sign turned, as on the right-hand side.
   */
  readonly reduce: (terms: RateEquation['terms']) => ReadonlyMap<string, Rational>;
}

/**
 * Gaussian elimination over the rationals, with the drive's rate set to one turn, one law at a time, so that a
 * contradiction is known by the law that brings it. A law that contradicts is left out. An uneven law Σ c·θ = δ
 * carries its δ along as a column, so that it is known how far δ moves every member.
 */
export function eliminateLaws(equations: readonly RateEquation[], drive: string | undefined): Elimination {
  const rows = new Map<string, Row>();
  /** Rows in which a key stands, so that a new pivot is taken out of those alone. */
  const holders = new Map<string, Set<string>>();
  const contradictions: Contradiction[] = [];
  const slipping: string[] = [];
  const store = (pivot: string, row: Row): void => {
    for (const key of rows.get(pivot)?.keys() ?? []) holders.get(key)?.delete(pivot);
    rows.set(pivot, row);
    for (const key of row.keys()) {
      const held = holders.get(key);
      if (held) held.add(pivot);
      else holders.set(key, new Set([pivot]));
    }
  };
  const take = (row: Row, law: RateEquation | undefined): void => {
    const reduced = reduce(row, rows);
    const pivot = [...reduced.keys()].find(isMember);
    if (pivot === undefined) {
      if (!law || reduced.size === 0) return;
      if (law.yields) slipping.push(law.source);
      else if (reduced.has(CONSTANT)) contradictions.push({ source: law.source });
      else contradictions.push({ source: law.source, uneven: true });
      return;
    }
    const unit = scaleRow(reduced, reduced.get(pivot) ?? ZERO);
    for (const key of [...(holders.get(pivot) ?? [])])
      store(key, eliminate(rows.get(key) ?? new Map(), pivot, unit));
    store(pivot, unit);
  };
  if (drive !== undefined) {
    const once: Row = new Map([[drive, ONE]]);
    take(once.set(CONSTANT, ONE), undefined);
  }
  for (const e of equations) take(rowOf(e), e);
  return {
    rows,
    contradictions,
    slipping,
    reduce: terms => reduce(rowOf({ source: '', terms }), rows),
  };
}

/** Solves the laws exactly, with the drive's rate set to one turn; see eliminateLaws. */
export function solveRates(
  members: readonly string[],
  equations: readonly RateEquation[],
  drive: string | undefined,
): Solution {
  const { rows, contradictions, slipping } = eliminateLaws(equations, drive);
  const rates: Record<string, Rational> = table();
  const responses: Record<string, Response> = table();
  const free: string[] = [];
  for (const id of members) {
    const row = rows.get(id);
    if (!row || [...row.keys()].some(k => k !== id && isMember(k))) {
      free.push(id);
      continue;
    }
    rates[id] = row.get(CONSTANT) ?? ZERO;
    const uneven = [...row].filter(([k]) => k.startsWith(UNEVEN));
    if (uneven.length > 0) responses[id] = uneven.map(([k, c]) => [k.slice(UNEVEN.length), c] as const);
  }
  return { rates, free, contradictions, slipping, responses };
}

function rowOf(equation: RateEquation): Row {
  const row: Row = new Map();
  for (const [id, c] of equation.terms) put(row, id, sub(row.get(id) ?? ZERO, { num: -c.num, den: c.den }));
  if (equation.uneven) row.set(UNEVEN + equation.source, ONE);
  return row;
}

const put = (row: Row, key: string, value: Rational): void => {
  if (isZero(value)) row.delete(key);
  else row.set(key, value);
};

/** The row with every pivot of the rows so far taken out of it. The constant stands on the right-hand side. */
function reduce(row: Row, rows: ReadonlyMap<string, Row>): Row {
  let current = row;
  for (const key of row.keys()) {
    const pivotRow = rows.get(key);
    if (pivotRow) current = eliminate(current, key, pivotRow);
  }
  return current;
}

function eliminate(row: Row, pivot: string, unit: Row): Row {
  const factor = row.get(pivot);
  if (!factor) return row;
  const result: Row = new Map(row);
  for (const [key, value] of unit) put(result, key, sub(result.get(key) ?? ZERO, mul(factor, value)));
  return result;
}

const scaleRow = (row: Row, by: Rational): Row => new Map([...row].map(([k, v]) => [k, div(v, by)] as const));
