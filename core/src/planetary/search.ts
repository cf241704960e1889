import { abs, absolute, compare, div, ONE, type Rational, sub } from '../rational/index.ts';
import { fail, ok, type Result } from '../result/index.ts';
import { type Assembly, assemblyOf } from './assembly.ts';
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
  readonly top: number;
}

/** A set that was found, with its exact rate and error. */
export interface PlanetaryFound {
  readonly set: PlanetarySet;
  readonly rate: Rational;
  readonly error: Rational;
  readonly assembly: Assembly;
  /** Outside of the ring's rim, mm. */
  readonly outside: number;
}

/** Rim of the ring outside its pitch circle, in modules: dedendum, and as much again. */
const RIM = 3;

/**
 * The sets nearest to a wanted rate, by |error|, exactly; of one rate and number of planets only that of the smallest
 * ring. All sun and planet counts within the limits are weighed, so the list is complete within them.
 */
export function searchPlanetary(query: PlanetaryQuery): Result<PlanetaryFound[]> {
  const checked = check(query);
  if (!checked.ok) return checked;
  const best = new Map<string, PlanetaryFound>();
  for (let sun = query.least; sun <= query.most; sun++) {
    for (let planet = query.least; planet <= query.most; planet++) {
      const ring = sun + 2 * planet;
      const outside = (ring + 2 * RIM) * query.module;
      if (ring > query.most || (query.outside !== undefined && outside > query.outside)) break;
      for (const planets of query.planets) {
        const set = { sun, planet, ring, planets };
        if (query.equalOnly && (sun + ring) % planets !== 0) continue;
        const rate = planetaryRate(set, query.held, query.driver);
        const name = `${rate.num}/${rate.den}:${planets}`;
        const known = best.get(name);
        if (known && known.set.ring <= ring) continue;
        const assembly = assemblyOf(set);
        if (assembly.gap < query.gap) continue;
        best.set(name, { set, rate, error: sub(div(rate, query.target), ONE), assembly, outside });
      }
    }
  }
  const sorted = [...best.values()].sort(
    (a, b) =>
      compare(absolute(a.error), absolute(b.error)) ||
      a.set.ring - b.set.ring ||
      b.set.planets - a.set.planets ||
      compare(a.rate, b.rate),
  );
  return ok(sorted.slice(0, query.top));
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
