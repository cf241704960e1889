import {
  add,
  div,
  floor,
  mul,
  parseDecimal,
  type Rational,
  rational,
  sub,
  toNumber,
} from '../rational/index.ts';
import { fail, ok, type Result } from '../result/index.ts';

/** A day and a time of the proleptic Gregorian calendar, UTC; years are astronomical: 0 is 1 BC. */
export interface CivilDate {
  readonly year: number;
  readonly month: number;
  readonly day: number;
  /** Seconds into the day, exact. */
  readonly seconds: Rational;
}

/** Years that are read; far beyond what any train is good for. */
export const FIRST_YEAR = -100_000;
export const LAST_YEAR = 100_000;
const DAY = rational(86400n);
/** The Julian day number of noon on 1 January 2000. Source: Meeus, Astronomical Algorithms, ch. 7. */
const J2000 = 2451545;

/**
 * The Julian day number that begins at noon of a day, by whole-number arithmetic that holds for every year. 4
 * October 1957 is 2436116 (Meeus, ch. 7, example 7.a: 2436116.31 at 19:26:24). Source: the civil-from-days method,
 * derived from 400-year cycles.
 */
export function julianDayNumber(year: number, month: number, day: number): number {
  const y = month <= 2 ? year - 1 : year;
  const cycle = Math.floor(y / 400);
  const ofCycle = y - cycle * 400;
  const ofYear = Math.floor((153 * (month + (month > 2 ? -3 : 9)) + 2) / 5) + day - 1;
  const days = ofCycle * 365 + Math.floor(ofCycle / 4) - Math.floor(ofCycle / 100) + ofYear;
  return cycle * 146097 + days + 1721120;
}

/** The day of a Julian day number. */
export function dayOf(julianDay: number): Pick<CivilDate, 'year' | 'month' | 'day'> {
  const z = julianDay - 1721120;
  const cycle = Math.floor(z / 146097);
  const d = z - cycle * 146097;
  const y = Math.floor((d - Math.floor(d / 1460) + Math.floor(d / 36524) - Math.floor(d / 146096)) / 365);
  const ofYear = d - (365 * y + Math.floor(y / 4) - Math.floor(y / 100));
  const m = Math.floor((5 * ofYear + 2) / 153);
  const month = m < 10 ? m + 3 : m - 9;
  return {
    year: y + cycle * 400 + (month <= 2 ? 1 : 0),
    month,
    day: ofYear - Math.floor((153 * m + 2) / 5) + 1,
  };
}

/** Seconds from noon of 1 January 2000, UTC, every day 86,400 s long (conventions 16); exact. */
export function secondsSince2000(date: CivilDate): Rational {
  const days = julianDayNumber(date.year, date.month, date.day) - J2000;
  return add(mul(rational(BigInt(days)), DAY), sub(date.seconds, rational(43200n)));
}

/** The date so many seconds from noon of 1 January 2000; undefined beyond the years that are read. */
export function dateFrom(seconds: Rational): CivilDate | undefined {
  const fromMidnight = add(seconds, rational(43200n));
  const days = floor(div(fromMidnight, DAY));
  const number = Number(days) + J2000;
  if (!Number.isSafeInteger(number)) return undefined;
  const day = dayOf(number);
  if (day.year < FIRST_YEAR || day.year > LAST_YEAR) return undefined;
  return { ...day, seconds: sub(fromMidnight, mul(rational(days), DAY)) };
}

const DAY_TEXT = String.raw`([+-−]?\d{1,6})-(\d{1,2})-(\d{1,2})`;
const CLOCK_TEXT = String.raw`(\d{1,2}):(\d{2})(?::(\d{2}(?:\.\d{1,9})?))?`;
const DATE = new RegExp(String.raw`^\s*${DAY_TEXT}(?:[T\s]+${CLOCK_TEXT})?\s*(?:Z|UTC)?\s*$`, 'i');

/**
 * Reads a date such as 2026-11-25, 2026-11-25 06:30, 2026-11-25T06:30:00Z or -0044-03-15. Years before 1583 are
 * taken in the same calendar, carried back.
 */
export function parseDate(text: string): Result<CivilDate> {
  const read = DATE.exec(text);
  if (!read) return fail('date-unreadable', { text: text.trim() });
  const [year, month, day] = [read[1]?.replace('−', '-'), read[2], read[3]].map(Number) as [
    number,
    number,
    number,
  ];
  if (year < FIRST_YEAR || year > LAST_YEAR)
    return fail('date-out-of-range', { year, first: FIRST_YEAR, last: LAST_YEAR });
  const days = month >= 1 && month <= 12 ? daysIn(year, month) : 0;
  if (day < 1 || day > days) return fail('date-no-day', { text: text.trim(), days });
  const [h, min] = [Number(read[4] ?? 0), Number(read[5] ?? 0)];
  const s = parseDecimal(read[6] ?? '0');
  if (!s.ok || h > 23 || min > 59 || toNumber(s.value) >= 60)
    return fail('date-no-time', { text: text.trim() });
  return ok({ year, month, day, seconds: add(rational(BigInt(h * 3600 + min * 60)), s.value) });
}

function daysIn(year: number, month: number): number {
  const next = month === 12 ? julianDayNumber(year + 1, 1, 1) : julianDayNumber(year, month + 1, 1);
  return next - julianDayNumber(year, month, 1);
}

/** A date as it is shown, to the minute: 2026-03-01 00:00. */
export function sayDate({ year, month, day, seconds }: CivilDate): string {
  const pad = (n: number, width = 2): string => String(n).padStart(width, '0');
  const minutes = Math.floor(toNumber(seconds) / 60 + 1e-9);
  const years = year < 0 ? `−${pad(-year, 4)}` : pad(year, 4);
  return `${years}-${pad(month)}-${pad(day)} ${pad(Math.floor(minutes / 60) % 24)}:${pad(minutes % 60)}`;
}
