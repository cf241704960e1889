import { byId, meshes } from '../../document/machine/lookup.ts';
import type { Edit } from './patch.ts';

/** Decimals of a shift that is passed on. */
const DECIMALS = 6;

/**
 * Shifts a wheel and, by as much, all that mesh with it on and on, so that every centre stays where it is: wheels that
 * roll outside each other the other way, a ring with the wheels in it the same way (the sum of shifts of an outer pair
 * and their difference in a ring are kept; ISO 21771). In modules. The machine as it was where the meshes close in a
 * circle that wants a wheel both ways.
 */
export const shiftTogether =
  (wheel: string, shift: number): Edit =>
  machine => {
    const first = byId(machine.wheels, wheel);
    if (!first) return machine;
    const signs = new Map([[wheel, 1]]);
    const open = [wheel];
    for (let at = open.pop(); at !== undefined; at = open.pop())
      for (const j of meshes(machine)) {
        if (j.type !== 'external' && j.type !== 'internal') continue;
        const mate = j.a === at ? j.b : j.b === at ? j.a : undefined;
        if (mate === undefined) continue;
        const sign = (signs.get(at) ?? 1) * (j.type === 'external' ? -1 : 1);
        const known = signs.get(mate);
        if (known === undefined) {
          signs.set(mate, sign);
          open.push(mate);
        } else if (known !== sign) return machine;
      }
    const by = shift - (first.shift ?? 0);
    return {
      ...machine,
      wheels: machine.wheels.map(w => {
        const sign = signs.get(w.id);
        return sign === undefined
          ? w
          : { ...w, shift: Number(((w.shift ?? 0) + sign * by).toFixed(DECIMALS)) };
      }),
    };
  };
