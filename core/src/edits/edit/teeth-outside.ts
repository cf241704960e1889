import { byId, circleCount, freeId, type Wheel } from '../../document/machine/index.ts';
import type { Attempt } from '../change/index.ts';
import { fail, ok } from '../../ground/result/index.ts';
import { gone } from './sound.ts';

/** Beyond the count inside: two dedendums of 1.25 and a rim of 1.2 times a depth of 2.25 modules, and one more. */
const MORE = 12;

/** How many teeth stand outside a ring when nothing is said: as many as leave a sound rim of usual teeth. */
export const usualOutside = (ring: Wheel): number => (circleCount(ring) ?? 0) + MORE;

/** Cuts teeth in the outside of a ring's rim: a wheel of its arbor, layer and toothing that is one part with it. */
export function addTeethOutside(ringId: string, count: number): Attempt {
  return machine => {
    const ring = byId(machine.wheels, ringId);
    if (!ring) return gone(ringId);
    if (!Number.isInteger(count) || count < 1) return fail('hand-count', { count });
    const { member, toothing, layer, thickness } = ring;
    const id = freeId(machine, `${ringId}-outside`);
    const wheel: Wheel = {
      ...{ id, name: `${ring.name}, outside`, member, toothing, layer, role: 'wheel' },
      ...{ teeth: { kind: 'count', count }, mount: { kind: 'around', ring: ringId } },
      ...(thickness !== undefined && { thickness }),
      ...(ring.hand && { hand: ring.hand }),
    };
    return ok({ ...machine, wheels: [...machine.wheels, wheel] });
  };
}
