import type { Attempt } from '../change/index.ts';
import { byId, jointEnds, ringWithin } from '../../document/machine/index.ts';
import { ok } from '../../ground/result/index.ts';
import { gone } from './sound.ts';

/** Moves a wheel to a layer, and with it every wheel in mesh with it there, so that the meshes stay whole. */
export function moveToLayer(wheelId: string, layer: number): Attempt {
  return machine => {
    const wheel = byId(machine.wheels, wheelId);
    if (!wheel) return gone(wheelId);
    const group = new Set([wheelId]);
    const ties = machine.joints
      .map(j => jointEnds(j))
      .filter(ends => ends.every(([what]) => what === 'wheel'))
      .map(ends => ends.map(([, id]) => id));
    for (const w of machine.wheels) {
      const ring = ringWithin(machine, w);
      if (ring) ties.push([w.id, ring.id]);
    }
    for (let size = 0; size !== group.size;) {
      size = group.size;
      for (const ids of ties) if (ids.some(id => group.has(id))) for (const id of ids) group.add(id);
    }
    return ok({
      ...machine,
      wheels: machine.wheels.map(w => (group.has(w.id) && w.layer !== layer ? { ...w, layer } : w)),
    });
  };
}
