/**
 * Student's t for 95 % on both sides, by degrees of freedom 1 to 10; above, 2. Source: standard tables (from
 * memory).
 */
const T95 = [12.71, 4.3, 3.18, 2.78, 2.57, 2.45, 2.36, 2.31, 2.26, 2.23] as const;

/**
 * A value found from readings: their mean, and how far the true one may be off at 95 %; unknown from a single
 * reading.
 */
export interface Estimate {
  readonly value: number;
  readonly within: number | undefined;
  readonly readings: number;
}

/** Mean and its uncertainty t·s/√n, the readings taken as independent and normal. Throws RangeError for none. */
export function estimate(readings: readonly number[]): Estimate {
  const n = readings.length;
  if (n === 0) throw new RangeError('estimate: no readings');
  const value = readings.reduce((s, x) => s + x, 0) / n;
  if (n === 1) return { value, within: undefined, readings: 1 };
  const spread = Math.sqrt(readings.reduce((s, x) => s + (x - value) ** 2, 0) / (n - 1));
  return { value, within: ((T95[n - 2] ?? 2) * spread) / Math.sqrt(n), readings: n };
}
