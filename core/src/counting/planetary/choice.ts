import {
  absolute,
  div,
  mul,
  neg,
  ONE,
  parseDecimal,
  type Rational,
  sub,
  toNumber,
} from '../../ground/rational/index.ts';
import type { Result } from '../../ground/result/index.ts';
import { assemblyOf } from './assembly.ts';
import { ringMargins, tipsPass } from './interference.ts';
import { ringOutside } from './ring-outside.ts';
import { type PlanetaryFound, searchPlanetary } from './search.ts';
import { type Central, drivenOf, type PlanetarySet, planetaryRate, setFrom } from './set.ts';
import { twoRingFits, twoRingFrom, twoRingGap, twoRingRate, type TwoRingSet } from './two-ring.ts';

/** A planetary set as it is being chosen, with one ring or with two. */
export interface PlanetaryChoice {
  readonly rings: 'one' | 'two';
  readonly sun: number;
  readonly planet: number;
  /** Teeth of the planets' second wheel, where there are two rings. */
  readonly second: number;
  readonly planets: number;
  /** Sets in a row, each driven by the one before. */
  readonly stages: number;
  readonly held: Central;
  readonly driver: Central;
}

/** What a choice comes to. Lengths are in modules. */
export interface ChoiceFacts {
  readonly rate: Rational;
  readonly output: Central | 'second ring';
  /** Whether all planets go in at equal places; else the nearest places, degrees (simple sets only). */
  readonly equal: boolean;
  readonly anglesDeg: readonly number[];
  /** Air between the tips of neighbouring planets. */
  readonly gap: number;
  /** Meshes in rings, and what of each prevents it or wants shorter teeth (20°, full teeth). */
  readonly inRings: readonly RingTrouble[];
  /** Across the largest ring with three modules of rim all round. */
  readonly across: number;
}

/** Tips that strike, or tips of a ring below the base circle of its planet. */
export interface RingTrouble {
  readonly kind: 'tips strike' | 'below base circle';
  readonly planet: number;
  readonly ring: number;
}

/** The rate of so many equal stages in a row: one multiplied by itself. */
export const stackedRate = (one: Rational, stages: number): Rational =>
  Array.from({ length: stages }).reduce<Rational>(product => mul(product, one), ONE);

/**
 * The rate that each of so many stages must have for a rate of them all: its root, to 15 places where it is not
 * whole. Undefined where there is none: an even number of stages cannot turn backwards.
 */
export function rateOfStage(wanted: Rational, stages: number): Rational | undefined {
  if (stages === 1) return wanted;
  const root = parseDecimal(Math.pow(toNumber(wanted), 1 / stages).toFixed(15));
  return root.ok ? root.value : undefined;
}

/** What is chosen, as facts; a problem where its counts cannot go together. */
export function factsOfChoice(choice: PlanetaryChoice): Result<ChoiceFacts> {
  return choice.rings === 'two' ? twoRingFacts(choice) : simpleFacts(choice);
}

function simpleFacts(choice: PlanetaryChoice): Result<ChoiceFacts> {
  const made = setFrom({ sun: choice.sun, planet: choice.planet }, choice.planets);
  if (!made.ok) return made;
  const set: PlanetarySet = made.value;
  const { equal, anglesDeg, gap } = assemblyOf(set);
  const facts: ChoiceFacts = {
    rate: stackedRate(planetaryRate(set, choice.held, choice.driver), choice.stages),
    output: drivenOf(choice.held, choice.driver),
    ...{ equal, anglesDeg, gap },
    inRings: ringTroubles(set.planet, set.ring),
    across: ringOutside(set.ring),
  };
  return { ok: true, value: facts };
}

function twoRingFacts(choice: PlanetaryChoice): Result<ChoiceFacts> {
  const made = twoRingFrom(choice.sun, choice.planet, choice.second, choice.planets);
  if (!made.ok) return made;
  const set: TwoRingSet = made.value;
  const facts: ChoiceFacts = {
    rate: twoRingRate(set),
    output: 'second ring',
    ...{ equal: twoRingFits(set), anglesDeg: [], gap: twoRingGap(set) },
    inRings: [...ringTroubles(set.planet, set.ring), ...ringTroubles(set.second, set.secondRing)],
    across: ringOutside(Math.max(set.ring, set.secondRing)),
  };
  return { ok: true, value: facts };
}

function ringTroubles(planet: number, ring: number): RingTrouble[] {
  if (!tipsPass(planet, ring)) return [{ kind: 'tips strike', planet, ring }];
  return ringMargins(planet, ring).involute < 0 ? [{ kind: 'below base circle', planet, ring }] : [];
}

/** Whether a choice cannot be built: planets strike each other, or a ring. */
export const cannotBeBuilt = ({ gap, inRings }: ChoiceFacts): boolean =>
  gap <= 0 || inRings.some(t => t.kind === 'tips strike');

/** Counts that are searched, and the least air between tips, modules. */
export const SET_LEAST = 12;
export const SET_MOST = 120;
export const SET_GAP = 0.3;

/**
 * Simple sets nearest to a rate by the members that are chosen, over all stages together; the error is that of all
 * stages, relative to the rate that is wanted, whichever way it turns.
 */
export function setsForRate(
  choice: Pick<PlanetaryChoice, 'held' | 'driver' | 'stages'>,
  wanted: Rational,
  within: {
    readonly planets: readonly number[];
    readonly module: number;
    readonly outside: number | undefined;
  },
): Result<PlanetaryFound[]> | undefined {
  const each = rateOfStage(wanted, choice.stages);
  if (!each) return undefined;
  const { outside, module, planets } = within;
  const found = searchPlanetary({
    target: choice.held === 'arm' ? neg(each) : each,
    ...{ held: choice.held, driver: choice.driver, least: SET_LEAST, most: SET_MOST },
    ...{ planets, equalOnly: true, gap: SET_GAP, module, top: 8 },
    ...(outside !== undefined && { outside }),
  });
  if (!found.ok) return found;
  const error = (rate: Rational): Rational =>
    sub(div(absolute(stackedRate(rate, choice.stages)), absolute(wanted)), ONE);
  return { ok: true, value: found.value.map(f => ({ ...f, error: error(f.rate) })) };
}
