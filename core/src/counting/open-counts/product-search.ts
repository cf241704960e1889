import type { OpenBlank } from './blank-system.ts';
import { type Finder, KEPT } from './finder.ts';

/** A rate that is a product: constant · Π driving / Π driven, over blanks by their numbers. */
export interface Product {
  readonly constant: number;
  readonly driving: readonly number[];
  readonly driven: readonly number[];
}

/** Products that one half of the counts may have. */
const MOST_HALF = 1.5e6;
/** Errors are looked for up to these, from so small on that few ways can have them, in steps of so much. */
const STEP = 30;
const LARGEST = 1;

/** One half of the counts: its products ascending, each with the counts that make it of the fewest teeth. */
interface Half {
  readonly values: Float64Array;
  readonly codes: Float64Array;
  readonly countsOf: (code: number) => readonly (readonly [blank: number, count: number])[];
}

/**
 * Offers the counts whose product comes nearest to a rate, by size: the products of half of the counts against those of
 * the other half, both ascending, so that all ways within the ranges are weighed though few are looked at. False where
 * the halves are too many to be held.
 */
export function* searchProduct(
  found: Finder,
  blanks: readonly OpenBlank[],
  product: Product,
  target: number,
): Generator<{ readonly done: number }, boolean> {
  const width = (i: number): number => blanks[i]?.counts.length ?? 1;
  const all = [...product.driving, ...product.driven].sort((a, b) => width(b) - width(a));
  const halves: [number[], number[]] = [[], []];
  const many = [1, 1];
  for (const i of all) {
    const to = (many[0] ?? 1) <= (many[1] ?? 1) ? 0 : 1;
    halves[to].push(i);
    many[to] = (many[to] ?? 1) * width(i);
  }
  if (Math.max(...many) > MOST_HALF) return false;
  const inverse = new Set(product.driven);
  const left = yield* halfOf(blanks, halves[0], inverse, 0.1);
  const right = yield* halfOf(blanks, halves[1], inverse, 0.3);
  const wanted = Math.abs(target / product.constant);
  const pairs = left.values.length * right.values.length;
  const first = Math.max(1e-12, (8 * KEPT) / pairs);
  for (let error = first; ; error = Math.min(LARGEST, STEP * error)) {
    yield { done: 0.5 };
    const errors = new Set<string>();
    for (const near of within(left, right, wanted, error)) errors.add(near.error.toPrecision(11));
    if (errors.size < KEPT && error < LARGEST) continue;
    const counts = blanks.map(b => b.least);
    let n = 0;
    for (const { i, j, error: off } of within(left, right, wanted, error)) {
      for (const [b, c] of left.countsOf(left.codes[i] as number)) counts[b] = c;
      for (const [b, c] of right.countsOf(right.codes[j] as number)) counts[b] = c;
      found.offer(counts, off);
      if (++n % 4096 === 0) yield { done: 0.8 };
    }
    found.weighed = pairs;
    return true;
  }
}

/** Pairs whose product is within an error of what is wanted. */
function* within(
  left: Half,
  right: Half,
  wanted: number,
  error: number,
): Generator<{ readonly i: number; readonly j: number; readonly error: number }> {
  let from = right.values.length - 1;
  for (let i = 0; i < left.values.length; i++) {
    const need = wanted / (left.values[i] as number);
    const [low, high] = [need * (1 - error) * (1 - 1e-14), need * (1 + error) * (1 + 1e-14)];
    while (from >= 0 && (right.values[from] as number) > high) from--;
    for (let j = from; j >= 0 && (right.values[j] as number) >= low; j--)
      yield { i, j, error: Math.abs((right.values[j] as number) / need - 1) };
  }
}

function* halfOf(
  blanks: readonly OpenBlank[],
  own: readonly number[],
  inverse: ReadonlySet<number>,
  done: number,
): Generator<{ readonly done: number }, Half> {
  const widths = own.map(i => blanks[i]?.counts.length ?? 1);
  const countsOf = (code: number): (readonly [number, number])[] => {
    let rest = code;
    return own.map((i, k) => {
      const digit = rest % (widths[k] ?? 1);
      rest = Math.floor(rest / (widths[k] ?? 1));
      return [i, blanks[i]?.counts[digit] ?? 0] as const;
    });
  };
  const many = widths.reduce((p, w) => p * w, 1);
  const values = new Float64Array(many);
  const teeth = new Float64Array(many);
  for (let code = 0; code < many; code++) {
    let [value, sum] = [1, 0];
    for (const [i, count] of countsOf(code)) {
      value = inverse.has(i) ? value / count : value * count;
      sum += count;
    }
    values[code] = value;
    teeth[code] = sum;
    if (code % 50000 === 0) yield { done };
  }
  const order = Float64Array.from({ length: many }, (_, i) => i).sort(
    (a, b) => (values[a] as number) - (values[b] as number) || (teeth[a] as number) - (teeth[b] as number),
  );
  yield { done };
  const kept = order.filter((code, k) => {
    const before = k === 0 ? 0 : (values[order[k - 1] as number] as number);
    return Math.abs((values[code] as number) / before - 1) > 1e-14;
  });
  return { values: Float64Array.from(kept, code => values[code] as number), codes: kept, countsOf };
}
