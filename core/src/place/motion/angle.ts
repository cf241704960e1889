import { floorDiv, type Rational, toNumber } from '../../ground/rational/index.ts';

/** How far the drive has turned: whole turns, any number of them, and a part of a turn from 0 to 1. */
export interface DriveTurns {
  readonly whole: bigint;
  readonly part: number;
}

/** Before the drive has turned. */
export const AT_REST: DriveTurns = { whole: 0n, part: 0 };

/** The drive's turns after a further part of a turn, forwards or back, carried into whole turns. */
export function advance(turns: DriveTurns, by: number): DriveTurns {
  const sum = turns.part + by;
  const carry = Math.floor(sum);
  return { whole: turns.whole + BigInt(carry), part: sum - carry };
}

const SAFE = Number.MAX_SAFE_INTEGER;

/** As many turns the other way. */
export const opposite = ({ whole, part }: DriveTurns): DriveTurns =>
  part === 0 ? { whole: -whole, part } : { whole: -whole - 1n, part: 1 - part };

/**
 * Angle of a member in radians, in [0, 2π) or a little beyond: whole turns of the drive are taken exactly and only
 * their remainder becomes a double, so that no error grows with time.
 */
export function memberAngle(rate: Rational, turns: DriveTurns): number {
  const [num, den, whole] = [Number(rate.num), Number(rate.den), Number(turns.whole)];
  // The same in doubles as long as all are whole numbers that a double holds: no bigint is made for a frame.
  if (den <= SAFE && Math.abs(num) <= SAFE && Math.abs(num * whole) <= SAFE) {
    const rest = (num * whole) % den;
    return 2 * Math.PI * ((rest < 0 ? rest + den : rest) / den + (num / den) * turns.part);
  }
  const product = rate.num * turns.whole;
  const rest = product - floorDiv(product, rate.den) * rate.den;
  return 2 * Math.PI * (toNumber({ num: rest, den: rate.den }) + toNumber(rate) * turns.part);
}

/** Turns of a member since rest, as a double for showing; exact in its whole part. */
export function memberTurns(rate: Rational, turns: DriveTurns): { whole: bigint; part: number } {
  const product = rate.num * turns.whole;
  const whole = floorDiv(product, rate.den);
  const rest = product - whole * rate.den;
  const part = toNumber({ num: rest, den: rate.den }) + toNumber(rate) * turns.part;
  const carry = Math.floor(part);
  return { whole: whole + BigInt(carry), part: part - carry };
}

/** The drive's turns as a double, for short runs and for showing. */
export const turnsAsNumber = (turns: DriveTurns): number => Number(turns.whole) + turns.part;
