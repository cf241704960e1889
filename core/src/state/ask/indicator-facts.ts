import type { IndicatorFacts } from '../../place/indicator/index.ts';
import type { Machine } from '../../document/machine/index.ts';
import { type DriveTurns, memberAngle, opposite, stancesAt } from '../../place/motion/index.ts';
import { groundRate } from '../../trains/train/index.ts';
import type { Derived } from '../state/index.ts';

/** What hands read in a machine, its uneven members included: where those stand is asked of the motion itself. */
export function indicatorFacts({
  machine,
  train,
  moving,
}: Pick<Derived, 'machine' | 'train' | 'moving'>): IndicatorFacts & { readonly machine: Machine } {
  const { rates } = train;
  const uneven = (member: string, turns: DriveTurns): number => {
    const rate = groundRate(machine, rates, member);
    const stands = rate && stancesAt(moving, turns).get(member);
    if (!rate || !stands) return 0;
    const off = stands.angle - memberAngle(rate, moving.clockwise ? opposite(turns) : turns);
    return off - 2 * Math.PI * Math.round(off / (2 * Math.PI));
  };
  return Object.keys(train.responses).length > 0 ? { machine, rates, uneven } : { machine, rates };
}
