import {
  absolute,
  add,
  div,
  mul,
  ONE,
  parseRational,
  type Rational,
  rational,
  sign,
  ZERO,
} from '../rational/index.ts';
import { fail, ok, type Result } from '../result/index.ts';
import { isBareYear, secondsIn } from './time-unit.ts';
import { metresIn } from './travel.ts';

/**
 * What a maker asked for: a period in seconds; plain turns of the output per turn of the drive; turns per metre of the
 * way that the drive rolls; a speed that is not to be passed, as seconds a turn; or standing still. `uncertainty` is
 * relative: half the range within which the figure is known, over the figure.
 */
export type Wanted =
  | { readonly kind: 'period'; readonly seconds: Rational; readonly uncertainty?: Rational }
  | { readonly kind: 'ratio'; readonly turns: Rational; readonly uncertainty?: Rational }
  | { readonly kind: 'per distance'; readonly perMetre: Rational; readonly uncertainty?: Rational }
  | { readonly kind: 'speed limit'; readonly bound: 'most' | 'least'; readonly seconds: Rational }
  | { readonly kind: 'still' };

/** A figure as people write it, as a pattern: signed, decimal, a fraction, or with an exponent. */
export const NUMBER = String.raw`[+-]?[\d.]+(?:e[+-]?\d+)?(?:\s*/\s*[\d.]+(?:e[+-]?\d+)?)?`;
const TERM = new RegExp(String.raw`\s*(${NUMBER})\s*([a-z]+(?:\s+[a-z]+)?)\s*,?`, 'iy');
const BARE = new RegExp(String.raw`^${NUMBER}$`, 'i');
const MOST_LENGTH = 1000;

/**
 * Reads what is wanted as people write it, exactly: `12.4206012 h`, `29d 12h 44m 2.9s`, `1/3 d`, `5 rpm`,
 * `18000 beats per hour with 15 teeth`, `4 beats per second with 15 teeth`, `2 Hz` are periods; a number alone
 * (`235/19`, `1/365.24219`) is turns of the output per turn of the drive; `4:1`, `12 to 1` are turns of the drive to
 * turns of the output; `1 per 0.4 m` is turns per distance; `under 12 rpm` and `over 3 rpm` are limits; `still` is no
 * turning at all. After ± comes how well the figure is known: `29.530589 d ± 0.2 s`.
 */
export function parseWanted(text: string): Result<Wanted> {
  const t = text.trim();
  if (t === '') return fail('nothing-typed');
  if (t.length > MOST_LENGTH) return fail('number-too-long', { most: MOST_LENGTH });
  if (/\d,\d/.test(t)) return fail('decimal-comma', { text: t });
  const [figureText = '', known, ...more] = t.split(/±|\+\/?-/);
  if (more.length > 0) return fail('uncertainty-unreadable', { text: t });
  const wanted = parseFigure(figureText.trim());
  return known === undefined || !wanted.ok ? wanted : withUncertainty(wanted.value, known.trim());
}

function parseFigure(t: string): Result<Wanted> {
  if (/^(held )?still$|^net (zero|0)$/i.test(t)) return ok({ kind: 'still' });
  if (BARE.test(t) || AGAINST.test(t)) {
    const turns = parseRatio(t);
    if (!turns.ok) return turns;
    if (sign(turns.value) === 0) return fail('ratio-zero');
    return sign(turns.value) < 0 ? fail('ratio-negative') : ok({ kind: 'ratio', turns: turns.value });
  }
  const limit = /^(under|below|at most|less than|<=?|≤|over|above|at least|more than|>=?|≥)\s*(.+)$/i.exec(t);
  if (limit) {
    const seconds = parseSeconds(limit[2] ?? '');
    const most = /^(under|below|at most|less|<|≤)/i.test(limit[1] ?? '');
    return seconds.ok
      ? ok({ kind: 'speed limit', bound: most ? 'most' : 'least', seconds: seconds.value })
      : seconds;
  }
  const distance = PER_DISTANCE.exec(t);
  if (distance) return perDistance(distance);
  const seconds = parseSeconds(t);
  return seconds.ok ? ok({ kind: 'period', seconds: seconds.value }) : seconds;
}

const AGAINST = new RegExp(String.raw`^(${NUMBER})\s*(?::|to)\s*(${NUMBER})$`, 'i');

/** Turns of the drive to turns of the output, as turns of the output for one (conventions 1: a reduction is n : 1). */
function turnsAgainst(driveText: string, outputText: string): Result<Rational> {
  const drive = parseRational(driveText);
  const output = parseRational(outputText);
  if (!drive.ok) return drive;
  if (!output.ok) return output;
  return sign(drive.value) === 0 || sign(output.value) === 0
    ? fail('ratio-zero')
    : ok(div(output.value, drive.value));
}

/**
 * Reads a ratio as turns of the output for one of the drive, signed: `1/5`, `0.234`, or as turns of the drive to turns
 * of the output, `5:1`, `12 to 1`, `1:4`. `4:1` is 1/4.
 */
export function parseRatio(text: string): Result<Rational> {
  const against = AGAINST.exec(text.trim());
  return against ? turnsAgainst(against[1] ?? '', against[2] ?? '') : parseRational(text.trim());
}

const PER_DISTANCE = new RegExp(
  String.raw`^(${NUMBER}|one|a)?\s*(?:turns?)?\s*(?:per|every|in|an?)\s+(${NUMBER})?\s*` +
    String.raw`(mm|cm|m|km|met(?:re|er)s?|in|inch(?:es)?|ft|feet|foot|yd|yards?|mi|miles?)$`,
  'i',
);

function perDistance(m: RegExpExecArray): Result<Wanted> {
  const turns = parseRational(/^\d/.test(m[1] ?? '') ? (m[1] ?? '') : '1');
  const way = parseRational(m[2] ?? '1');
  if (!turns.ok) return turns;
  if (!way.ok) return way;
  const unit = metresIn(m[3] ?? '') ?? ONE;
  if (sign(turns.value) <= 0 || sign(way.value) <= 0) return fail('period-zero');
  return ok({ kind: 'per distance', perMetre: div(turns.value, mul(way.value, unit)) });
}

function withUncertainty(wanted: Wanted, known: string): Result<Wanted> {
  if (wanted.kind === 'speed limit' || wanted.kind === 'still')
    return fail('uncertainty-unreadable', { text: known });
  const whole =
    wanted.kind === 'period' ? wanted.seconds : wanted.kind === 'ratio' ? wanted.turns : wanted.perMetre;
  const part = wanted.kind === 'period' ? parseSeconds(known) : parseRational(known);
  if (!part.ok) return fail('uncertainty-unreadable', { text: known });
  return ok({ ...wanted, uncertainty: div(absolute(part.value), whole) });
}

/** Reads a period or a speed (`5 rpm`) in seconds a turn; more than nothing. */
export function parsePeriod(text: string): Result<Rational> {
  const wanted = parseWanted(text);
  if (!wanted.ok) return wanted;
  return wanted.value.kind === 'period'
    ? ok(wanted.value.seconds)
    : fail('unit-missing', { text: text.trim() });
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
  const beats = BEATS.exec(text);
  if (beats) return beatSeconds(beats[1] ?? '', beats[2] ?? '', beats[3]);
  const hertz = HERTZ.exec(text);
  if (hertz) return hertzSeconds(hertz[1] ?? '', hertz[2]);
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

const BEATS = new RegExp(
  String.raw`^(${NUMBER})\s*(?:beats?|ticks?)?\s*(?:per|an?|/)\s*(h|hour|min|minute|s|second)` +
    String.raw`(?:\s*,?\s*(?:with|of|on|at)?\s*(?:an?\s+escape wheel of)?\s*(\d+)\s*teeth)?$`,
  'i',
);
/** Swings a second; each is two beats. */
const HERTZ = new RegExp(
  String.raw`^(${NUMBER})\s*hz(?:\s*,?\s*(?:with|of|on|at)?\s*(?:an?\s+escape wheel of)?\s*(\d+)\s*teeth)?$`,
  'i',
);
const SECONDS_IN: Readonly<Record<string, bigint>> = { h: 3600n, m: 60n, s: 1n };

/** The turn of an escape wheel: two beats a tooth, so 2 · teeth / beats (common practice, no source). */
function beatSeconds(beatsText: string, unit: string, teethText: string | undefined): Result<Rational> {
  const beats = parseRational(beatsText);
  if (!beats.ok) return beats;
  if (teethText === undefined) return fail('beats-need-teeth', { beats: beatsText });
  const teeth = BigInt(teethText);
  if (sign(beats.value) <= 0 || teeth === 0n) return fail('period-zero');
  const time = SECONDS_IN[unit.charAt(0).toLowerCase()] ?? 3600n;
  return ok(div(rational(2n * teeth * time), beats.value));
}

/** So many hertz: turns a second; with the teeth of an escape wheel swings a second, of two beats each. */
function hertzSeconds(text: string, teethText: string | undefined): Result<Rational> {
  const hertz = parseRational(text);
  if (!hertz.ok) return hertz;
  const teeth = teethText === undefined ? 1n : BigInt(teethText);
  if (sign(hertz.value) <= 0) return fail('speed-zero');
  return teeth === 0n ? fail('period-zero') : ok(div(rational(teeth), hertz.value));
}

function unitOf(name: string): Result<Rational> {
  const seconds = secondsIn(name);
  if (seconds) return ok(seconds);
  return isBareYear(name) ? fail('year-unnamed') : fail('unit-unknown', { unit: name });
}

/**
 * What is known of the drive: the seconds of a turn (undefined when its speed is free), and the metres it rolls in
 * one.
 */
export interface DriveFacts {
  readonly seconds: Rational | undefined;
  readonly metres?: Rational | undefined;
}

/**
 * The wanted rate, unsigned: turns of the output per turn of the drive. A period or a speed needs the drive's own
 * period, conventions 1: rate = drive's period / wanted period; a distance needs the way the drive rolls in a turn.
 * Standing still is a rate of nought.
 */
export function wantedRate(wanted: Wanted, drive: DriveFacts): Result<Rational> {
  switch (wanted.kind) {
    case 'ratio':
      return ok(wanted.turns);
    case 'still':
      return ok(ZERO);
    case 'per distance':
      return drive.metres ? ok(mul(wanted.perMetre, drive.metres)) : fail('drive-has-no-travel');
    case 'period':
    case 'speed limit':
      return drive.seconds ? ok(div(drive.seconds, wanted.seconds)) : fail('drive-has-no-period');
  }
}

/** The period an output of a wanted rate has, in seconds; undefined when the drive's speed is free. */
export const periodOf = (rate: Rational, driveSeconds: Rational | undefined): Rational | undefined =>
  driveSeconds && sign(rate) !== 0 ? div(mul(driveSeconds, ONE), rate) : undefined;
