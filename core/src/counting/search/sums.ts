import type { Lists } from './lists.ts';
import type { Products } from './products.ts';
import { nearBounds } from './visit.ts';

/** Entries of a list grouped by their sum, each group ascending in value. */
interface Groups {
  readonly sums: readonly number[];
  readonly at: ReadonlyMap<number, Int32Array>;
}

function grouped({ sums }: Products): Groups {
  const sizes = new Map<number, number>();
  for (const s of sums) sizes.set(s, (sizes.get(s) ?? 0) + 1);
  const at = new Map([...sizes].map(([s, n]) => [s, new Int32Array(n)] as const));
  const filled = new Map<number, number>();
  for (let i = 0; i < sums.length; i++) {
    const s = sums[i] as number;
    const n = filled.get(s) ?? 0;
    (at.get(s) as Int32Array)[n] = i;
    filled.set(s, n + 1);
  }
  return { sums: [...sizes.keys()].sort((a, b) => a - b), at };
}

/** Looks at a pair of entries; whether their neighbours of greater error may still matter. */
export type Look = (i: number, j: number, error: number) => boolean;

/**
 * For every two sums that stay below `total` together, looks at the right entries next below and next above each left
 * entry over the target: nothing else can have the least error for that total, unless a limit forbids it. As long as
 * `look` says that those farther off may matter, it goes on. Only errors up to `limit` of their total are of interest.
 * Yields now and then.
 */
export function* visitBySums(
  lists: Lists,
  total: number,
  limit: (total: number) => number,
  look: Look,
): Generator<void> {
  const [a, b] = [grouped(lists.left), grouped(lists.right)];
  let work = 0;
  for (const s of a.sums) {
    for (const r of b.sums) {
      if (s + r >= total) break;
      if (lists.fits && !lists.fits(s, r)) continue;
      const [x, y] = [a.at.get(s) as Int32Array, b.at.get(r) as Int32Array];
      neighbours(lists, x, y, () => limit(s + r), look);
      work += x.length + y.length;
      if (work > 1e5) {
        yield;
        work = 0;
      }
    }
  }
}

function neighbours(
  { left, scaled }: Lists,
  x: Int32Array,
  y: Int32Array,
  limit: () => number,
  look: Look,
): void {
  const values = left.values;
  const at = (k: number): number => scaled[y[k] as number] as number;
  let [least, most] = nearBounds(limit());
  let j = 0;
  for (let n = 0; n < x.length; n++) {
    const i = x[n] as number;
    const value = values[i] as number;
    while (j < y.length && at(j) < value) j++;
    const above = j < y.length && at(j) <= value * most;
    const below = j > 0 && at(j - 1) >= value * least;
    if (!above && !below) continue;
    const goesOn = (k: number): boolean =>
      k >= 0 && k < y.length && look(i, y[k] as number, Math.abs(value / at(k) - 1));
    for (let k = j; above && goesOn(k);) k++;
    for (let k = j - 1; below && goesOn(k);) k--;
    [least, most] = nearBounds(limit());
  }
}
