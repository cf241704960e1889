import { byId, type Machine, moduleOf } from '../../document/machine/index.ts';
import {
  planetaryRate,
  type PlanetaryFound,
  SET_GAP,
  SET_LEAST,
  searchPlanetary,
  type TwoRingQuery,
  twoRingRate,
} from '../../counting/planetary/index.ts';
import type { Rational } from '../../ground/rational/index.ts';
import { fail, type Result } from '../../ground/result/index.ts';
import { stageCounts } from './stage-parts.ts';
import { partsAt, waysOf } from './stage-ways.ts';

/** What is asked of other counts for a stage of a set; lengths in mm. */
export interface SetWanted {
  /** Turns of what the stage drives for one of what drives it, signed. */
  readonly ratio: Rational;
  /** Numbers of planets that will do. */
  readonly planets: readonly number[];
  readonly outside?: number | undefined;
  /** The most teeth of any wheel. */
  readonly most: number;
  readonly order: 'size' | 'teeth';
}

/** The most teeth that are searched: all counts up to there are weighed. */
export const MOST_IN_SEARCH = 400;
/** How many sets are listed. */
export const SETS_LISTED = 40;

/** Turns of what a stage drives for one of what drives it, exactly; undefined where nothing or too much is held. */
export function stageRatio(machine: Machine, setId: string, at: number): Rational | undefined {
  const stages = byId(machine.sets, setId)?.stages ?? [];
  const parts = partsAt(machine, stages, at);
  const counts = parts && stageCounts(parts);
  if (!counts) return undefined;
  const { sun, planet, ring, second } = counts;
  const planets = parts.axis.copies?.count ?? 1;
  if (second)
    return twoRingRate({ sun, planet, ring, second: second.planet, secondRing: second.ring, planets });
  const ways = waysOf(machine, stages, at);
  return ways && planetaryRate({ sun, planet, ring, planets }, ways.held, ways.driver);
}

/**
 * Other counts for a stage of a set with one ring, by what of it is held and what drives it, nearest first: every size
 * that makes the ratio exactly. Refused where the limits leave none, saying how many each of them forbids.
 */
export function setsLike(
  machine: Machine,
  setId: string,
  at: number,
  wanted: SetWanted,
): Result<PlanetaryFound[]> {
  const stages = byId(machine.sets, setId)?.stages ?? [];
  const [parts, ways] = [partsAt(machine, stages, at), waysOf(machine, stages, at)];
  const sized = parts && moduleOf(parts.toothing, machine);
  if (!parts || !ways || !sized?.ok) return fail('set-search-not-whole');
  const { ratio, planets, outside, order, most } = wanted;
  return searchPlanetary({
    ...{ target: ratio, held: ways.held, driver: ways.driver, planets, order },
    ...{ least: SET_LEAST, most, equalOnly: true, gap: SET_GAP },
    ...{ module: sized.value, top: SETS_LISTED },
    ...(outside !== undefined && { outside }),
  });
}

/** How many of the nearest are listed where none makes the ratio exactly. */
const NEAREST = 8;

/** Of what was found, nearest first: all that make the ratio exactly; where none does, the nearest. */
export function exactOrNearest<T extends { readonly error: Rational }>(found: readonly T[]): readonly T[] {
  const exact = found.filter(f => f.error.num === 0n);
  return exact.length > 0 ? exact : found.slice(0, NEAREST);
}

/** The same question for a stage with two rings; undefined where it is none, or has no module. */
export function twoRingsLike(
  machine: Machine,
  setId: string,
  at: number,
  { ratio, planets, outside, most }: SetWanted,
): TwoRingQuery | undefined {
  const parts = partsAt(machine, byId(machine.sets, setId)?.stages ?? [], at);
  const sized = parts && moduleOf(parts.toothing, machine);
  if (!parts?.second || !sized?.ok) return undefined;
  return {
    ...{ target: ratio, least: SET_LEAST, most, planets, gap: SET_GAP },
    ...{ module: sized.value, top: SETS_LISTED },
    ...(outside !== undefined && { outside }),
  };
}
