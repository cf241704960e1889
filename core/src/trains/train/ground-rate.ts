import { byId, GROUND, type Machine } from '../../document/machine/index.ts';
import { add, type Rational } from '../../ground/rational/index.ts';

/**
 * The rate of an arbor against the ground: its own in the frame of its axis, and those of the arms that carry it
 * (conventions 8; parallel axes). Undefined where one of them is not known. Sun 24, planet 18, ring 60 held, sun
 * drives:
 * the planet −20/21 + 2/7 = −2/3.
 */
export function groundRate(
  machine: Pick<Machine, 'axes' | 'members'>,
  rates: Readonly<Record<string, Rational>>,
  arbor: string,
): Rational | undefined {
  let sum = rates[arbor];
  let member = byId(machine.members, arbor);
  for (let depth = 0; depth <= machine.axes.length && sum; depth++) {
    const axis = member?.kind === 'arbor' ? byId(machine.axes, member.axis) : undefined;
    if (!axis || axis.frame === GROUND) return sum;
    const arm = rates[axis.frame];
    sum = arm && add(sum, arm);
    member = byId(machine.members, axis.frame);
  }
  return undefined;
}
