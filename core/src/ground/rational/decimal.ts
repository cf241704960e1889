import { fail, ok, type Result } from '../result/index.ts';
import { abs } from './integer.ts';
import { div, type Rational, rational } from './rational.ts';

const DECIMAL = /^([+-]?)(\d*)(?:\.(\d*))?(?:[eE]([+-]?\d{1,4}))?$/;
const MOST_DIGITS = 1000;

/** Reads a decimal exactly: "12.4206012", "-1e-3". Never through a double. */
export function parseDecimal(text: string): Result<Rational> {
  const t = text.trim();
  if (t.length > MOST_DIGITS) return fail('number-too-long', { most: MOST_DIGITS });
  const m = DECIMAL.exec(t);
  const whole = m?.[2] ?? '';
  const part = m?.[3] ?? '';
  if (!m || whole + part === '') return fail('not-a-number', { text: t });
  const exponent = Number(m[4] ?? 0) - part.length;
  if (Math.abs(exponent) > 2 * MOST_DIGITS) return fail('number-too-long', { most: MOST_DIGITS });
  const digits = BigInt(whole + part) * (m[1] === '-' ? -1n : 1n);
  return ok(
    exponent >= 0 ? rational(digits * 10n ** BigInt(exponent)) : rational(digits, 10n ** BigInt(-exponent)),
  );
}

/** Reads a decimal or a quotient of two: "235/19", "1/365.24219". */
export function parseRational(text: string): Result<Rational> {
  const parts = text.split('/');
  if (parts.length > 2) return fail('not-a-number', { text: text.trim() });
  const top = parseDecimal(parts[0] ?? '');
  if (!top.ok || parts.length === 1) return top;
  const bottom = parseDecimal(parts[1] ?? '');
  if (!bottom.ok) return bottom;
  if (bottom.value.num === 0n) return fail('division-by-zero', { text: text.trim() });
  return ok(div(top.value, bottom.value));
}

/** Decimal text of a with so many places, rounded half away from zero; exact. toDecimal(2/3, 3) = "0.667". */
export function toDecimal(a: Rational, places: number): string {
  const scaled = abs(a.num) * 10n ** BigInt(places);
  const rounded = (2n * scaled + a.den) / (2n * a.den);
  const digits = rounded.toString().padStart(places + 1, '0');
  const body = places === 0 ? digits : `${digits.slice(0, -places)}.${digits.slice(-places)}`;
  return a.num < 0n && rounded !== 0n ? `-${body}` : body;
}

/**
 * Decimal text of a with so many significant digits, exact, without an exponent: toSignificant(1/300, 3) =
 * "0.00333".
 */
export function toSignificant(a: Rational, digits: number): string {
  if (a.num === 0n) return '0';
  const top = abs(a.num);
  let magnitude = top.toString().length - a.den.toString().length;
  const below =
    magnitude >= 0 ? top < a.den * 10n ** BigInt(magnitude) : top * 10n ** BigInt(-magnitude) < a.den;
  if (below) magnitude -= 1;
  return toDecimal(a, Math.max(0, digits - 1 - magnitude));
}
