import type { Attempt } from '../change/index.ts';
import { byId } from '../../document/machine/index.ts';
import { ok } from '../../ground/result/index.ts';
import { gone } from './sound.ts';

/** Lets an arbor serve one output and no other; without an output it serves none. */
export function serve(arborId: string, aimId: string | undefined): Attempt {
  return machine => {
    if (!byId(machine.members, arborId) || (aimId !== undefined && !byId(machine.aims, aimId)))
      return gone(arborId);
    const aims = machine.aims.map(aim => {
      if (aim.id === aimId) return { ...aim, member: arborId };
      if (aim.member !== arborId) return aim;
      const { member: _, ...rest } = aim;
      return rest;
    });
    return ok({ ...machine, aims });
  };
}
