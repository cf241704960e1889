import type { Stage, StockWheel } from '../search/index.ts';

/** The ratios of one mesh, or of two, whose tooth sums are all one: ascending, with the counts that make them. */
export interface Ratios {
  readonly values: Float64Array;
  /** Driving counts: of the first mesh, and of the second (0 where there is only one). */
  readonly first: Uint16Array;
  readonly second: Uint16Array;
}

/** The counts that wheels may have. */
export interface Allowed {
  readonly least: number;
  readonly most: number;
  readonly stock?: readonly StockWheel[];
}

/** The driving counts that a tooth sum leaves within the limits, such that both wheels of the mesh are allowed. */
function drivingCounts(sum: number, { least, most, stock }: Allowed): number[] {
  const from = Math.max(least, sum - most);
  const to = Math.min(most, sum - least);
  const all = Array.from({ length: Math.max(0, to - from + 1) }, (_, i) => from + i);
  if (!stock) return all;
  const there = new Set(stock.map(s => s.count));
  return all.filter(n => there.has(n) && there.has(sum - n));
}

/** Ratios a/(S − a) of one mesh. */
export function oneMesh(sum: number, allowed: Allowed): Ratios {
  const counts = drivingCounts(sum, allowed);
  return {
    values: Float64Array.from(counts, a => a / (sum - a)),
    first: Uint16Array.from(counts),
    second: new Uint16Array(counts.length),
  };
}

/** Ratios a/(S − a) · c/(S − c) of a loose pair; every choice of two counts, a ≥ c, once. */
export function twoMeshes(sum: number, allowed: Allowed): Ratios {
  const counts = drivingCounts(sum, allowed);
  const many = (counts.length * (counts.length + 1)) / 2;
  const raw = { values: new Float64Array(many), first: new Uint16Array(many), second: new Uint16Array(many) };
  let n = 0;
  for (const a of counts) {
    for (const c of counts) {
      if (c > a) break;
      raw.values[n] = (a * c) / ((sum - a) * (sum - c));
      raw.first[n] = a;
      raw.second[n++] = c;
    }
  }
  const order = Uint32Array.from({ length: many }, (_, i) => i).sort(
    (x, y) => (raw.values[x] as number) - (raw.values[y] as number) || x - y,
  );
  return {
    values: Float64Array.from(order, i => raw.values[i] as number),
    first: Uint16Array.from(order, i => raw.first[i] as number),
    second: Uint16Array.from(order, i => raw.second[i] as number),
  };
}

/** The stages of an entry. */
export function stagesOf({ first, second }: Ratios, at: number, sum: number): Stage[] {
  const [a, c] = [first[at] as number, second[at] as number];
  const stage = (n: number): Stage => ({ driving: n, driven: sum - n });
  return c === 0 ? [stage(a)] : [stage(a), stage(c)];
}

/** Where the first entry of at least a value stands in an ascending list. */
export function firstFrom(values: Float64Array, value: number): number {
  let [low, high] = [0, values.length];
  while (low < high) {
    const middle = (low + high) >>> 1;
    if ((values[middle] as number) < value) low = middle + 1;
    else high = middle;
  }
  return low;
}
