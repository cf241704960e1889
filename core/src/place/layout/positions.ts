import { distance, type Point } from '../../ground/geometry/index.ts';
import {
  type Axis,
  byId,
  circleCount,
  type Machine,
  type MeshJoint,
  meshes,
  placeHangsOn,
} from '../../document/machine/index.ts';
import { type Finding, finding, fix, table } from '../../ground/result/index.ts';
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
  const unplaced = new Set<string>();
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
    if (!found) {
      const small = idlerTooSmall(machine, axis, across, joint => distances[joint], place);
      findings.push(small?.told ?? finding('axis-not-placed', 'warn', 'plan', [axis.id]));
      unplaced.add(axis.id);
      at[axis.id] = small?.at ?? beside(axis);
    }
    const point = found ?? at[axis.id] ?? { x: 0, y: 0 };
    at[axis.id] = point;
    return point;
  };
  /** Where an axis without a place is drawn: at the mesh's distance from what it hangs on, not on the origin. */
  const beside = (axis: Axis): Point => {
    const [joint] = placeHangsOn(axis.place).joints;
    const near = joint === undefined ? undefined : place(across(joint, axis.id));
    return near ? { x: near.x + (distances[joint as string] ?? 0), y: near.y } : { x: 0, y: 0 };
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
    // What has no place is told once, not again for each of its meshes.
    if ([mesh.a, mesh.b].some(w => unplaced.has(axisOf.get(w) ?? ''))) continue;
    const expected = distances[mesh.id];
    const [a, b] = [mesh.a, mesh.b].map(w => at[axisOf.get(w) ?? '']);
    if (!a || !b || expected === undefined || Math.abs(distance(a, b) - expected) <= CLOSES) continue;
    findings.push(
      finding('centres-disagree', 'stop', 'plan', [mesh.id], { is: distance(a, b), needs: expected }),
    );
  }
  return { at, findings };
}

/**
 * The finding for an idler that stands between two wheels and cannot reach both, with the teeth that it needs, and the
 * place between them where it comes nearest: its distances m(a + n)/2 and m(n + b)/2 must sum to the centres' distance.
 */
function idlerTooSmall(
  machine: Pick<Machine, 'wheels' | 'members' | 'joints'>,
  axis: Axis,
  across: (joint: string, axis: string) => string | undefined,
  distanceOf: (joint: string) => number | undefined,
  place: (id: string | undefined) => Point | undefined,
): { readonly told: Finding; readonly at: Point } | undefined {
  if (axis.place.kind !== 'between') return undefined;
  const { joints } = axis.place;
  const [p, q] = joints.map(j => place(across(j, axis.id)));
  const [dp, dq] = joints.map(distanceOf);
  if (!p || !q || dp === undefined || dq === undefined) return undefined;
  const apart = distance(p, q);
  const part = dp / (dp + dq);
  const at = { x: p.x + part * (q.x - p.x), y: p.y + part * (q.y - p.y) };
  const [one, two] = joints.map(j => byId(meshes(machine), j));
  const own = [one?.a, one?.b].find(w => w !== undefined && (w === two?.a || w === two?.b));
  const wheel = byId(machine.wheels, own);
  const count = wheel && circleCount(wheel);
  if (!wheel || count === undefined || apart <= dp + dq) return undefined;
  const others = [one, two].map(m => byId(machine.wheels, m?.a === own ? m?.b : m?.a));
  const [a, b] = others.map(w => (w ? circleCount(w) : undefined));
  if (a === undefined || b === undefined) return undefined;
  // A tooth more on the idler takes either centre half a module further.
  const step = dp / (a + count) + dq / (b + count);
  const needs = count + Math.ceil((apart - dp - dq) / step - 1e-9);
  const fixes = [fix('set-teeth', wheel.id, needs)];
  return { told: finding('idler-too-small', 'stop', 'plan', [wheel.id], { is: count, needs }, fixes), at };
}

/** Whether the axes of a mesh are parallel and both counts decided, so that their distance can be held against it. */
const flat = (machine: Pick<Machine, 'wheels'>, { type, a, b }: MeshJoint): boolean =>
  (type === 'external' || type === 'internal') &&
  [a, b].every(w => byId(machine.wheels, w)?.teeth.kind !== 'open');
