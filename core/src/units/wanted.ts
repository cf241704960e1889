import { add, div, mul, ONE, parseRational, type Rational, rational, sign, ZERO } from '../rational/index.ts';
import { fail, ok, type Result } from '../result/index.ts';
import { isBareYear, secondsIn } from './time-unit.ts';

/** What a maker asked for: a period in seconds, or plain turns of the output per turn of the drive. */
export type Wanted =
  | { readonly kind: 'period'; readonly seconds: Rational }
  | { readonly kind: 'ratio'; readonly turns: Rational };

/** A stretch over which a drift is stated: a time in seconds, or turns of the drive. */
export type Span =
  | { readonly kind: 'time'; readonly seconds: Rational }
  | { readonly kind: 'turns'; readonly turns: Rational };

const NUMBER = String.raw`[+-]?[\d.]+(?:e[+-]?\d+)?(?:\s*/\s*[\d.]+(?:e[+-]?\d+)?)?`;
const TERM = new RegExp(String.raw`\s*(${NUMBER})\s*([a-z]+(?:\s+[a-z]+)?)\s*,?`, 'iy');
const BARE = new RegExp(String.raw`^${NUMBER}$`, 'i');
const MOST_LENGTH = 1000;

/**
 * Reads a wanted period or ratio as people write it: `12.4206012 h`, `29d 12h 44m 2.9s`, `1/3 d`, `5 rpm` are
 * periods; a number alone (`235/19`, `1/365.24219`) is turns of the output per turn of the drive. Exact.
 */
export function parseWanted(text: string): Result<Wanted> {
  const t = text.trim();
  if (t === '') return fail('nothing-typed');
  if (t.length > MOST_LENGTH) return fail('number-too-long', { most: MOST_LENGTH });
  if (/\d,\d/.test(t)) return fail('decimal-comma', { text: t });
  if (BARE.test(t)) {
    const turns = parseRational(t);
    if (!turns.ok) return turns;
    if (sign(turns.value) === 0) return fail('ratio-zero');
    return sign(turns.value) < 0 ? fail('ratio-negative') : ok({ kind: 'ratio', turns: turns.value });
  }
  const seconds = parseSeconds(t);
  return seconds.ok ? ok({ kind: 'period', seconds: seconds.value }) : seconds;
}

/** Reads a period or a speed (`5 rpm`) in seconds a turn; more than nothing. */
export function parsePeriod(text: string): Result<Rational> {
  const wanted = parseWanted(text);
  if (!wanted.ok) return wanted;
  return wanted.value.kind === 'period'
    ? ok(wanted.value.seconds)
    : fail('unit-missing', { text: text.trim() });
}

/** Reads the stretch of a tolerance: a time, or `100 turns` of the drive. */
export function parseSpan(text: string): Result<Span> {
  const turns = new RegExp(String.raw`^(${NUMBER})\s*turns?$`, 'i').exec(text.trim());
  if (turns) {
    const value = parseRational(turns[1] ?? '');
    if (!value.ok) return value;
    return sign(value.value) > 0 ? ok({ kind: 'turns', turns: value.value }) : fail('period-zero');
  }
  const seconds = parsePeriod(text);
  return seconds.ok ? ok({ kind: 'time', seconds: seconds.value }) : seconds;
}

function parseSeconds(text: string): Result<Rational> {
  const rpm = new RegExp(String.raw`^(${NUMBER})\s*(?:rpm|turns? a minute|turns? per minute)$`, 'i').exec(
    text,
  );
  if (rpm) {
    const speed = parseRational(rpm[1] ?? '');
    if (!speed.ok) return speed;
    return sign(speed.value) > 0 ? ok(div(rational(60n), speed.value)) : fail('speed-zero');
  }
  let sum = ZERO;
  let at = 0;
  while (at < text.length) {
    TERM.lastIndex = at;
    const term = TERM.exec(text);
    if (!term) return fail('period-unreadable', { text, from: text.slice(at).trim() });
    const value = parseRational(term[1] ?? '');
    if (!value.ok) return value;
    const unit = unitOf(term[2] ?? '');
    if (!unit.ok) return unit;
    sum = add(sum, mul(value.value, unit.value));
    at = TERM.lastIndex;
  }
  if (sign(sum) === 0) return fail('period-zero');
  return sign(sum) < 0 ? fail('period-negative') : ok(sum);
}

function unitOf(name: string): Result<Rational> {
  const seconds = secondsIn(name);
  if (seconds) return ok(seconds);
  return isBareYear(name) ? fail('year-unnamed', { unit: name }) : fail('unit-unknown', { unit: name });
}

/**
 * The wanted rate, unsigned: turns of the output per turn of the drive. A period needs the drive's own period
 * (undefined for a drive whose speed is free), conventions 1: rate = drive's period / wanted period.
 */
export function wantedRate(wanted: Wanted, driveSeconds: Rational | undefined): Result<Rational> {
  if (wanted.kind === 'ratio') return ok(wanted.turns);
  return driveSeconds ? ok(div(driveSeconds, wanted.seconds)) : fail('drive-has-no-period');
}

/** The period an output of a wanted rate has, in seconds; undefined when the drive's speed is free. */
export const periodOf = (rate: Rational, driveSeconds: Rational | undefined): Rational | undefined =>
  driveSeconds && sign(rate) !== 0 ? div(mul(driveSeconds, ONE), rate) : undefined;
