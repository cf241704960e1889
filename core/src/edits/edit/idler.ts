import { byId, meshes } from '../../document/machine/index.ts';
import { type Attempt, insertIdler } from '../change/index.ts';
import { fail, ok } from '../../ground/result/index.ts';
import { gone } from './sound.ts';

/** Puts an idler into an external mesh; in others it is refused. */
export function idlerInto(meshId: string, count: number): Attempt {
  return machine => {
    const mesh = byId(meshes(machine), meshId);
    if (!mesh) return gone(meshId);
    if (mesh.type !== 'external') return fail('hand-idler-external', { type: mesh.type });
    return ok(insertIdler(meshId, count)(machine));
  };
}
