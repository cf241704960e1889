import { byId, type Machine, type MeshJoint } from '../../document/machine/index.ts';
import { wheelThickness } from '../../place/layout/index.ts';
import { overlapRatio } from '../../teeth/tooth/index.ts';

/**
 * How many pitches the helix of a mesh runs through over the narrower of its two wheels; nought where teeth stand
 * straight. `modules`: across the axis, mm, by toothing.
 */
export function meshOverlap(
  machine: Pick<Machine, 'wheels' | 'toothings' | 'stack'>,
  mesh: MeshJoint,
  modules: Readonly<Record<string, number>>,
): number {
  const wheels = [mesh.a, mesh.b].flatMap(id => byId(machine.wheels, id) ?? []);
  const toothing = byId(machine.toothings, wheels[0]?.toothing);
  const helix = toothing?.helixDeg ?? 0;
  const module = toothing && modules[toothing.id];
  if (wheels.length < 2 || helix === 0 || module === undefined) return 0;
  const face = Math.min(...wheels.map(w => wheelThickness(machine.stack, w)));
  return overlapRatio(face, module * Math.cos((helix * Math.PI) / 180), helix);
}
