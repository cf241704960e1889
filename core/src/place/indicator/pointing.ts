import { byId, type Dial, driveWay, type Indicator, type Machine } from '../../document/machine/index.ts';
import { type DriveTurns, memberTurns } from '../motion/index.ts';
import { neg, type Rational, sign, sub, ZERO } from '../../ground/rational/index.ts';
import { groundRate } from '../../trains/train/index.ts';

/** What readings are made from: the document and the rates of its members. */
export interface IndicatorFacts {
  readonly machine: Pick<Machine, 'axes' | 'members' | 'indicators' | 'drive' | 'aims'>;
  readonly rates: Readonly<Record<string, Rational>>;
  /** How far an uneven member is off its mean angle, as it is seen, radians; nought for what turns evenly. */
  readonly uneven?: (member: string, turns: DriveTurns) => number;
}

/** How far something has turned on what it is read against: whole turns, and the part of a turn from 0 to 1. */
export interface Pointing {
  readonly whole: bigint;
  readonly part: number;
}

/**
 * How quickly what is shown grows, in full turns per turn of the drive, and where it stands before the drive has
 * turned.
 */
export interface Showing {
  readonly rate: Rational;
  readonly atNought: number;
  /** What a turn that is seen, counter-clockwise, adds to what is shown. */
  readonly perSeen: number;
}

/** The dial that a hand is read against, if it has one. */
export const dialOf = (machine: Pick<Machine, 'indicators'>, indicator: Indicator): Dial | undefined => {
  const dial = indicator.kind === 'hand' ? byId(machine.indicators, indicator.dial) : undefined;
  return dial?.kind === 'dial' ? dial : undefined;
};

const dialWay = ({ sense }: Dial): 1 | -1 => (sense === 'clockwise' ? -1 : 1);
const signed = (rate: Rational, way: number): Rational => (way < 0 ? neg(rate) : rate);

/**
 * What an indicator shows as the drive turns, seen from the front. A hand with a dial is read from the dial's
 * nought the way that the dial counts; a hand without one from where it stands at nought turns, the way it turns. A
 * dial that turns is read at the place of its nought, the number that comes there; one with moons twice a turn.
 * Globes and bodies from the x direction, the way they turn.
 * Undefined where a rate is not known.
 */
export function showingOf({ machine, rates }: IndicatorFacts, indicator: Indicator): Showing | undefined {
  const way = driveWay(machine);
  const own = rateOf(machine, rates, indicator.member);
  if (!own) return undefined;
  const dial = dialOf(machine, indicator);
  if (dial) {
    const under = rateOf(machine, rates, dial.member);
    if (!under) return undefined;
    const counts = dialWay(dial);
    const atNought = (counts * (indicator.settingDeg - dial.settingDeg)) / 360;
    return { rate: signed(sub(own, under), way * counts), atNought, perSeen: counts };
  }
  const forward = sign(own) < 0 ? neg(own) : own;
  const turns = sign(own) * way < 0 ? -1 : 1;
  switch (indicator.kind) {
    case 'dial':
      return indicator.moons
        ? { rate: { num: forward.num * 2n, den: forward.den }, atNought: 0, perSeen: 2 * turns }
        : { rate: signed(own, -way * dialWay(indicator)), atNought: 0, perSeen: -dialWay(indicator) };
    case 'hand':
      return { rate: forward, atNought: 0, perSeen: turns };
    case 'globe':
    case 'body':
      return { rate: forward, atNought: (turns * indicator.settingDeg) / 360, perSeen: turns };
  }
}

/**
 * Where an indicator points after some turns of the drive; exact in its whole turns. Undefined where a rate is not
 * known.
 */
export function pointingOf(
  facts: IndicatorFacts,
  indicator: Indicator,
  turns: DriveTurns,
): Pointing | undefined {
  const showing = showingOf(facts, indicator);
  if (!showing) return undefined;
  const { whole, part } = memberTurns(showing.rate, turns);
  const sum = part + showing.atNought + (showing.perSeen * unevenOf(facts, indicator, turns)) / (2 * Math.PI);
  const carry = Math.floor(sum);
  return { whole: whole + BigInt(carry), part: sum - carry };
}

/** How far a hand is off its mean place on its dial, where one of the two turns unevenly; radians as it is seen. */
function unevenOf({ machine, uneven }: IndicatorFacts, indicator: Indicator, turns: DriveTurns): number {
  if (!uneven) return 0;
  const of = (member: string): number => (member === 'ground' ? 0 : uneven(member, turns));
  const dial = dialOf(machine, indicator);
  return of(indicator.member) - (dial ? of(dial.member) : 0);
}

/** The rate of a member against the ground; the ground itself stands. */
function rateOf(
  machine: IndicatorFacts['machine'],
  rates: IndicatorFacts['rates'],
  member: string,
): Rational | undefined {
  return member === 'ground' ? ZERO : groundRate(machine, rates, member);
}
