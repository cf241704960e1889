import { byId, insertIdler, type Machine, meshes } from '../machine/index.ts';
import { fail, ok, type Result } from '../result/index.ts';
import { gone } from './sound.ts';

/** Puts an idler into an external mesh; in others it is refused. */
export function idlerInto(machine: Machine, meshId: string, count: number): Result<Machine> {
  const mesh = byId(meshes(machine), meshId);
  if (!mesh) return gone(meshId);
  if (mesh.type !== 'external') return fail('hand-idler-external', { type: mesh.type });
  return ok(insertIdler(meshId, count)(machine));
}
