import { toNumber, type Rational } from '../rational/index.ts';

/**
 * A double with so many significant digits, without a trailing exponent for everyday sizes: figure(1234.56, 3) =
 * "1230".
 */
export function figure(x: number, digits: number): string {
  if (x === 0) return '0';
  if (!Number.isFinite(x)) return x > 0 ? '∞' : '−∞';
  const magnitude = Math.floor(Math.log10(Math.abs(x)));
  if (magnitude > 9 || magnitude < -9) return minus(x.toExponential(digits - 1));
  const rounded = Number(x.toPrecision(digits));
  return minus(rounded.toFixed(Math.min(20, Math.max(0, digits - 1 - magnitude))));
}

/** A fixed number of decimals with a true minus sign, and never "−0". */
export function fixed(x: number, places: number): string {
  const text = x.toFixed(places);
  return Number(text) === 0 ? text.replace('-', '') : minus(text);
}

/** A length in millimetres to two decimals, with its unit. */
export const mm = (x: number, places = 2): string => `${fixed(x, places)} mm`;

const minus = (text: string): string => text.replace(/^-/, '−');

interface SpanUnit {
  readonly least: number;
  readonly seconds: number;
  readonly one: string;
  readonly many: string;
}

const JULIAN_YEAR = 31557600;
const SPAN_UNITS: readonly SpanUnit[] = [
  { least: 2 * JULIAN_YEAR, seconds: JULIAN_YEAR, one: 'Julian year', many: 'Julian years' },
  { least: 2 * 86400, seconds: 86400, one: 'day', many: 'days' },
  { least: 2 * 3600, seconds: 3600, one: 'hour', many: 'hours' },
  { least: 120, seconds: 60, one: 'minute', many: 'minutes' },
  { least: 0, seconds: 1, one: 'second', many: 'seconds' },
];

/** A stretch of time in the unit that fits it: "61 Julian years", "3.4 days". */
export function sayTime(seconds: number, digits = 3): string {
  if (!Number.isFinite(seconds)) return 'never';
  const unit = SPAN_UNITS.find(u => Math.abs(seconds) >= u.least) ?? SPAN_UNITS[SPAN_UNITS.length - 1];
  if (!unit) throw new Error('sayTime: no unit');
  const value = figure(seconds / unit.seconds, digits);
  return `${value} ${value === '1' ? unit.one : unit.many}`;
}

/** A period with up to so many digits in hours below two days, in days above. */
export function sayPeriod(seconds: Rational, digits = 7): string {
  const s = toNumber(seconds);
  if (s >= 2 * 86400) return `${figure(s / 86400, digits)} d`;
  if (s >= 2 * 3600) return `${figure(s / 3600, digits)} h`;
  return s >= 120 ? `${figure(s / 60, digits)} min` : `${figure(s, digits)} s`;
}
