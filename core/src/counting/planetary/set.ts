import { add, div, neg, ONE, type Rational, rational } from '../../ground/rational/index.ts';
import { fail, ok, type Result } from '../../ground/result/index.ts';

/** A simple planetary set: sun, planets and ring at one module. */
export interface PlanetarySet {
  readonly sun: number;
  readonly planet: number;
  readonly ring: number;
  readonly planets: number;
}

/** Which of the three members that turn about the centre. */
export type Central = 'sun' | 'ring' | 'arm';
export const CENTRALS: readonly Central[] = ['sun', 'ring', 'arm'];

/**
 * One way to use a set: which member is held, which drives, which is driven, and turns of the driven for one of the
 * driver.
 */
export interface PlanetaryUse {
  readonly held: Central;
  readonly driver: Central;
  readonly driven: Central;
  readonly rate: Rational;
}

/**
 * The set from any two of its counts: ring = sun + 2 · planet, all at one module without profile shift. A problem names
 * counts that cannot go together.
 */
export function setFrom(
  known: { readonly sun?: number; readonly planet?: number; readonly ring?: number },
  planets: number,
): Result<PlanetarySet> {
  const { sun, planet, ring } = known;
  if (sun !== undefined && planet !== undefined && ring !== undefined && ring !== sun + 2 * planet)
    return fail('planetary-sum', { sun, planet, ring, needs: sun + 2 * planet });
  if (sun !== undefined && planet !== undefined)
    return checkSet({ sun, planet, ring: sun + 2 * planet, planets });
  if (sun !== undefined && ring !== undefined) {
    if ((ring - sun) % 2 !== 0) return fail('planetary-odd', { sun, ring });
    return checkSet({ sun, planet: (ring - sun) / 2, ring, planets });
  }
  if (planet !== undefined && ring !== undefined)
    return checkSet({ sun: ring - 2 * planet, planet, ring, planets });
  return fail('planetary-two-counts');
}

/** The least count of any wheel of a set, and the most planets. */
export const LEAST_PLANETARY = 4;
export const MOST_PLANETS = 12;

function checkSet(set: PlanetarySet): Result<PlanetarySet> {
  const counts = [set.sun, set.planet, set.ring];
  if (!counts.every(Number.isInteger)) return fail('limits-not-whole');
  if (Math.min(...counts) < LEAST_PLANETARY)
    return fail('planetary-too-small', { least: Math.min(...counts), smallest: LEAST_PLANETARY });
  if (!Number.isInteger(set.planets) || set.planets < 1 || set.planets > MOST_PLANETS)
    return fail('planets-out-of-range', { planets: set.planets, most: MOST_PLANETS });
  return ok(set);
}

/**
 * Turns of the driven member for one of the driver with the third held, signed: from (ω_sun − ω_arm)/(ω_ring − ω_arm) =
 * −ring/sun (Willis, Principles of Mechanism, 1841). Sun 24, ring 60, ring held, sun drives: arm 24/84 = 2/7.
 */
export function planetaryRate({ sun, ring }: PlanetarySet, held: Central, driver: Central): Rational {
  const s = rational(sun);
  const r = rational(ring);
  const turns = weightsOf(held, s, r);
  return div(turns[drivenOf(held, driver)], turns[driver]);
}

/** Rates of all three with one held, on a scale of their own: what is held turns 0. */
function weightsOf(held: Central, sun: Rational, ring: Rational): Readonly<Record<Central, Rational>> {
  const zero = rational(0n);
  switch (held) {
    case 'arm':
      return { arm: zero, sun: ONE, ring: neg(div(sun, ring)) };
    case 'ring':
      return { ring: zero, arm: ONE, sun: add(ONE, div(ring, sun)) };
    case 'sun':
      return { sun: zero, arm: ONE, ring: add(ONE, div(sun, ring)) };
  }
}

/** The member that is neither held nor the driver. */
export const drivenOf = (held: Central, driver: Central): Central =>
  CENTRALS.find(c => c !== held && c !== driver) ?? 'arm';

/** All six ways to use a set. */
export const planetaryUses = (set: PlanetarySet): PlanetaryUse[] =>
  CENTRALS.flatMap(held =>
    CENTRALS.filter(driver => driver !== held).map(driver => ({
      held,
      driver,
      driven: drivenOf(held, driver),
      rate: planetaryRate(set, held, driver),
    })),
  );
