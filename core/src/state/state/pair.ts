import { byId, circleCount, type Machine, type MeshJoint } from '../../document/machine/index.ts';
import type { Pair } from '../../teeth/mesh/index.ts';
import { transverseAngleDeg } from '../../teeth/tooth/index.ts';
import { cosDeg } from '../../ground/units/index.ts';
import type { ModuleTable } from './derived.ts';

/** The involute pair of a mesh and whether its first wheel stands within a ring that is the mesh's first. */
export interface PairOfMesh {
  readonly pair: Pair;
  /** For a ring: whether the ring is the mesh's wheel a. The pair's first is then its wheel b. */
  readonly swapped: boolean;
}

/**
 * The pair of involute wheels that an external or internal mesh joins, in the plane across the axes; undefined for any
 * other kind of mesh or an open count. A ring counts with its teeth and shift, the wheel in it with the negative of
 * both, so that the formulas of external pairs hold (ISO 21771); the first of an internal pair is the wheel.
 */
export function pairOf(
  machine: Pick<Machine, 'wheels' | 'toothings'>,
  table: ModuleTable,
  mesh: MeshJoint,
): PairOfMesh | undefined {
  const swapped = mesh.type === 'internal' && byId(machine.wheels, mesh.a)?.role === 'ring';
  const a = byId(machine.wheels, swapped ? mesh.b : mesh.a);
  const b = byId(machine.wheels, swapped ? mesh.a : mesh.b);
  const toothing = byId(machine.toothings, a?.toothing);
  const module = toothing && table.modules[toothing.id];
  if (!a || !b || module === undefined) return undefined;
  const [za, zb] = [circleCount(a), circleCount(b)];
  if (za === undefined || zb === undefined) return undefined;
  if (toothing?.form.kind !== 'involute' || a.toothing !== b.toothing) return undefined;
  const helix = toothing.helixDeg ?? 0;
  const pressureAngleDeg = transverseAngleDeg(toothing.form.pressureAngleDeg, helix);
  const [xa, xb] = [a, b].map(w => (w.shift ?? 0) * cosDeg(helix)) as [number, number];
  const roles = `${a.role} ${b.role}`;
  if (mesh.type === 'external' && roles === 'wheel wheel')
    return { swapped, pair: { module, pressureAngleDeg, counts: [za, zb], shifts: [xa, xb] } };
  if (mesh.type === 'internal' && roles === 'wheel ring' && zb > za)
    return {
      swapped,
      pair: { module, pressureAngleDeg, counts: [-za, zb], shifts: [xa === 0 ? 0 : -xa, xb] },
    };
  return undefined;
}
