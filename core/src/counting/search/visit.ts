import type { Lists } from './lists.ts';

/** Entries of the left list, and pairs, that are weighed between two chances to stop. */
const CHUNK = 1 << 15;
const MOST_VISITS = 400;

/**
 * Visits every pair of entries whose quotient left / right is within `error()` of the target (relative, from nought
 * up), by walking both ascending lists once. The error may fall while it walks. Yields now and then.
 */
export function* visitNear(
  { left, scaled }: Lists,
  error: () => number,
  visit: (i: number, j: number, error: number) => void,
): Generator<void> {
  const walk = { i: 0, j: 0 };
  while (walk.i < left.values.length) {
    visitSome(left.values, scaled, walk, error, visit);
    yield;
  }
}

/** Goes on with a walk until it has done enough; i ends at the length of the list when it is done. */
function visitSome(
  values: Float64Array,
  scaled: Float64Array,
  walk: { i: number; j: number },
  error: () => number,
  visit: (i: number, j: number, error: number) => void,
): void {
  const to = Math.min(values.length, walk.i + CHUNK);
  let j = walk.j;
  let e = error();
  let [least, most] = nearBounds(e);
  let visits = 0;
  let i = walk.i;
  for (; i < to && visits < MOST_VISITS; i++) {
    const value = values[i] as number;
    const low = value * least;
    while (j < scaled.length && (scaled[j] as number) < low) j++;
    if (j === scaled.length) {
      i = values.length;
      break;
    }
    const high = value * most;
    if ((scaled[j] as number) > high) continue;
    for (let k = j; k < scaled.length && (scaled[k] as number) <= high; k++) {
      const found = Math.abs(value / (scaled[k] as number) - 1);
      if (found > e) continue;
      visits += 1;
      visit(i, k, found);
    }
    const now = error();
    if (now === e) continue;
    e = now;
    [least, most] = nearBounds(e);
  }
  walk.i = i;
  walk.j = j;
}

/** Factors between which a partner of an entry must lie for an error up to e, a little wider than need be. */
export const nearBounds = (e: number): [number, number] => [
  (1 - 1e-15) / (1 + e),
  e < 1 ? (1 + 1e-15) / (1 - e) : Infinity,
];
