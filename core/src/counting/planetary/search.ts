import { ringOutside, withinOutside } from './ring-outside.ts';
import {
  abs,
  absolute,
  compare,
  div,
  ONE,
  type Rational,
  sub,
  toNumber,
} from '../../ground/rational/index.ts';
import { fail, ok, type Problems, type Result } from '../../ground/result/index.ts';
import { type Assembly, assemblyOf, gapAt } from './assembly.ts';
import {
  type Central,
  drivenOf,
  LEAST_PLANETARY,
  MOST_PLANETS,
  type PlanetarySet,
  planetaryRate,
} from './set.ts';

/** A question for planetary counts. Lengths in mm. */
export interface PlanetaryQuery {
  /** Wanted turns of the driven for one of the driver, signed: negative for the other way round. */
  readonly target: Rational;
  readonly held: Central;
  readonly driver: Central;
  readonly least: number;
  readonly most: number;
  /** Numbers of planets that will do. */
  readonly planets: readonly number[];
  /** Only planets at equal distances. */
  readonly equalOnly: boolean;
  /** Least gap between the tips of neighbours, in modules. */
  readonly gap: number;
  readonly module: number;
  /** Largest outside of the ring; ring and its rim of three modules must fit. */
  readonly outside?: number;
  /** What comes first among sets of one error: the smallest ring, or the fewest teeth to be cut in all. */
  readonly order?: 'size' | 'teeth';
  readonly top: number;
}

/** Teeth that are cut for a set in all: every planet, the sun, and the ring. */
export const teethInAll = ({ sun, planet, ring, planets }: PlanetarySet): number =>
  sun + planet * planets + ring;

/** What comes first among sets of one error. */
const sizeOf = (set: PlanetarySet, order: PlanetaryQuery['order']): number =>
  order === 'teeth' ? teethInAll(set) : set.ring;

/** A set that was found, with its exact rate and error. */
export interface PlanetaryFound {
  readonly set: PlanetarySet;
  readonly rate: Rational;
  readonly error: Rational;
  readonly assembly: Assembly;
  /** Outside of the ring's rim, mm. */
  readonly outside: number;
}

/**
 * The sets nearest to a wanted rate, by |error|, exactly: those that make it exactly in every size, of another rate and
 * number of planets only the first in the order that is asked. All sun and planet counts within the limits are weighed,
 * so the list is complete within them. Fails where the limits leave no set at all, saying how many each of them
 * forbids.
 */
export function searchPlanetary(query: PlanetaryQuery): Result<PlanetaryFound[]> {
  const checked = check(query);
  if (!checked.ok) return checked;
  const rough = roughSets(query);
  if (rough.length === 0) return fail('planetary-none', whyNone(query));
  const best = new Map<string, PlanetaryFound>();
  let last = Infinity;
  for (const { set, off } of rough) {
    if (off > last) break;
    const rate = planetaryRate(set, query.held, query.driver);
    const exact = compare(rate, query.target) === 0;
    const name = `${rate.num}/${rate.den}:${set.planets}${exact ? `:${set.ring}:${set.sun}` : ''}`;
    if (best.has(name)) continue;
    const outside = ringOutside(set.ring) * query.module;
    best.set(name, {
      set,
      rate,
      error: sub(div(rate, query.target), ONE),
      assembly: assemblyOf(set),
      outside,
    });
    if (best.size === query.top) last = off + DOUBT;
  }
  const sorted = [...best.values()].sort(
    (a, b) =>
      compare(absolute(a.error), absolute(b.error)) ||
      sizeOf(a.set, query.order) - sizeOf(b.set, query.order) ||
      a.set.ring - b.set.ring ||
      b.set.planets - a.set.planets ||
      compare(a.rate, b.rate),
  );
  return ok(sorted.slice(0, query.top));
}

/** Doubles nearer than this are ordered exactly. */
const DOUBT = 1e-12;

/** All sets within the limits, nearest first by doubles, and of one rate in the order that is asked. */
function roughSets(query: PlanetaryQuery): { set: PlanetarySet; off: number }[] {
  const target = toNumber(query.target);
  const found: { set: PlanetarySet; off: number }[] = [];
  for (let sun = query.least; sun <= query.most; sun++) {
    for (let planet = query.least; planet <= query.most; planet++) {
      const ring = sun + 2 * planet;
      if (ring > query.most || !withinOutside(ring, query.module, query.outside)) break;
      const rate = roughRate(sun, ring, query.held, query.driver);
      for (const planets of query.planets) {
        const set = { sun, planet, ring, planets };
        const equal = (sun + ring) % planets === 0;
        if (query.equalOnly && !equal) continue;
        const gap = equal && planets > 1 ? gapAt(set, 360 / planets) : assemblyOf(set).gap;
        if (gap >= query.gap) found.push({ set, off: Math.abs(rate / target - 1) });
      }
    }
  }
  return found.sort((a, b) => a.off - b.off || sizeOf(a.set, query.order) - sizeOf(b.set, query.order));
}

/** Of the sets within the counts, how many each limit forbids; the first that does is counted. */
function whyNone(query: PlanetaryQuery): Problems['planetary-none'] {
  const why = { tried: 0, tooLarge: 0, unequal: 0, close: 0 };
  for (let sun = query.least; sun <= query.most; sun++) {
    for (let planet = query.least; sun + 2 * planet <= query.most; planet++) {
      for (const planets of query.planets) {
        const set = { sun, planet, ring: sun + 2 * planet, planets };
        why.tried += 1;
        if (!withinOutside(set.ring, query.module, query.outside)) why.tooLarge += 1;
        else if (query.equalOnly && (sun + set.ring) % planets !== 0) why.unequal += 1;
        else why.close += 1;
      }
    }
  }
  return why;
}

/** As planetaryRate, in doubles; sets of one rate give one double, for each is a quotient of two whole numbers. */
function roughRate(sun: number, ring: number, held: Central, driver: Central): number {
  const turns = {
    arm: { sun: ring, ring: -sun, arm: 0 },
    ring: { sun: sun + ring, ring: 0, arm: sun },
    sun: { sun: 0, ring: sun + ring, arm: ring },
  }[held];
  return turns[drivenOf(held, driver)] / turns[driver];
}

function check({ target, held, driver, least, most, planets }: PlanetaryQuery): Result<void> {
  if (abs(target.num) === 0n) return fail('ratio-zero');
  if (held === driver || drivenOf(held, driver) === driver) return fail('planetary-same-member');
  if (![least, most].every(Number.isInteger)) return fail('limits-not-whole');
  if (least < LEAST_PLANETARY) return fail('limit-too-small', { least, smallest: LEAST_PLANETARY });
  if (least > most) return fail('limits-reversed', { least, most });
  const wrong = planets.find(n => !Number.isInteger(n) || n < 1 || n > MOST_PLANETS);
  if (wrong !== undefined || planets.length === 0)
    return fail('planets-out-of-range', { planets: wrong ?? 0, most: MOST_PLANETS });
  return ok(undefined);
}
