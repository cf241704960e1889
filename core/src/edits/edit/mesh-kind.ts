import type { Attempt } from '../change/index.ts';
import {
  byId,
  circleCount,
  type MeshJoint,
  type MeshType,
  MESHES,
  meshes,
} from '../../document/machine/index.ts';
import { fail, ok } from '../../ground/result/index.ts';
import { gone } from './sound.ts';

/** Kinds of mesh that two wheels on arbors can be given by hand. */
export const MESH_KINDS = (Object.keys(MESHES) as MeshType[]).filter(t => MESHES[t].byHand);

/**
 * Makes a mesh one of another kind; the larger wheel of an internal one becomes a ring, and is no ring in the
 * others.
 */
export function setMeshKind(meshId: string, type: MeshType): Attempt {
  return machine => {
    const mesh = byId(meshes(machine), meshId);
    const [a, b] = [byId(machine.wheels, mesh?.a), byId(machine.wheels, mesh?.b)];
    if (!mesh || !a || !b) return gone(meshId);
    const [za, zb] = [circleCount(a) ?? 0, circleCount(b) ?? 0];
    if (type === 'internal' && za === zb) return fail('hand-ring-count', { count: za, own: zb });
    const ring = type === 'internal' ? (za > zb ? a.id : b.id) : undefined;
    const others = meshes(machine).filter(j => j.id !== meshId && j.type === 'internal');
    const ringElsewhere = (w: string): boolean => others.some(j => j.a === w || j.b === w);
    return ok({
      ...machine,
      joints: machine.joints.map(j => (j.id === meshId && j.kind === 'mesh' ? retyped(j, type) : j)),
      wheels: machine.wheels.map(w => {
        if (w.id !== a.id && w.id !== b.id) return w;
        if (w.id === ring) return { ...w, role: 'ring' as const };
        return w.role === 'ring' && !ringElsewhere(w.id) ? { ...w, role: 'wheel' as const } : w;
      }),
    });
  };
}

const retyped = ({ opposite: _, ...joint }: MeshJoint, type: MeshType): MeshJoint => ({ ...joint, type });

/** Turns the sense of a mesh whose wheels can stand in two ways: bevels, pegs, worms, crossed wheels and racks. */
export function turnOver(meshId: string): Attempt {
  return machine => {
    const mesh = byId(meshes(machine), meshId);
    if (!mesh) return gone(meshId);
    if (!canTurnOver(mesh)) return fail('hand-one-way', { type: mesh.type });
    const { opposite, ...plain } = mesh;
    const next: MeshJoint = opposite ? plain : { ...plain, opposite: true };
    return ok({ ...machine, joints: machine.joints.map(j => (j.id === meshId ? next : j)) });
  };
}

/** Whether the wheels of a mesh can stand in two ways, with two senses. */
export const canTurnOver = ({ type }: MeshJoint): boolean =>
  ['bevel', 'pegs', 'worm', 'crossed', 'rack'].includes(type);
