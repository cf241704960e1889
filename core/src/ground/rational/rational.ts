import { floorDiv, gcd } from './integer.ts';

/** An exact fraction in lowest terms with a positive denominator. Plain data: it can be cloned to a worker. */
export interface Rational {
  readonly num: bigint;
  readonly den: bigint;
}

/** num/den in lowest terms. Throws RangeError for a denominator of zero. */
export function rational(num: bigint | number, den: bigint | number = 1n): Rational {
  let n = BigInt(num);
  let d = BigInt(den);
  if (d === 0n) throw new RangeError('rational: denominator is zero');
  if (d < 0n) [n, d] = [-n, -d];
  const g = gcd(n, d);
  return g > 1n ? { num: n / g, den: d / g } : { num: n, den: d };
}

/** Nought and one. */
export const ZERO: Rational = { num: 0n, den: 1n };
export const ONE: Rational = { num: 1n, den: 1n };

/** Sum, difference and product; exact. */
export const add = (a: Rational, b: Rational): Rational =>
  rational(a.num * b.den + b.num * a.den, a.den * b.den);
export const sub = (a: Rational, b: Rational): Rational =>
  rational(a.num * b.den - b.num * a.den, a.den * b.den);
export const mul = (a: Rational, b: Rational): Rational => rational(a.num * b.num, a.den * b.den);
/** a/b. Throws RangeError when b is zero. */
export const div = (a: Rational, b: Rational): Rational => rational(a.num * b.den, a.den * b.num);
/** The same with the other sign. */
export const neg = (a: Rational): Rational => ({ num: -a.num, den: a.den });
/** The size, without its sign. */
export const absolute = (a: Rational): Rational => (a.num < 0n ? neg(a) : a);
/** Whether it is nought. */
export const isZero = (a: Rational): boolean => a.num === 0n;
/** Its sign. */
export const sign = (a: Rational): -1 | 0 | 1 => (a.num === 0n ? 0 : a.num < 0n ? -1 : 1);

/** −1, 0 or 1 as a is less than, equal to or greater than b; exact. */
export function compare(a: Rational, b: Rational): -1 | 0 | 1 {
  const d = a.num * b.den - b.num * a.den;
  return d === 0n ? 0 : d < 0n ? -1 : 1;
}

/** The greatest whole number not above a. */
export const floor = (a: Rational): bigint => floorDiv(a.num, a.den);

/** a − floor(a), from 0 up to, not including, 1. */
export const fraction = (a: Rational): Rational => sub(a, { num: floor(a), den: 1n });

/** The nearest double, also where numerator and denominator are larger than a double can hold. */
export function toNumber(a: Rational): number {
  const n = Number(a.num);
  const d = Number(a.den);
  if (Number.isSafeInteger(n) && Number.isSafeInteger(d)) return n / d;
  if (a.num === 0n) return 0;
  const negative = a.num < 0n;
  const top = negative ? -a.num : a.num;
  const shift = bits(a.den) - bits(top) + 64;
  const q = shift >= 0 ? (top << BigInt(shift)) / a.den : top / (a.den << BigInt(-shift));
  const value = scale(Number(q), -shift);
  return negative ? -value : value;
}

const bits = (n: bigint): number => n.toString(16).length * 4;

/** x·2^exponent in two steps, so that the factor itself neither overflows nor vanishes. */
function scale(x: number, exponent: number): number {
  const half = Math.trunc(exponent / 2);
  return x * 2 ** half * 2 ** (exponent - half);
}

/** "2501/4704", or "12" for a whole number. */
export const toFraction = (a: Rational): string => (a.den === 1n ? `${a.num}` : `${a.num}/${a.den}`);
