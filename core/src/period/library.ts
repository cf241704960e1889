/** A known period with where it comes from and how well it is known. */
export interface KnownPeriod {
  readonly id: string;
  readonly name: string;
  /** As `units/wanted` reads it. */
  readonly text: string;
  /** Half the range within which the figure is good for a century or so, in seconds; 0 for a definition. */
  readonly uncertaintySeconds: number;
  readonly source: string;
}

/** The periods that this version offers. */
export const PERIODS: readonly KnownPeriod[] = [
  {
    id: 'half-day',
    name: 'Half a mean solar day',
    text: '12 h',
    uncertaintySeconds: 0,
    source: 'definition',
  },
  { id: 'day', name: 'Mean solar day', text: '24 h', uncertaintySeconds: 0, source: 'definition' },
  { id: 'week', name: 'Week', text: '7 d', uncertaintySeconds: 0, source: 'definition' },
  {
    id: 'sidereal-day',
    name: 'Sidereal day',
    text: '86164.0905 s',
    uncertaintySeconds: 0.0001,
    source: 'Explanatory Supplement to the Astronomical Almanac, mean sidereal day (from memory)',
  },
  {
    id: 'm2',
    name: 'Lunar semidiurnal tide, M2',
    text: '12.4206012 h',
    uncertaintySeconds: 0.0004,
    source: 'Doodson, The harmonic development of the tide-generating potential, 1921 (from memory)',
  },
  {
    id: 'synodic-month',
    name: 'Synodic month',
    text: '29.530588 d',
    uncertaintySeconds: 0.2,
    source: 'Chapront, Chapront-Touzé & Francou 2002, mean value for 2000 (from memory)',
  },
  {
    id: 'spring-neap',
    name: 'Spring to spring tide',
    text: '14.765294 d',
    uncertaintySeconds: 0.1,
    source: 'half the synodic month',
  },
  {
    id: 'tropical-year',
    name: 'Tropical year',
    text: '365.24219 d',
    uncertaintySeconds: 0.5,
    source: 'Meeus & Savoie, The history of the tropical year, 1992 (from memory)',
  },
  {
    id: 'sidereal-year',
    name: 'Sidereal year',
    text: '365.25636 d',
    uncertaintySeconds: 0.5,
    source: 'Explanatory Supplement to the Astronomical Almanac (from memory)',
  },
];
