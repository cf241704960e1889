import { type CopyGroup, placeStep } from '../../place/layout/index.ts';
import {
  abs,
  absolute,
  compare,
  div,
  ONE,
  type Rational,
  rational,
  sub,
  toNumber,
} from '../../ground/rational/index.ts';
import { fail, ok, type Result } from '../../ground/result/index.ts';
import { tipsPass } from './interference.ts';
import { withinOutside } from './ring-outside.ts';
import { LEAST_PLANETARY, MOST_PLANETS } from './set.ts';

/**
 * A set with two rings: the sun turns planets whose first wheel rolls in a held ring, and whose second wheel, fixed
 * to it, turns the other ring very slowly. All at one module.
 */
export interface TwoRingSet {
  readonly sun: number;
  readonly planet: number;
  readonly second: number;
  readonly ring: number;
  readonly secondRing: number;
  readonly planets: number;
}

/**
 * The set from sun and both planet counts: ring = sun + 2·planet, second ring = sun + planet + second (one centre
 * distance).
 */
export function twoRingFrom(
  sun: number,
  planet: number,
  second: number,
  planets: number,
): Result<TwoRingSet> {
  const counts = [sun, planet, second];
  if (!counts.every(Number.isInteger)) return fail('limits-not-whole');
  if (Math.min(...counts) < LEAST_PLANETARY)
    return fail('planetary-too-small', { least: Math.min(...counts), smallest: LEAST_PLANETARY });
  if (!Number.isInteger(planets) || planets < 1 || planets > MOST_PLANETS)
    return fail('planets-out-of-range', { planets, most: MOST_PLANETS });
  const set = { sun, planet, second, ring: sun + 2 * planet, secondRing: sun + planet + second, planets };
  return planet === second ? fail('two-ring-still', { planet }) : ok(set);
}

/**
 * Turns of the second ring for one of the sun, the first ring held: (1 − r·q/(p·r₂)) / (1 + r/s), p and q the
 * planet’s two wheels (Willis, Principles of Mechanism, 1841). Positive: with the sun.
 */
export function twoRingRate({ sun, planet, second, ring, secondRing }: TwoRingSet): Rational {
  const inner = sub(ONE, rational(BigInt(ring) * BigInt(second), BigInt(planet) * BigInt(secondRing)));
  return div(inner, rational(sun + ring, sun));
}

/** Whether equal places round the arm let all teeth into gaps, the two wheels of every planet standing alike. */
export function twoRingFits(set: TwoRingSet): boolean {
  const step = placeStep(groupOf(set));
  const steps = step && div(rational(1, set.planets), step);
  return !steps || steps.den === 1n;
}

/** Gap between the tips of neighbouring planets, in modules, for the larger of their wheels. */
export const twoRingGap = ({ sun, planet, second, planets }: TwoRingSet): number =>
  planets < 2 ? Infinity : (sun + planet) * Math.sin(Math.PI / planets) - Math.max(planet, second) - 2;

function groupOf({ sun, planet, second, ring, secondRing }: TwoRingSet): CopyGroup {
  const tie = (count: number, other: number, sign: 1 | -1): CopyGroup['ties'][number] => ({
    member: 'planet',
    with: undefined,
    ...{ count, other, sign },
  });
  return {
    arm: 'arm',
    turns: [],
    members: ['planet'],
    ties: [tie(planet, sun, 1), tie(planet, ring, -1), tie(second, secondRing, -1)],
  };
}

/** Teeth that are cut for a set with two rings in all. */
export const twoRingTeeth = ({ sun, planet, second, ring, secondRing, planets }: TwoRingSet): number =>
  sun + (planet + second) * planets + ring + secondRing;

/** A question for a set with two rings; lengths in mm. */
export interface TwoRingQuery {
  /** Wanted turns of the second ring for one of the sun, signed. */
  readonly target: Rational;
  readonly least: number;
  readonly most: number;
  readonly planets: readonly number[];
  /** Least gap between tips of neighbours, in modules. */
  readonly gap: number;
  readonly module: number;
  readonly outside?: number;
  readonly top: number;
}

/** A set that was found, with its exact rate and error. */
export interface TwoRingFound {
  readonly set: TwoRingSet;
  readonly rate: Rational;
  readonly error: Rational;
}

/** Doubles nearer than this are ordered exactly. */
const DOUBT = 1e-9;

/**
 * The sets with two rings nearest to a wanted rate by |error|, exactly, that go together in equal places, whose planets
 * clear each other and run in their rings; of one rate only that of the smallest rings. All counts within the
 * limits are weighed. A generator: it yields its progress.
 */
export function* searchTwoRing(
  query: TwoRingQuery,
): Generator<{ readonly done: number }, Result<TwoRingFound[]>> {
  const { target, least, most, planets } = query;
  if (abs(target.num) === 0n) return fail('ratio-zero');
  if (least < LEAST_PLANETARY) return fail('limit-too-small', { least, smallest: LEAST_PLANETARY });
  if (least > most) return fail('limits-reversed', { least, most });
  const wanted = toNumber(target);
  const rough: { sun: number; planet: number; second: number; off: number; size: number }[] = [];
  for (let sun = least; sun <= most; sun++) {
    yield { done: (0.6 * (sun - least)) / (most - least + 1) };
    for (let planet = least; sun + 2 * planet <= most; planet++)
      for (let second = least; sun + planet + second <= most; second++) {
        const [r, r2] = [sun + 2 * planet, sun + planet + second];
        const size = Math.max(r, r2);
        if (second === planet || !withinOutside(size, query.module, query.outside)) continue;
        const rate = (1 - (r * second) / (planet * r2)) / (1 + r / sun);
        rough.push({ sun, planet, second, off: Math.abs(rate / wanted - 1), size });
      }
  }
  rough.sort((a, b) => a.off - b.off || a.size - b.size);
  const best = new Map<string, TwoRingFound>();
  let last = Infinity;
  for (const [i, { sun, planet, second, off }] of rough.entries()) {
    if (off > last) break;
    if (i % 512 === 511) yield { done: 0.6 + (0.4 * i) / rough.length };
    for (const n of planets) {
      const made = twoRingFrom(sun, planet, second, n);
      if (!made.ok || twoRingGap(made.value) < query.gap || !twoRingFits(made.value)) continue;
      const { ring, secondRing } = made.value;
      const rate = twoRingRate(made.value);
      const name = `${rate.num}/${rate.den}:${n}`;
      if (best.has(name) || !tipsPass(planet, ring) || !tipsPass(second, secondRing)) continue;
      best.set(name, { set: made.value, rate, error: sub(div(rate, target), ONE) });
    }
    if (best.size >= query.top && last === Infinity) last = off + DOUBT;
  }
  const size = (f: TwoRingFound): number => Math.max(f.set.ring, f.set.secondRing);
  const sorted = [...best.values()].sort(
    (a, b) =>
      compare(absolute(a.error), absolute(b.error)) || size(a) - size(b) || b.set.planets - a.set.planets,
  );
  return ok(sorted.slice(0, query.top));
}
