import type { KnownPeriod } from './known-period.ts';

const defined = (id: string, name: string, text: string): KnownPeriod => ({
  id,
  name,
  group: 'days and civil time',
  text,
  uncertaintySeconds: 0,
  source: 'definition',
});

/** Civil time, and the day of the stars. */
export const CIVIL: readonly KnownPeriod[] = [
  defined('minute', 'Minute: the seconds hand', '60 s'),
  defined('hour', 'Hour: the minute hand', '60 min'),
  defined('half-day', 'Half a mean solar day: the hour hand', '12 h'),
  defined('day', 'Mean solar day', '24 h'),
  defined('week', 'Week', '7 d'),
  defined('gregorian-month', 'Mean Gregorian month, a twelfth of its year', '30.436875 d'),
  {
    id: 'sidereal-day',
    name: 'Sidereal day',
    group: 'days and civil time',
    text: '86164.0905 s',
    uncertaintySeconds: 0.0001,
    source: 'Explanatory Supplement to the Astronomical Almanac, mean sidereal day (from memory)',
  },
];

const PRACTICE = 'common practice, no source';

/** The escape wheel of common clocks: beats an hour and teeth, see beatSeconds in units/wanted. */
export const BEATS: readonly KnownPeriod[] = [
  {
    id: 'seconds-pendulum',
    name: 'Escape wheel of a seconds pendulum, 30 teeth',
    group: 'clock beats',
    text: '3600 beats per hour with 30 teeth',
    uncertaintySeconds: 0,
    source: PRACTICE,
  },
  {
    id: 'half-seconds-pendulum',
    name: 'Escape wheel of a half-seconds pendulum, 30 teeth',
    group: 'clock beats',
    text: '7200 beats per hour with 30 teeth',
    uncertaintySeconds: 0,
    source: PRACTICE,
  },
  {
    id: 'five-beats',
    name: 'Escape wheel of a watch that beats five to the second, 15 teeth',
    group: 'clock beats',
    text: '18000 beats per hour with 15 teeth',
    uncertaintySeconds: 0,
    source: PRACTICE,
  },
];
