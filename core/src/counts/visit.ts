import type { Lists } from './lists.ts';

/** Entries of the left list that are weighed between two chances to stop. */
const CHUNK = 1 << 15;

/**
 * Visits every pair of entries whose quotient left / right is within `error()` of the target (relative, from nought
 * up), by walking both ascending lists once. The error may fall while it walks. Yields now and then.
 */
export function* visitNear(
  { left, scaled }: Lists,
  error: () => number,
  visit: (i: number, j: number, error: number) => void,
): Generator<void> {
  const values = left.values;
  let j = 0;
  for (let from = 0; from < values.length; from += CHUNK) {
    const to = Math.min(values.length, from + CHUNK);
    j = visitSome(values, scaled, from, to, j, error, visit);
    yield;
  }
}

function visitSome(
  values: Float64Array,
  scaled: Float64Array,
  from: number,
  to: number,
  start: number,
  error: () => number,
  visit: (i: number, j: number, error: number) => void,
): number {
  let j = start;
  let e = error();
  let [least, most] = nearBounds(e);
  for (let i = from; i < to; i++) {
    const value = values[i] as number;
    const low = value * least;
    while (j < scaled.length && (scaled[j] as number) < low) j++;
    if (j === scaled.length) return j;
    const high = value * most;
    if ((scaled[j] as number) > high) continue;
    for (let k = j; k < scaled.length && (scaled[k] as number) <= high; k++) {
      const found = Math.abs(value / (scaled[k] as number) - 1);
      if (found <= e) visit(i, k, found);
    }
    const now = error();
    if (now === e) continue;
    e = now;
    [least, most] = nearBounds(e);
  }
  return j;
}

/** Factors between which a partner of an entry must lie for an error up to e, a little wider than need be. */
export const nearBounds = (e: number): [number, number] => [
  (1 - 1e-15) / (1 + e),
  e < 1 ? (1 + 1e-15) / (1 - e) : Infinity,
];
