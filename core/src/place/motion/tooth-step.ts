import { byId, circleCount, type Machine } from '../../document/machine/index.ts';
import { absolute, div, isZero, type Rational, rational, toNumber } from '../../ground/rational/index.ts';
import { groundRate } from '../../trains/train/index.ts';

/**
 * Turns of the drive in which so many teeth of a wheel go past a point that stands: teeth / (count · rate). One
 * tooth is a tooth; half of an escape wheel’s is a beat, as each swing of a pendulum lets half a tooth pass (common
 * practice, no source). 60 teeth on the drive: 1/60. Undefined for a wheel that stands, is open, or has no rate.
 */
export function turnsForTeeth(
  machine: Pick<Machine, 'axes' | 'members' | 'wheels'>,
  rates: Readonly<Record<string, Rational>>,
  wheel: string,
  teeth: Rational,
): number | undefined {
  const found = byId(machine.wheels, wheel);
  const count = found && circleCount(found);
  const rate = found && (groundRate(machine, rates, found.member) ?? rates[found.member]);
  if (!count || !rate || isZero(rate)) return undefined;
  return toNumber(div(teeth, { num: absolute(rate).num * BigInt(count), den: rate.den }));
}

/** A tooth, and a beat. */
export const ONE_TOOTH = rational(1n);
export const ONE_BEAT = rational(1n, 2n);
