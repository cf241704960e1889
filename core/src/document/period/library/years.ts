import { inDays, type KnownPeriod } from './known-period.ts';

/** Years by what comes back, and what the equation of time is made of. */
export const YEARS: readonly KnownPeriod[] = [
  ...inDays(
    'years',
    'Explanatory Supplement to the Astronomical Almanac, 3rd ed., 2013, mean values for 2000 (from memory)',
    [
      ['tropical-year', 'Tropical year, equinox to equinox', '365.24219', 1e-5],
      ['sidereal-year', 'Sidereal year, star to star', '365.256363', 1e-6],
      ['anomalistic-year', 'Anomalistic year, perihelion to perihelion', '365.259636', 1e-6],
      ['draconic-year', 'Eclipse year, the Sun back to a lunar node', '346.620076', 1e-5],
    ],
  ),
  ...inDays('years', 'definition', [
    ['julian-year', 'Julian year', '365.25', 0],
    ['gregorian-year', 'Gregorian year, 97 leap years in 400', '365.2425', 0],
  ]),
  ...inDays(
    'years',
    'Equation of time: its two waves have these periods (Meeus, Astronomical Algorithms, 1991, ch. 27; from memory)',
    [
      ['equation-tilt', 'Equation of time, the wave of the tilt: half a tropical year', '182.621095', 5e-6],
      [
        'equation-ellipse',
        'Equation of time, the wave of the ellipse: an anomalistic year',
        '365.259636',
        1e-6,
      ],
    ],
  ),
];
