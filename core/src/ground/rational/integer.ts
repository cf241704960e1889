/** Absolute value of an integer. */
export const abs = (n: bigint): bigint => (n < 0n ? -n : n);

/** Greatest common divisor (Euclid), never negative; gcd(0, 0) = 0. */
export function gcd(a: bigint, b: bigint): bigint {
  let x = abs(a);
  let y = abs(b);
  while (y !== 0n) [x, y] = [y, x % y];
  return x;
}

/** Quotient rounded towards minus infinity. Throws RangeError for b = 0. */
export function floorDiv(a: bigint, b: bigint): bigint {
  const q = a / b;
  return a % b !== 0n && a < 0n !== b < 0n ? q - 1n : q;
}

/**
 * Prime factors of an integer from 2 to 2^53, ascending, with repetition, by trial division. factors(84) = [2, 2,
 * 3, 7].
 */
export function factors(n: number): number[] {
  if (!Number.isSafeInteger(n) || n < 1) throw new RangeError(`factors: ${n} is not a positive integer`);
  const found: number[] = [];
  let rest = n;
  for (let p = 2; p * p <= rest; p += p === 2 ? 1 : 2) {
    while (rest % p === 0) {
      found.push(p);
      rest /= p;
    }
  }
  if (rest > 1) found.push(rest);
  return found;
}
