import { distance, type Point } from '../../ground/geometry/index.ts';
import { type Axis, byId, type Machine, type MeshJoint, meshes } from '../../document/machine/index.ts';
import { type Finding, finding, table } from '../../ground/result/index.ts';
import { resolvePlace } from './resolve-place.ts';

/**
 * Where every axis stands at rest, mm, in the ground's coordinates (arms at their angle of rest), and what does not
 * close.
 */
export interface Positions {
  readonly at: Readonly<Record<string, Point>>;
  readonly findings: readonly Finding[];
}

/** A centre may miss its place by this much, mm, before it is worth a word. */
export const CLOSES = 1e-6;

/**
 * Places all axes from what they hang on: centres flow from the meshes (conventions: a change of a centre moves all
 * that hangs on it). `distances` gives the centre distance of every mesh, mm, spread included.
 */
export function axisPositions(
  machine: Pick<Machine, 'axes' | 'members' | 'wheels' | 'joints'>,
  distances: Readonly<Record<string, number>>,
): Positions {
  const at: Record<string, Point> = table();
  const findings: Finding[] = [];
  const waiting = new Set<string>();
  const axes = new Map(machine.axes.map(a => [a.id, a] as const));
  const all = meshes(machine);
  const byMesh = new Map(all.map(j => [j.id, j] as const));
  const onAxis = new Map(machine.members.flatMap(m => (m.kind === 'arbor' ? [[m.id, m.axis] as const] : [])));
  const axisOf = new Map(machine.wheels.map(w => [w.id, onAxis.get(w.member)] as const));
  const place = (id: string | undefined): Point | undefined => {
    const axis = id === undefined ? undefined : axes.get(id);
    if (!axis || waiting.has(axis.id)) return undefined;
    const known = at[axis.id];
    if (known) return known;
    waiting.add(axis.id);
    const found = resolve(axis, other => place(other));
    waiting.delete(axis.id);
    if (!found) findings.push(finding('axis-not-placed', 'warn', 'plan', [axis.id]));
    const point = found ?? { x: 0, y: 0 };
    at[axis.id] = point;
    return point;
  };
  const across = (joint: string, axis: string): string | undefined => {
    const mesh = byMesh.get(joint);
    const ends = [mesh?.a, mesh?.b].map(w => (w === undefined ? undefined : axisOf.get(w)));
    return ends.find(e => e !== undefined && e !== axis);
  };
  const resolve = (axis: Axis, where: (id: string | undefined) => Point | undefined): Point | undefined =>
    resolvePlace(axis.place, {
      origin: () => (axis.frame === 'ground' ? { x: 0, y: 0 } : where(onAxis.get(axis.frame))),
      axis: where,
      across: joint => where(across(joint, axis.id)),
      distance: joint => distances[joint],
    });
  for (const axis of machine.axes) place(axis.id);
  for (const mesh of all) {
    if (!flat(machine, mesh)) continue;
    const expected = distances[mesh.id];
    const [a, b] = [mesh.a, mesh.b].map(w => at[axisOf.get(w) ?? '']);
    if (!a || !b || expected === undefined || Math.abs(distance(a, b) - expected) <= CLOSES) continue;
    findings.push(
      finding('centres-disagree', 'stop', 'plan', [mesh.id], { is: distance(a, b), needs: expected }),
    );
  }
  return { at, findings };
}

/** Whether the axes of a mesh are parallel and both counts decided, so that their distance can be held against it. */
const flat = (machine: Pick<Machine, 'wheels'>, { type, a, b }: MeshJoint): boolean =>
  (type === 'external' || type === 'internal') &&
  [a, b].every(w => byId(machine.wheels, w)?.teeth.kind !== 'open');
