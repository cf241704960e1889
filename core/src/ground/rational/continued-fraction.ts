import { floorDiv } from './integer.ts';
import type { Rational } from './rational.ts';

/** Terms of the simple continued fraction of a: terms(191/23) = [8, 3, 3, 2]. At most `most` of them. */
export function terms(a: Rational, most = 64): bigint[] {
  const found: bigint[] = [];
  let { num, den } = a;
  while (den !== 0n && found.length < most) {
    const q = floorDiv(num, den);
    found.push(q);
    [num, den] = [den, num - q * den];
  }
  return found;
}

/**
 * Convergents of the continued fraction of a, the last being a itself when `most` allows.
 * Source: Hardy & Wright, An Introduction to the Theory of Numbers, ch. 10 (recurrence p_n = a_n p_(n−1) + p_(n−2)).
 */
export function convergents(a: Rational, most = 64): Rational[] {
  let [p0, q0, p1, q1] = [0n, 1n, 1n, 0n];
  return terms(a, most).map(t => {
    [p0, q0, p1, q1] = [p1, q1, t * p1 + p0, t * q1 + q0];
    return { num: p1, den: q1 };
  });
}

/**
 * The fractions met on the way down the Stern–Brocot tree to a (a > 0), a last; at most `most`.
 * Source: Brocot, Calcul des rouages par approximation, 1861.
 */
export function sternBrocotPath(a: Rational, most = 256): Rational[] {
  const path: Rational[] = [];
  let [ln, ld, rn, rd] = [0n, 1n, 1n, 0n];
  while (path.length < most) {
    const m = { num: ln + rn, den: ld + rd };
    path.push(m);
    const d = m.num * a.den - a.num * m.den;
    if (d === 0n) break;
    if (d < 0n) [ln, ld] = [m.num, m.den];
    else [rn, rd] = [m.num, m.den];
  }
  return path;
}
