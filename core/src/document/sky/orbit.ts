/**
 * A place in space: along the ecliptic of 2000 towards the equinox, a quarter turn on, and northwards; astronomical
 * units.
 */
export interface Place3 {
  readonly x: number;
  readonly y: number;
  readonly z: number;
}

/** An element at the epoch of 2000, and its change in a Julian century. */
type Element = readonly [at: number, perCentury: number];

interface Orbit {
  /** Semi-major axis, astronomical units. */
  readonly axis: Element;
  readonly eccentricity: Element;
  /** Degrees: inclination, mean longitude, longitude of the perihelion, longitude of the ascending node. */
  readonly inclination: Element;
  readonly longitude: Element;
  readonly perihelion: Element;
  readonly node: Element;
}

type Row = readonly (readonly [number, number])[];

const orbit = ([axis, eccentricity, inclination, longitude, perihelion, node]: Row): Orbit => {
  if (!axis || !eccentricity || !inclination || !longitude || !perihelion || !node)
    throw new Error('orbit: six elements');
  return { axis, eccentricity, inclination, longitude, perihelion, node };
};

/**
 * Keplerian elements on the ecliptic and equinox of 2000, good from 1800 to 2050 to about a hundredth of a degree
 * for the inner planets and a sixth for the giants. Source: E. M. Standish, Approximate positions of the planets,
 * JPL, table 1 (from memory). The Earth is the middle of Earth and Moon.
 */
const ORBITS: Readonly<Record<string, Orbit>> = {
  mercury: orbit([
    [0.38709927, 0.00000037],
    [0.20563593, 0.00001906],
    [7.00497902, -0.00594749],
    [252.2503235, 149472.67411175],
    [77.45779628, 0.16047689],
    [48.33076593, -0.12534081],
  ]),
  venus: orbit([
    [0.72333566, 0.0000039],
    [0.00677672, -0.00004107],
    [3.39467605, -0.0007889],
    [181.9790995, 58517.81538729],
    [131.60246718, 0.00268329],
    [76.67984255, -0.27769418],
  ]),
  earth: orbit([
    [1.00000261, 0.00000562],
    [0.01671123, -0.00004392],
    [-0.00001531, -0.01294668],
    [100.46457166, 35999.37244981],
    [102.93768193, 0.32327364],
    [0, 0],
  ]),
  mars: orbit([
    [1.52371034, 0.00001847],
    [0.0933941, 0.00007882],
    [1.84969142, -0.00813131],
    [-4.55343205, 19140.30268499],
    [-23.94362959, 0.44441088],
    [49.55953891, -0.29257343],
  ]),
  jupiter: orbit([
    [5.202887, -0.00011607],
    [0.04838624, -0.00013253],
    [1.30439695, -0.00183714],
    [34.39644051, 3034.74612775],
    [14.72847983, 0.21252668],
    [100.47390909, 0.20469106],
  ]),
  saturn: orbit([
    [9.53667594, -0.0012506],
    [0.05386179, -0.00050991],
    [2.48599187, 0.00193609],
    [49.95424423, 1222.49362201],
    [92.59887831, -0.41897216],
    [113.66242448, -0.28867794],
  ]),
  uranus: orbit([
    [19.18916464, -0.00196176],
    [0.04725744, -0.00004397],
    [0.77263783, -0.00242939],
    [313.23810451, 428.48202785],
    [170.9542763, 0.40805281],
    [74.01692503, 0.04240589],
  ]),
  neptune: orbit([
    [30.06992276, 0.00026291],
    [0.00859048, 0.00005105],
    [1.77004347, 0.00035372],
    [-55.12002969, 218.45945325],
    [44.96476227, -0.32241464],
    [131.78422574, -0.00508664],
  ]),
};

/** The planets whose orbits are known here. */
export const PLANET_IDS: readonly string[] = Object.keys(ORBITS);

const CENTURY = 36525;
const rad = (deg: number): number => (deg * Math.PI) / 180;
const at = ([value, change]: Element, centuries: number): number => value + change * centuries;

/** Mean distance of a planet from the Sun at the epoch, astronomical units. Throws for what is none of the planets. */
export function meanDistance(planet: string): number {
  const known = ORBITS[planet];
  if (!known) throw new Error(`meanDistance: ${planet}`);
  return known.axis[0];
}

/**
 * Where a planet is on its ellipse so many days from noon of 1 January 2000, from the Sun. Kepler’s equation E − e
 * sin E = M by Newton’s method. Throws for what is none of the planets.
 */
export function heliocentric(planet: string, days: number): Place3 {
  const o = ORBITS[planet];
  if (!o) throw new Error(`heliocentric: ${planet}`);
  const t = days / CENTURY;
  const [a, e] = [at(o.axis, t), at(o.eccentricity, t)];
  const [incl, node, peri] = [o.inclination, o.node, o.perihelion].map(x => rad(at(x, t))) as [
    number,
    number,
    number,
  ];
  const mean = rad(at(o.longitude, t)) - peri;
  const E = eccentricAnomaly(mean, e);
  const [p, q] = [a * (Math.cos(E) - e), a * Math.sqrt(1 - e * e) * Math.sin(E)];
  const w = peri - node;
  const [cw, sw, cn, sn, ci, si] = [
    Math.cos(w),
    Math.sin(w),
    Math.cos(node),
    Math.sin(node),
    Math.cos(incl),
    Math.sin(incl),
  ];
  return {
    x: (cw * cn - sw * sn * ci) * p + (-sw * cn - cw * sn * ci) * q,
    y: (cw * sn + sw * cn * ci) * p + (-sw * sn + cw * cn * ci) * q,
    z: sw * si * p + cw * si * q,
  };
}

/** Solves Kepler’s equation; radians. Meeus, ch. 30: M = 5°, e = 0.1 gives E = 5.554589°. */
export function eccentricAnomaly(mean: number, e: number): number {
  let E = mean + e * Math.sin(mean);
  for (let i = 0; i < 50; i++) {
    const step = (mean - E + e * Math.sin(E)) / (1 - e * Math.cos(E));
    E += step;
    if (Math.abs(step) < 1e-13) break;
  }
  return E;
}

/**
 * A place on a circle of that radius at a longitude in degrees, in the ecliptic: how a machine without ellipses
 * shows a body.
 */
export const onCircle = (longitude: number, radius: number): Place3 => ({
  x: radius * Math.cos(rad(longitude)),
  y: radius * Math.sin(rad(longitude)),
  z: 0,
});
