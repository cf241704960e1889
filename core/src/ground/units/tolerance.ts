import {
  absolute,
  div,
  mul,
  parseDecimal,
  parseRational,
  type Rational,
  rational,
  sign,
  toNumber,
} from '../rational/index.ts';
import { fail, ok, type Result } from '../result/index.ts';
import { figure, sayTime } from './say-number.ts';
import { secondsIn } from './time-unit.ts';
import { metresIn } from './travel.ts';
import { type DriveFacts, NUMBER, parsePeriod, type Wanted } from './wanted.ts';

/** A stretch over which a drift is stated: a time in seconds, turns of the drive, or a way in metres. */
export type Span =
  | { readonly kind: 'time'; readonly seconds: Rational }
  | { readonly kind: 'turns'; readonly turns: Rational }
  | { readonly kind: 'way'; readonly metres: Rational };

/** How far an output may be out: an angle of its own, or so much of what it counts, a time or a way. */
export type Amount =
  | { readonly kind: 'angle'; readonly degrees: Rational }
  | { readonly kind: 'time'; readonly seconds: Rational }
  | { readonly kind: 'way'; readonly metres: Rational };

/** What an output counts, which says what “m” stands for: a way counts metres, all else minutes. */
export type Counts = 'time' | 'way';

/** What an output counts whose wanted text was read so. */
export const whatCounts = (wanted: Result<Wanted>): Counts =>
  wanted.ok && wanted.value.kind === 'per distance' ? 'way' : 'time';

const ONE_TERM = new RegExp(String.raw`^(${NUMBER})\s*([a-z°]+(?:\s+[a-z]+)?)$`, 'i');
const TURNS = new RegExp(String.raw`^(${NUMBER})\s*turns?$`, 'i');

/** A way in metres; undefined where the text is none. The letter m alone is a way only for what counts one. */
function parseWay(text: string, counts: Counts): Result<Rational> | undefined {
  const m = ONE_TERM.exec(text.trim());
  const name = m?.[2] ?? '';
  if (!m || (name.toLowerCase() === 'm' && counts === 'time')) return undefined;
  const unit = metresIn(name);
  if (!unit) return undefined;
  const value = parseRational(m[1] ?? '');
  if (!value.ok) return value;
  return sign(value.value) > 0 ? ok(mul(value.value, unit)) : fail('period-zero');
}

/** Reads the stretch of a tolerance: a time, `100 turns` of the drive, or a way such as `1000 m` or `1 mile`. */
export function parseSpan(text: string, counts: Counts = 'time'): Result<Span> {
  const turns = TURNS.exec(text.trim());
  if (turns) {
    const value = parseRational(turns[1] ?? '');
    if (!value.ok) return value;
    return sign(value.value) > 0 ? ok({ kind: 'turns', turns: value.value }) : fail('period-zero');
  }
  const way = parseWay(text, counts);
  if (way) return way.ok ? ok({ kind: 'way', metres: way.value }) : way;
  const seconds = parsePeriod(text);
  return seconds.ok ? ok({ kind: 'time', seconds: seconds.value }) : seconds;
}

/**
 * Reads how far an output may be out: a number alone is degrees, as is `1°`; `0.01 turns`; or in what it counts, `5 m`
 * of a road counter, `2 min` of a clock.
 */
export function parseAmount(text: string, counts: Counts = 'time'): Result<Amount> {
  const t = text.trim();
  const plain = parseDecimal(t);
  if (plain.ok) return positive(plain.value, degrees => ({ kind: 'angle', degrees }));
  const term = ONE_TERM.exec(t);
  const name = (term?.[2] ?? '').toLowerCase();
  if (!term) return plain;
  const value = parseRational(term[1] ?? '');
  if (!value.ok) return value;
  if (['°', 'deg', 'degree', 'degrees'].includes(name))
    return positive(value.value, degrees => ({ kind: 'angle', degrees }));
  if (['turn', 'turns'].includes(name))
    return positive(mul(value.value, rational(360n)), degrees => ({ kind: 'angle', degrees }));
  const way = parseWay(t, counts);
  if (way) return way.ok ? ok({ kind: 'way', metres: way.value }) : fail('tolerance-zero');
  const unit = secondsIn(name);
  return unit
    ? positive(mul(value.value, unit), seconds => ({ kind: 'time', seconds }))
    : fail('unit-unknown', { unit: term[2] ?? '' });
}

const positive = (value: Rational, as: (value: Rational) => Amount): Result<Amount> =>
  sign(value) > 0 ? ok(as(value)) : fail('tolerance-zero');

/**
 * An amount as degrees of the output: so much of the time that a turn of it stands for, or of the way. Undefined where
 * it counts no such thing: a way is asked of a clock, or the drive has no speed.
 */
export function degreesOf(
  amount: Amount,
  wanted: Wanted,
  rate: Rational,
  drive: DriveFacts,
): Rational | undefined {
  const full = rational(360n);
  switch (amount.kind) {
    case 'angle':
      return amount.degrees;
    case 'way':
      return wanted.kind === 'per distance' ? mul(mul(amount.metres, wanted.perMetre), full) : undefined;
    case 'time':
      return drive.seconds && sign(drive.seconds) !== 0
        ? mul(mul(div(amount.seconds, drive.seconds), absolute(rate)), full)
        : undefined;
  }
}

/** An amount in degrees, seconds or metres, by its kind. */
export function amountFigure(amount: Amount): number {
  switch (amount.kind) {
    case 'angle':
      return toNumber(amount.degrees);
    case 'time':
      return toNumber(amount.seconds);
    case 'way':
      return toNumber(amount.metres);
  }
}

/** An amount of that kind as people say it: `0.31°`, `2.4 min`, `5 m`. */
export function sayAmount(kind: Amount['kind'], figureOf: number): string {
  switch (kind) {
    case 'angle':
      return `${figure(figureOf, 3)}°`;
    case 'time':
      return sayTime(figureOf);
    case 'way':
      return `${figure(figureOf, 3)} m`;
  }
}
