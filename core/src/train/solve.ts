import { div, isZero, mul, type Rational, sub, ZERO } from '../rational/index.ts';
import type { RateEquation } from './equations.ts';

/** A law that could not be met: it asks for something other than what those before it gave. */
export interface Contradiction {
  readonly source: string;
}

/** Rates by member, members whose rate nothing fixes, and laws that contradict the ones before. */
export interface Solution {
  readonly rates: Readonly<Record<string, Rational>>;
  readonly free: readonly string[];
  readonly contradictions: readonly Contradiction[];
}

type Row = Map<string, Rational>;

const CONSTANT = '';

/**
 * Solves the laws exactly, with the drive's rate set to one turn: Gaussian elimination over the rationals, one law
 * at a time, so that a contradiction is known by the law that brings it. A law that contradicts is left out.
 */
export function solveRates(
  members: readonly string[],
  equations: readonly RateEquation[],
  drive: string | undefined,
): Solution {
  const rows = new Map<string, Row>();
  const contradictions: Contradiction[] = [];
  const take = (source: string, row: Row): void => {
    const reduced = reduce(row, rows);
    const pivot = [...reduced.keys()].find(k => k !== CONSTANT);
    if (pivot === undefined) {
      if (!isZero(reduced.get(CONSTANT) ?? ZERO)) contradictions.push({ source });
      return;
    }
    const unit = scaleRow(reduced, reduced.get(pivot) ?? ZERO);
    for (const [key, other] of rows) rows.set(key, eliminate(other, pivot, unit));
    rows.set(pivot, unit);
  };
  if (drive !== undefined) {
    take(
      drive,
      new Map([
        [drive, { num: 1n, den: 1n }],
        [CONSTANT, { num: 1n, den: 1n }],
      ]),
    );
  }
  for (const e of equations) take(e.source, rowOf(e));
  const rates: Record<string, Rational> = {};
  const free: string[] = [];
  for (const id of members) {
    const row = rows.get(id);
    if (row && [...row.keys()].every(k => k === id || k === CONSTANT)) rates[id] = row.get(CONSTANT) ?? ZERO;
    else free.push(id);
  }
  return { rates, free, contradictions };
}

function rowOf(equation: RateEquation): Row {
  const row: Row = new Map();
  for (const [id, c] of equation.terms) put(row, id, sub(row.get(id) ?? ZERO, { num: -c.num, den: c.den }));
  return row;
}

const put = (row: Row, key: string, value: Rational): void => {
  if (isZero(value)) row.delete(key);
  else row.set(key, value);
};

/** The row with every pivot of the rows so far taken out of it. The constant stands on the right-hand side. */
function reduce(row: Row, rows: Map<string, Row>): Row {
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
