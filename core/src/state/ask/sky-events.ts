import type { Machine } from '../../document/machine/index.ts';
import type { DriveTurns } from '../../place/motion/index.ts';
import { absolute, toNumber } from '../../ground/rational/index.ts';
import {
  ahead,
  bodyOfPeriod,
  heliocentric,
  meanDistance,
  meanLongitude,
  moonElongation,
  moonLit,
  nextCrossing,
  onCircle,
  PLANET_IDS,
  seenFromEarth,
  SKY,
  type SkyBody,
} from '../../document/sky/index.ts';
import { groundRate } from '../../trains/train/index.ts';
import { parsePeriod } from '../../ground/units/index.ts';
import type { Derived } from '../state/index.ts';
import { bodyOf } from './sky-reading.ts';

/**
 * What a machine shows of the sky besides single places, and how the sky stands: as it is on its ellipses, not by
 * its mean motion.
 */
export interface SkyAspect {
  readonly key: string;
  readonly kind: 'phase' | 'elongation' | 'between moons';
  /** The bodies that are compared. */
  readonly bodies: readonly SkyBody[];
  /** Degrees by which the first is ahead of the Sun, or of the second. */
  readonly machine: number;
  readonly sky: number;
  /** Lit part of the disc; undefined between moons. */
  readonly litMachine: number | undefined;
  readonly litSky: number | undefined;
  readonly events: readonly SkyEvent[];
}

/** What comes next, in days from noon of 1 January 2000; undefined when it does not within the time looked at. */
export interface SkyEvent {
  readonly what: 'new moon' | 'full moon' | 'conjunction' | 'opposition' | 'in line';
  readonly machine: number | undefined;
  readonly sky: number | undefined;
}

/** The place of a body as the machine shows it: degrees at a day, by its train from its mean longitude at the start. */
interface ShownCourse {
  readonly body: SkyBody;
  readonly at: (days: number) => number;
}

const MOONS_OF_JUPITER = ['io', 'europa', 'ganymede', 'callisto'];

/** Bodies that the machine turns, the Earth among them where the drive itself goes round in its year. */
function courses(
  { machine, train }: Pick<Derived, 'machine' | 'train'>,
  startDays: number,
  turnSeconds: number,
): ShownCourse[] {
  const of = (body: SkyBody, turnsPerTurn: number): ShownCourse => {
    const [start, perDay] = [meanLongitude(body, startDays), (360 * turnsPerTurn * 86400) / turnSeconds];
    return { body, at: days => start + perDay * (days - startDays) };
  };
  const found = machine.aims.flatMap(aim => {
    const body = bodyOf(aim);
    const rate = aim.member === undefined ? undefined : groundRate(machine, train.rates, aim.member);
    return body && rate ? [of(body, toNumber(absolute(rate)))] : [];
  });
  const drive = driveBody(machine);
  return drive && !found.some(c => c.body.id === drive.id) ? [...found, of(drive, 1)] : found;
}

/** The body whose period the drive itself keeps. */
function driveBody({ drive }: Pick<Machine, 'drive'>): SkyBody | undefined {
  const period = drive?.speed.kind === 'period' ? parsePeriod(drive.speed.text) : undefined;
  return period?.ok ? bodyOfPeriod(toNumber(period.value)) : undefined;
}

/**
 * Phases of the Moon, elongations of planets from the Sun as seen from the Earth, and Jupiter’s moons against each
 * other, as the machine shows them and as they are, with what comes next. The machine’s planets go on circles of
 * the true mean distances; the sky’s on their ellipses. `startDays` counts from noon of 1 January 2000; a turn of
 * the drive takes `turnSeconds`.
 */
export function skyAspects(
  derived: Pick<Derived, 'machine' | 'train'>,
  startDays: number,
  turnSeconds: number,
  turns: DriveTurns,
): SkyAspect[] {
  const all = courses(derived, startDays, turnSeconds);
  const now = startDays + ((Number(turns.whole) + turns.part) * turnSeconds) / 86400;
  const moon = all.find(c => c.body.id === 'moon-phase');
  const earth = all.find(c => c.body.id === 'earth');
  const planets = earth ? all.filter(c => PLANET_IDS.includes(c.body.id) && c.body.id !== 'earth') : [];
  const moons = all.filter(c => MOONS_OF_JUPITER.includes(c.body.id));
  return [
    ...(moon ? [phases(moon, now)] : []),
    ...planets.map(p => elongations(p, earth as ShownCourse, now)),
    ...moons.flatMap((a, i) => moons.slice(i + 1).map(b => between(a, b, now))),
  ];
}

/** Days that are looked ahead for an event, and how finely. */
const AHEAD = { moon: 40, planet: 1000, moons: 60 };

function phases(moon: ShownCourse, now: number): SkyAspect {
  const event = (what: 'new moon' | 'full moon', target: number): SkyEvent => ({
    what,
    machine: nextCrossing(moon.at, target, now, now + AHEAD.moon, 1),
    sky: nextCrossing(moonElongation, target, now, now + AHEAD.moon, 1),
  });
  const [machine, sky] = [wrap(moon.at(now)), moonElongation(now)];
  return {
    ...{ key: 'phase', kind: 'phase', bodies: [moon.body], machine, sky },
    ...{ litMachine: moonLit(machine), litSky: moonLit(sky) },
    events: [event('new moon', 0), event('full moon', 180)],
  };
}

function elongations(planet: ShownCourse, earth: ShownCourse, now: number): SkyAspect {
  const { id } = planet.body;
  const shown = (t: number): ReturnType<typeof seenFromEarth> =>
    seenFromEarth(onCircle(planet.at(t), meanDistance(id)), onCircle(earth.at(t), meanDistance('earth')));
  const real = (t: number): ReturnType<typeof seenFromEarth> =>
    seenFromEarth(heliocentric(id, t), heliocentric('earth', t));
  const inner = meanDistance(id) < meanDistance('earth');
  const event = (what: SkyEvent['what'], target: number): SkyEvent => ({
    what,
    machine: nextCrossing(t => shown(t).elongation, target, now, now + AHEAD.planet, 2),
    sky: nextCrossing(t => real(t).elongation, target, now, now + AHEAD.planet, 2),
  });
  const [machine, sky] = [shown(now), real(now)];
  return {
    ...{ key: `elongation ${id}`, kind: 'elongation', bodies: [planet.body] },
    ...{ machine: machine.elongation, sky: sky.elongation, litMachine: machine.lit, litSky: sky.lit },
    events: [event('conjunction', 0), ...(inner ? [] : [event('opposition', 180)])],
  };
}

/**
 * Two of Jupiter’s moons: in line when they have the same longitude. The sky’s by their mean motions: they swing by
 * a degree at most.
 */
function between(a: ShownCourse, b: ShownCourse, now: number): SkyAspect {
  const shown = (t: number): number => a.at(t) - b.at(t);
  const real = (t: number): number => meanLongitude(a.body, t) - meanLongitude(b.body, t);
  const event: SkyEvent = {
    what: 'in line',
    machine: nextCrossing(shown, 0, now, now + AHEAD.moons, 0.1),
    sky: nextCrossing(real, 0, now, now + AHEAD.moons, 0.1),
  };
  return {
    ...{ key: `${a.body.id} ${b.body.id}`, kind: 'between moons', bodies: [a.body, b.body] },
    ...{ machine: ahead(shown(now), 0), sky: ahead(real(now), 0), litMachine: undefined, litSky: undefined },
    events: [event],
  };
}

const wrap = (deg: number): number => ((deg % 360) + 360) % 360;

/** Days from one meeting of two bodies to the next by their mean motions: 360 / |n₁ − n₂|. Venus and Earth: 583.92. */
export const synodicDays = (a: SkyBody, b: SkyBody): number => 360 / Math.abs(a.perDay - b.perDay);

/** A body of the sky by its id. Throws for one that is none. */
export function skyBody(id: string): SkyBody {
  const body = SKY.find(b => b.id === id);
  if (!body) throw new Error(`skyBody: ${id}`);
  return body;
}
