import { byId } from './lookup.ts';
import type { Machine, Wheel } from './types.ts';

type Wheels = Pick<Machine, 'wheels'>;

/** The ring outside whose rim a wheel's teeth stand; both are one part, on one arbor. */
export function ringWithin({ wheels }: Wheels, { mount, member }: Wheel): Wheel | undefined {
  const ring = mount?.kind === 'around' ? byId(wheels, mount.ring) : undefined;
  return ring?.role === 'ring' && ring.member === member ? ring : undefined;
}

/** The teeth outside the rim of a ring: a wheel that is one part with it. */
export const teethOutside = (machine: Wheels, ring: Wheel): Wheel | undefined =>
  ring.role === 'ring'
    ? machine.wheels.find(w => w.mount?.kind === 'around' && ringWithin(machine, w)?.id === ring.id)
    : undefined;

/** The other side of a ring with teeth inside and outside, whichever is given. */
export const otherSide = (machine: Wheels, wheel: Wheel): Wheel | undefined =>
  ringWithin(machine, wheel) ?? teethOutside(machine, wheel);

/** The wheels that are parts of their own: of a ring with teeth on both sides, the ring. */
export const ownParts = (machine: Wheels): Wheel[] => machine.wheels.filter(w => !ringWithin(machine, w));
