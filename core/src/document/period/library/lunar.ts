import { inDays, type KnownPeriod } from './known-period.ts';

/** The Moon's months and the turning of its orbit, mean values for 2000. */
export const LUNAR: readonly KnownPeriod[] = inDays(
  'the Moon',
  'Chapront, Chapront-Touzé & Francou, Astronomy & Astrophysics 387, 2002, mean value for 2000 (from memory)',
  [
    ['sidereal-month', 'Sidereal month, star to star', '27.321661547', 2e-6],
    ['synodic-month', 'Synodic month, new moon to new moon', '29.530588853', 2e-6],
    ['draconic-month', 'Draconic month, node to node', '27.212220817', 3e-6],
    ['anomalistic-month', 'Anomalistic month, perigee to perigee', '27.554549878', 1e-5],
    ['tropical-month', 'Tropical month, equinox to equinox', '27.321582241', 2e-6],
    ['lunar-nodes', 'Lunar nodes once round (backwards)', '6793.477', 0.1],
    ['lunar-apsides', 'Lunar perigee once round', '3232.605', 0.1],
  ],
);
