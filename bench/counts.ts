import { type CountQuery, searchCounts } from '../core/src/counting/search/index.ts';
import { parseRational, toNumber } from '../core/src/ground/rational/index.ts';
import { must } from '../core/src/ground/result/index.ts';
import { clock, report } from './clock.ts';

const target = must(parseRational('0.5316751872932182'));

const search = (change: Partial<CountQuery>): void => {
  const job = searchCounts({
    target,
    least: 12,
    most: 100,
    stages: [2],
    coaxial: 'none',
    top: 20,
    ...change,
  });
  for (let step = job.next(); !step.done; step = job.next());
};

/**
 * The baseline: every product by loops, sorted, and two pointers for the least error. It gives one train and no
 * front.
 */
function sortedProducts(stages: number, least: number, most: number): number {
  const all: number[] = [];
  const go = (value: number, from: number, left: number): void => {
    if (left === 0) all.push(value);
    else for (let n = from; n <= most; n++) go(value * n, n, left - 1);
  };
  go(1, least, stages);
  const values = Float64Array.from(all).sort();
  const t = toNumber(target);
  let best = Infinity;
  let j = 0;
  for (const p of values) {
    while (j < values.length - 1 && (values[j] as number) * t < p) j++;
    for (const q of [values[j], values[j - 1]])
      if (q !== undefined) best = Math.min(best, Math.abs(p / (q * t) - 1));
  }
  return best;
}

/** Distinct products of two lists, by one bitmap; where both are the same, each pair once. */
function marked(x: Float64Array, y: Float64Array): Float64Array {
  const bits = new Int32Array((((x.at(-1) ?? 0) * (y.at(-1) ?? 0)) >> 5) + 1);
  for (let i = 0; i < x.length; i++)
    for (let j = x === y ? i : 0; j < y.length; j++) {
      const p = (x[i] as number) * (y[j] as number);
      bits[p >> 5] = (bits[p >> 5] as number) | (1 << (p & 31));
    }
  const found: number[] = [];
  for (let w = 0; w < bits.length; w++)
    for (let word = bits[w] as number; word !== 0; word &= word - 1)
      found.push(32 * w + 31 - Math.clz32(word & -word));
  return Float64Array.from(found);
}

/** The second baseline, as fast as plain loops are made: a bitmap of products without their sums, two pointers. */
function markedProducts(stages: number, least: number, most: number): number {
  const one = Float64Array.from({ length: most - least + 1 }, (_, i) => least + i);
  const two = marked(one, one);
  const values = stages === 2 ? two : stages === 3 ? marked(one, two) : marked(two, two);
  const t = toNumber(target);
  let [best, j] = [Infinity, 0];
  for (const p of values) {
    while (j < values.length - 1 && (values[j] as number) * t < p) j++;
    for (const q of [values[j], values[j - 1]])
      if (q !== undefined) best = Math.min(best, Math.abs(p / (q * t) - 1));
  }
  return best;
}

const NAMES = {
  2: ['two stages, 12…100, exact front and top 20', 12, 100, true],
  3: ['three stages, 10…120, exact front and top 20', 10, 120, true],
  4: ['four stages, 12…100, top 20', 12, 100, false],
} as const;

/** Measures the search in Node, warm, against a plain sorted-products search. */
export function countsBench(): void {
  for (const stages of [2, 3, 4] as const) {
    const [name, least, most, front] = NAMES[stages];
    const once = clock(() => search({ stages: [stages], least, most, front }), 5);
    const base = clock(() => sortedProducts(stages, least, most), stages === 4 ? 1 : 3);
    report(name, once, 'plain sorted products, two pointers, best only', base);
    const fast = clock(() => markedProducts(stages, least, most), 5);
    report(name, once, 'the same by a bitmap, as fast as plain loops go', fast);
  }
  const before = process.memoryUsage();
  search({ stages: [3], least: 10, most: 120 });
  const after = process.memoryUsage();
  const grown = (after.heapUsed + after.arrayBuffers - before.heapUsed - before.arrayBuffers) / 1e6;
  console.log(`three stages, memory taken before it is given back: ${grown.toFixed(0)} MB`);
}
