import { inDays, type KnownPeriod } from './known-period.ts';

/** Mean sidereal periods of large and well-known moons. */
export const LARGE_MOONS: readonly KnownPeriod[] = inDays(
  'large moons',
  'NASA/JPL Solar System Dynamics, planetary satellite mean elements (from memory)',
  [
    ['phobos', 'Phobos, of Mars', '0.31891', 1e-5],
    ['deimos', 'Deimos, of Mars', '1.26244', 1e-5],
    ['io', 'Io, of Jupiter', '1.769137786', 1e-8],
    ['europa', 'Europa, of Jupiter', '3.551181041', 1e-8],
    ['ganymede', 'Ganymede, of Jupiter', '7.15455296', 1e-7],
    ['callisto', 'Callisto, of Jupiter', '16.6890184', 1e-6],
    ['mimas', 'Mimas, of Saturn', '0.942422', 1e-6],
    ['enceladus', 'Enceladus, of Saturn', '1.370218', 1e-6],
    ['tethys', 'Tethys, of Saturn', '1.887802', 1e-6],
    ['dione', 'Dione, of Saturn', '2.736915', 1e-6],
    ['rhea', 'Rhea, of Saturn', '4.5175', 1e-4],
    ['titan', 'Titan, of Saturn', '15.945421', 1e-5],
    ['iapetus', 'Iapetus, of Saturn', '79.33', 1e-2],
    ['miranda', 'Miranda, of Uranus', '1.413479', 1e-6],
    ['ariel', 'Ariel, of Uranus', '2.520379', 1e-6],
    ['umbriel', 'Umbriel, of Uranus', '4.144177', 1e-6],
    ['titania', 'Titania, of Uranus', '8.705872', 1e-5],
    ['oberon', 'Oberon, of Uranus', '13.463239', 1e-5],
    ['triton', 'Triton, of Neptune (backwards)', '5.876854', 1e-5],
    ['charon', 'Charon, of Pluto', '6.38723', 1e-5],
  ],
);
