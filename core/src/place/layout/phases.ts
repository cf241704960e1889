import { direction, type Point } from '../../ground/geometry/index.ts';
import {
  axisOfWheel,
  byId,
  circleCount,
  type Machine,
  type MeshJoint,
  meshes,
} from '../../document/machine/index.ts';
import { innerPhase, innerPhaseError, matingPhase, phaseError } from '../../teeth/mesh/index.ts';
import { type Finding, finding, table } from '../../ground/result/index.ts';

/** The angle of tooth 0 of every wheel at rest (radians from x), and meshes whose teeth cannot be put into gaps. */
export interface Phases {
  readonly at: Readonly<Record<string, number>>;
  readonly findings: readonly Finding[];
}

/** Meshes whose teeth come into gaps in the plan; a reducer's disc stands in its ring as a wheel in a ring does. */
const PHASED: ReadonlySet<MeshJoint['type']> = new Set(['external', 'internal', 'reducer']);

/** Two teeth may miss the middle of their gaps by this part of a tooth, in radians of tooth phase. */
const CLOSES = 1e-6;

/**
 * Sets every wheel so that its teeth stand in its neighbours' gaps at rest, walking from wheel to wheel through the
 * external and internal meshes. Each wheel turns freely on its arbor until it is fixed there; a loop of meshes may
 * not close.
 */
export function wheelPhases(
  machine: Pick<Machine, 'members' | 'wheels' | 'joints'>,
  positions: Readonly<Record<string, Point>>,
): Phases {
  const at: Record<string, number> = table();
  const findings: Finding[] = [];
  const flat = meshes(machine).filter(j => PHASED.has(j.type) && j.a !== j.b);
  const meshesOf = new Map<string, MeshJoint[]>();
  for (const j of flat) for (const w of [j.a, j.b]) meshesOf.set(w, [...(meshesOf.get(w) ?? []), j]);
  const centre = (id: string): Point | undefined => {
    const wheel = byId(machine.wheels, id);
    return wheel && positions[axisOfWheel(machine, wheel) ?? ''];
  };
  const count = (id: string): number | undefined => {
    const wheel = byId(machine.wheels, id);
    return wheel && circleCount(wheel);
  };
  const checked = new Set<string>();
  for (const start of machine.wheels) {
    if (at[start.id] !== undefined) continue;
    at[start.id] = 0;
    const queue = [start.id];
    for (let id = queue.shift(); id !== undefined; id = queue.shift()) {
      for (const j of meshesOf.get(id) ?? []) {
        const other = j.a === id ? j.b : j.a;
        const [p, q, zp, zq] = [centre(id), centre(other), count(id), count(other)];
        if (checked.has(j.id) || !p || !q || zp === undefined || zq === undefined) continue;
        checked.add(j.id);
        const inside = j.type !== 'external';
        const line = inside ? ringLine(machine, j, p, q, id) : direction(p, q);
        const phase = at[id] ?? 0;
        const known = at[other];
        if (known === undefined) {
          at[other] = (inside ? innerPhase : matingPhase)(zp, phase, zq, line);
          queue.push(other);
        } else {
          const error = (inside ? innerPhaseError : phaseError)(zp, phase, zq, known, line);
          if (Math.abs(error) > CLOSES)
            findings.push(finding('phase-clash', 'stop', 'plan', [j.id], { teeth: error / (2 * Math.PI) }));
        }
      }
    }
  }
  return { at, findings };
}

/** The direction in which a wheel meets its ring: from the ring's centre through the wheel's. */
function ringLine(
  machine: Pick<Machine, 'wheels'>,
  j: MeshJoint,
  here: Point,
  there: Point,
  id: string,
): number {
  const larger = (w: string): number => {
    const wheel = byId(machine.wheels, w);
    return (wheel?.role === 'ring' ? 1e9 : 0) + ((wheel && circleCount(wheel)) ?? 0);
  };
  const other = j.a === id ? j.b : j.a;
  return larger(id) > larger(other) ? direction(here, there) : direction(there, here);
}
