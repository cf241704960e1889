/**
 * Distinct products of one count from each of several sets, ascending, each with the least sum of counts that makes
 * it.
 */
export interface Products {
  readonly values: Float64Array;
  readonly sums: Uint16Array;
}

/** Work on lists: yields now and then, so that the caller can stop, and tells how many steps it took since. */
export type Making<T> = Generator<number | void, T>;

/** A part of all products: values from `from` (included) to `below` (excluded), and sums up to `mostSum`. */
export interface ProductRange {
  readonly from: number;
  readonly below: number;
  readonly mostSum: number;
}

const ALL_PRODUCTS: ProductRange = { from: 0, below: Infinity, mostSum: 65535 };

/** Values that are marked at a time: their bitmap and their least sums stay in the processor's cache. */
const SEGMENT = 1 << 18;

/**
 * All distinct products of one count from each set within the range. The sets hold whole numbers, ascending; a product
 * must stay below 2^53. Yields now and then while it works, so that the caller can stop. Each segment is marked in a
 * bitmap, which sorts the products and drops doubles at once.
 */
export function* productsOf(
  sets: readonly (readonly number[])[],
  range: ProductRange = ALL_PRODUCTS,
): Making<Products> {
  const [only] = sets;
  if (sets.length === 1 && only) return single(only, range);
  const whole = range === ALL_PRODUCTS && (only?.at(-1) ?? 0) ** 3 < MOST_MARKED;
  if (sets.length === 3 && only && whole && sets.every(s => s === only)) return tripleProducts(only);
  const half = Math.floor(sets.length / 2);
  const left = yield* productsOf(sets.slice(0, half));
  const alike = sets.length % 2 === 0 && sets.slice(half).every((s, i) => s === sets[i]);
  const right = alike ? left : yield* productsOf(sets.slice(half));
  return yield* combine(left, right, alike, range);
}

function single(set: readonly number[], { from, below, mostSum }: ProductRange): Products {
  const kept = set.filter(n => n >= from && n < below && n <= mostSum);
  return { values: Float64Array.from(kept), sums: Uint16Array.from(kept) };
}

/** Up to here the products of three counts are marked in one bitmap. */
const MOST_MARKED = 1 << 23;

/** Products of three counts of one set, each three in ascending order once. */
function tripleProducts(set: readonly number[]): Products {
  const counts = Float64Array.from(set);
  const top = (counts.at(-1) ?? 0) ** 3 + 1;
  const segment = { bits: new Int32Array(Math.ceil(top / 32)), sums: new Uint16Array(top + 32) };
  const { bits, sums } = segment;
  let count = 0;
  for (let a = 0; a < counts.length; a++)
    for (let b = a; b < counts.length; b++) {
      const product = (counts[a] as number) * (counts[b] as number);
      const sum = (counts[a] as number) + (counts[b] as number);
      for (let c = b; c < counts.length; c++) {
        const at = (product * (counts[c] as number)) | 0;
        const total = sum + (counts[c] as number);
        const word = bits[at >> 5] as number;
        const bit = 1 << (at & 31);
        if ((word & bit) === 0) {
          bits[at >> 5] = word | bit;
          sums[at] = total;
          count += 1;
        } else if (total < (sums[at] as number)) sums[at] = total;
      }
    }
  return read(segment, 0, count);
}

function* combine(x: Products, y: Products, alike: boolean, range: ProductRange): Making<Products> {
  const top = (x.values.at(-1) ?? 0) * (y.values.at(-1) ?? 0) + 1;
  const below = Math.min(Math.ceil(range.below), top);
  const from = Math.max(Math.floor(range.from), (x.values[0] ?? 0) * (y.values[0] ?? 0));
  const next = firstPartners(x.values, y.values, alike, from);
  const size = Math.min(SEGMENT, Math.max(32, below - from));
  const segment = { bits: new Int32Array(Math.ceil(size / 32)), sums: new Uint16Array(size + 32) };
  const parts: Products[] = [];
  for (let low = from; low < below; low += SEGMENT) {
    const count = mark(x, y, segment, low, Math.min(below, low + SEGMENT), range.mostSum, next);
    if (count > 0) parts.push(read(segment, low, count));
    yield next.length + count;
  }
  return joined(parts);
}

/** For every x the first y with x·y at least `from`; where both sides are alike, never a y before the x itself. */
function firstPartners(x: Float64Array, y: Float64Array, alike: boolean, from: number): Int32Array {
  const next = new Int32Array(x.length);
  let j = y.length;
  for (let i = 0; i < x.length; i++) {
    while (j > 0 && (x[i] as number) * (y[j - 1] as number) >= from) j--;
    next[i] = alike ? Math.max(j, i) : j;
  }
  return next;
}

interface Segment {
  readonly bits: Int32Array;
  /** Least sum of every product that is marked; anything where none is. */
  readonly sums: Uint16Array;
}

/** Marks every product from `low` to below `high`, moves `next` on, and counts the products. */
function mark(
  x: Products,
  y: Products,
  { bits, sums }: Segment,
  low: number,
  high: number,
  mostSum: number,
  next: Int32Array,
): number {
  bits.fill(0);
  let count = 0;
  const yv = y.values;
  const ys = y.sums;
  const length = yv.length;
  for (let i = 0; i < next.length; i++) {
    const u = x.values[i] as number;
    const s = x.sums[i] as number;
    let j = next[i] as number;
    for (; j < length; j++) {
      const product = u * (yv[j] as number);
      if (product >= high) break;
      const sum = s + (ys[j] as number);
      if (sum > mostSum) continue;
      const at = (product - low) | 0;
      const bit = 1 << (at & 31);
      const word = bits[at >> 5] as number;
      if ((word & bit) === 0) {
        bits[at >> 5] = word | bit;
        sums[at] = sum;
        count += 1;
      } else if (sum < (sums[at] as number)) sums[at] = sum;
    }
    next[i] = j;
  }
  return count;
}

/** The marked products, ascending. */
function read({ bits, sums }: Segment, low: number, count: number): Products {
  const found = { values: new Float64Array(count), sums: new Uint16Array(count) };
  let n = 0;
  for (let w = 0; w < bits.length; w++) {
    let word = bits[w] as number;
    while (word !== 0) {
      const at = 32 * w + 31 - Math.clz32(word & -word);
      found.values[n] = low + at;
      found.sums[n++] = sums[at] as number;
      word &= word - 1;
    }
  }
  return found;
}

function joined(parts: readonly Products[]): Products {
  const [only] = parts;
  if (parts.length === 1 && only) return only;
  const length = parts.reduce((n, p) => n + p.values.length, 0);
  const values = new Float64Array(length);
  const sums = new Uint16Array(length);
  let at = 0;
  for (const p of parts) {
    values.set(p.values, at);
    sums.set(p.sums, at);
    at += p.values.length;
  }
  return { values, sums };
}

/** A product and a sum as one double: the product above, the sum below. Exact for four counts up to 1000. */
const KEY = 1 << 13;

/**
 * All distinct pairs of product and sum of one count from each set, ascending in product: for an exact total, where
 * more than the least sum of a product matters. Yields now and then.
 */
export function* productsBySum(sets: readonly (readonly number[])[]): Generator<void, Products> {
  let keys: number[] = [];
  const go = (at: number, product: number, sum: number, from: number): void => {
    const set = sets[at];
    if (!set) {
      keys.push(product * KEY + sum);
      return;
    }
    const alike = set === sets[at + 1];
    for (const n of set) if (n >= from) go(at + 1, product * n, sum + n, alike ? n : 0);
  };
  const parts: Float64Array[] = [];
  for (const n of sets[0] ?? []) {
    go(1, n, n, sets[0] === sets[1] ? n : 0);
    parts.push(Float64Array.from(keys));
    keys = [];
    yield;
  }
  const all = new Float64Array(parts.reduce((n, p) => n + p.length, 0));
  let at = 0;
  for (const p of parts) {
    all.set(p, at);
    at += p.length;
  }
  all.sort();
  yield;
  const distinct = all.filter((k, i) => i === 0 || k !== all[i - 1]);
  const values = new Float64Array(distinct.length);
  const sums = new Uint16Array(distinct.length);
  for (let i = 0; i < distinct.length; i++) {
    values[i] = Math.floor((distinct[i] as number) / KEY);
    sums[i] = (distinct[i] as number) % KEY;
  }
  return { values, sums };
}
