/** A body whose mean longitude is known. */
export interface SkyBody {
  readonly id: string;
  readonly name: string;
  /** What the longitude is measured from. */
  readonly seen: string;
  /** Degrees at the epoch, and a day. */
  readonly atEpoch: number;
  readonly perDay: number;
  /** Days from noon of 1 January 2000 to the epoch. */
  readonly epoch: number;
  /** Years between which the figures are good. */
  readonly from: number;
  readonly to: number;
  /**
   * The most that the true place swings from the mean one, degrees: the mean motion is all that a uniform train can
   * follow.
   */
  readonly swing: number;
  readonly source: string;
}

const CENTURY = 36525;
const STANDISH =
  'E. M. Standish, Approximate positions of the planets, JPL, table 1, 1800–2050 (from memory)';
const MEEUS = 'J. Meeus, Astronomical Algorithms, 2nd ed., ch. 47 and 44 (from memory)';

/** Heliocentric mean longitudes on the ecliptic and equinox of 2000: degrees then, and a Julian century. */
const PLANETS = [
  ['mercury', 'Mercury', 252.2503235, 149472.67411175, 23.7],
  ['venus', 'Venus', 181.9790995, 58517.81538729, 0.8],
  ['earth', 'Earth', 100.46457166, 35999.37244981, 1.92],
  ['mars', 'Mars', -4.55343205, 19140.30268499, 10.7],
  ['jupiter', 'Jupiter', 34.39644051, 3034.74612775, 5.6],
  ['saturn', 'Saturn', 49.95424423, 1222.49362201, 6.5],
  ['uranus', 'Uranus', 313.23810451, 428.48202785, 5.5],
  ['neptune', 'Neptune', -55.12002969, 218.45945325, 1.2],
] as const;

/** Jupiter’s large moons, from the node of their plane: degrees at 1976 August 10.0, and a day. */
const MOONS = [
  ['io', 'Io', 106.07719, 203.48895579, 0.6],
  ['europa', 'Europa', 175.73161, 101.374724735, 1.3],
  ['ganymede', 'Ganymede', 120.55883, 50.317609207, 0.4],
  ['callisto', 'Callisto', 84.44459, 21.571071177, 1.1],
] as const;

/** 1976 August 10.0 (JD 2443000.5) from the epoch of 2000. */
const MOONS_EPOCH = 2443000.5 - 2451545;

/** Bodies of the sky with their mean motions, sources, ranges and swings. */
export const SKY: readonly SkyBody[] = [
  ...PLANETS.map(([id, name, atEpoch, century, swing]) => ({
    ...{ id, name, atEpoch, swing, epoch: 0, from: 1800, to: 2050, source: STANDISH },
    ...{ perDay: century / CENTURY, seen: 'from the Sun, from the equinox of 2000' },
  })),
  ...MOONS.map(([id, name, atEpoch, perDay, swing]) => ({
    ...{ id, name, atEpoch, perDay, swing, epoch: MOONS_EPOCH, from: 1900, to: 2100, source: MEEUS },
    seen: 'from Jupiter, in the plane of its moons',
  })),
  {
    ...{ id: 'moon-phase', name: 'the Moon’s age', atEpoch: 297.8501921, perDay: 445267.1114034 / CENTURY },
    ...{ epoch: 0, from: 1900, to: 2100, swing: 9.9, source: MEEUS, seen: 'from the Sun, round the Earth' },
  },
  {
    ...{ id: 'moon', name: 'the Moon', atEpoch: 218.3164477, perDay: 481267.88123421 / CENTURY },
    ...{ epoch: 0, from: 1900, to: 2100, swing: 7.7, source: MEEUS, seen: 'from the equinox of date' },
  },
];

/** The mean longitude of a body, degrees from 0 to 360, so many days from noon of 1 January 2000. */
export function meanLongitude(body: SkyBody, days: number): number {
  const turns = (body.atEpoch + body.perDay * (days - body.epoch)) / 360;
  return 360 * (turns - Math.floor(turns));
}

/** Days in which a body goes once round by its mean motion. */
export const meanPeriodDays = (body: SkyBody): number => 360 / body.perDay;

/** The least of two periods’ difference that still makes them one body’s, relative. */
const SAME = 2e-4;

/** The body whose mean motion a wanted period is; undefined for one that is none of these. */
export function bodyOfPeriod(seconds: number): SkyBody | undefined {
  const days = Math.abs(seconds) / 86400;
  const off = (b: SkyBody): number => Math.abs(meanPeriodDays(b) / days - 1);
  const [best] = [...SKY].sort((a, b) => off(a) - off(b));
  return best && off(best) < SAME ? best : undefined;
}

/** How far the first is ahead of the second, degrees from −180 to 180. */
export const ahead = (a: number, b: number): number => {
  const d = (((a - b) % 360) + 360) % 360;
  return d > 180 ? d - 360 : d;
};
