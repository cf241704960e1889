import type { KnownPeriod } from './known-period.ts';

const JULIAN_YEAR = 31557600;

/** Sidereal periods of the planets and Pluto in Julian years, each with the uncertainty of its last figures. */
const ROWS = [
  ['mercury', 'Mercury', '0.2408467', 1e-7],
  ['venus', 'Venus', '0.61519726', 1e-7],
  ['earth', 'Earth', '1.0000174', 1e-7],
  ['mars', 'Mars', '1.8808476', 1e-6],
  ['jupiter', 'Jupiter', '11.862615', 2e-4],
  ['saturn', 'Saturn', '29.447498', 2e-3],
  ['uranus', 'Uranus', '84.016846', 6e-3],
  ['neptune', 'Neptune', '164.79132', 1e-2],
] as const;

/** Mean sidereal periods: the times from a star back to the same star, seen from the Sun. */
export const PLANETS: readonly KnownPeriod[] = ROWS.map(([id, name, years, uncertainty]) => ({
  id,
  name: `${name}, sidereal`,
  group: 'planets',
  text: `${years} Julian years`,
  uncertaintySeconds: uncertainty * JULIAN_YEAR,
  source: 'NASA/JPL Solar System Dynamics, planetary physical parameters (from memory)',
}));

const DWARFS = [
  ['ceres', 'Ceres', '4.604', 1e-3],
  ['pluto', 'Pluto', '247.92065', 5e-2],
  ['haumea', 'Haumea', '283.1', 1],
  ['makemake', 'Makemake', '306.2', 1],
  ['eris', 'Eris', '559', 2],
] as const;

/** Sidereal periods of dwarf planets; they swing by as much as is said. */
export const DWARF_PLANETS: readonly KnownPeriod[] = DWARFS.map(([id, name, years, uncertainty]) => ({
  id,
  name: `${name}, sidereal`,
  group: 'dwarf planets',
  text: `${years} Julian years`,
  uncertaintySeconds: uncertainty * JULIAN_YEAR,
  source: 'NASA/JPL Small-Body Database, osculating elements, rounded (from memory)',
}));
