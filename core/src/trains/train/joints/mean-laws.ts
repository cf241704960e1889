import { type Rational, rational } from '../../../ground/rational/index.ts';
import type { Frames, Terms } from '../frames.ts';
import type { RateEquation } from '../rate-equation.ts';
import type { JointLaws } from './joint-law.ts';

export type Side = readonly [member: string, by: Rational];

export const one = (e: RateEquation | 'open' | undefined): JointLaws =>
  e === undefined || e === 'open' ? e : [e];

/** by_a·ω_a + by_b·ω_b = 0 in the frame in which both rest; undefined where there is none. */
export function pairLaw(frames: Frames, source: string, a: Side, b: Side): RateEquation | undefined {
  const frame = frames.common(a[0], b[0]);
  const [ta, tb] = frame === undefined ? [] : [frames.rateIn(a[0], frame), frames.rateIn(b[0], frame)];
  return ta && tb && { source, terms: [...scaled(ta, a[1]), ...scaled(tb, b[1])] };
}

/** z_a·ω_a ± z_b·ω_b = 0 in the common frame of two wheels. */
export function wheelLaw(
  frames: Frames,
  source: string,
  a: string,
  b: string,
  turns: boolean,
): RateEquation | 'open' | undefined {
  const [wa, wb, za, zb] = [frames.wheel(a), frames.wheel(b), frames.count(a), frames.count(b)];
  if (!wa || !wb || wa.member === wb.member) return undefined;
  if (za === undefined || zb === undefined) return 'open';
  return pairLaw(frames, source, [wa.member, rational(za)], [wb.member, rational(turns ? zb : -zb)]);
}

/** The two arbors turn alike. */
export const equalLaw = (frames: Frames, source: string, a: string, b: string): RateEquation | undefined =>
  pairLaw(frames, source, [a, rational(1n)], [b, rational(-1n)]);

/** A member that goes to and fro: its rate is nought in the mean, and where it stands is all in the δ of its law. */
export const swings = (source: string, member: string): RateEquation => ({
  source,
  terms: [[member, rational(1n)]],
  uneven: true,
});

const scaled = (terms: Terms, by: Rational): Terms =>
  terms.map(([id, c]) => [id, rational(c.num * by.num, c.den * by.den)] as const);
