import { type Rational, rational } from '../rational/index.ts';

/** A unit of time as people write it, in seconds, exact. A year is always a named year (conventions 16). */
export interface TimeUnit {
  readonly names: readonly string[];
  readonly seconds: Rational;
}

const DAY = 86400n;

/** The units that are read, each by any of its names. */
export const TIME_UNITS: readonly TimeUnit[] = [
  { names: ['ms', 'millisecond', 'milliseconds'], seconds: rational(1n, 1000n) },
  { names: ['s', 'sec', 'secs', 'second', 'seconds'], seconds: rational(1n) },
  { names: ['m', 'min', 'mins', 'minute', 'minutes'], seconds: rational(60n) },
  { names: ['h', 'hr', 'hrs', 'hour', 'hours'], seconds: rational(3600n) },
  { names: ['d', 'day', 'days'], seconds: rational(DAY) },
  { names: ['wk', 'week', 'weeks'], seconds: rational(7n * DAY) },
  { names: ['tropical year', 'tropical years'], seconds: rational(36524219n * DAY, 100000n) },
  { names: ['sidereal year', 'sidereal years'], seconds: rational(36525636n * DAY, 100000n) },
  { names: ['julian year', 'julian years'], seconds: rational(36525n * DAY, 100n) },
];

const byName = new Map(TIME_UNITS.flatMap(u => u.names.map(n => [n, u.seconds] as const)));

/** Seconds in a unit by any of its names, in any case; undefined for a name that is none. */
export const secondsIn = (unit: string): Rational | undefined =>
  byName.get(unit.toLowerCase().replace(/\s+/g, ' ').trim());

/** Names that mean a year without saying which. */
export const isBareYear = (unit: string): boolean => /^(a|y|yr|yrs|year|years)$/i.test(unit.trim());
