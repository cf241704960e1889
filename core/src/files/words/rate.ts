import { absolute, type Rational, sign, toFraction, toNumber } from '../../ground/rational/index.ts';
import { figure } from '../../ground/units/index.ts';

/**
 * A rate in turns per turn of the drive: its sense as an arrow, and the exact fraction, or four figures where that
 * is longer than `most`.
 * `way` is the drive's, seen from the front: −1 for clockwise.
 */
export function sayRate(rate: Rational | undefined, most = 24, way: 1 | -1 = 1): string {
  if (!rate) return 'not fixed';
  if (sign(rate) === 0) return 'stands';
  const size = toFraction(absolute(rate));
  const text = size.length <= most ? size : figure(toNumber(absolute(rate)), 4);
  return `${sign(rate) === way ? '↺' : '↻'} ${text}`;
}

/**
 * A rate as turns of the drive to turns of the output, by size: a reduction is n : 1, a gain 1 : n (conventions 1).
 * 19/235 to 5 figures is “12.368 : 1”.
 */
export function sayReduction(rate: Rational, figures: number): string {
  const size = toNumber(absolute(rate));
  if (size === 0) return 'still';
  return size < 1 ? `${figure(1 / size, figures)} : 1` : `1 : ${figure(size, figures)}`;
}
