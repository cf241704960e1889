import type { Attempt } from '../change/index.ts';
import type { Point } from '../../ground/geometry/index.ts';
import { type Axis, byId, GROUND, type Machine, meshes } from '../../document/machine/index.ts';
import { lineOf } from '../../trains/train/index.ts';
import { fail } from '../../ground/result/index.ts';
import { gone, sound } from './sound.ts';

/**
 * Puts an arbor on the axis of another: in one frame they share it, in different frames its own axis comes to lie
 * on the other's line. What hung on its old axis hangs on the new one. Refused where two of its wheels would mesh
 * on one line.
 */
export function putOnAxis(arborId: string, otherId: string): Attempt {
  return machine => {
    const [arbor, other] = [byId(machine.members, arborId), byId(machine.members, otherId)];
    if (arbor?.kind !== 'arbor' || other?.kind !== 'arbor') return gone(arborId);
    if (arbor.axis === other.axis) return fail('hand-same-axis', { a: arbor.name, b: other.name });
    const [from, to] = [byId(machine.axes, arbor.axis), byId(machine.axes, other.axis)];
    if (!from || !to) return gone(arbor.axis);
    const moved = from.frame === to.frame ? onto(machine, arborId, from, to) : onLine(machine, from, to);
    const clash = meshes(moved).find(j => oneLine(moved, j.a, j.b));
    if (clash && !oneLine(machine, clash.a, clash.b)) {
      const [a, b] = [byId(machine.wheels, clash.a), byId(machine.wheels, clash.b)];
      return fail('hand-one-axis', { a: a?.name ?? '', b: b?.name ?? '' });
    }
    return sound(moved);
  };
}

/** The arbor changes its axis; an axis left empty goes, and what hung on it follows. */
function onto(machine: Machine, arborId: string, from: Axis, to: Axis): Machine {
  const members = machine.members.map(m =>
    m.id === arborId && m.kind === 'arbor' ? { ...m, axis: to.id } : m,
  );
  const stays = members.some(m => m.kind === 'arbor' && m.axis === from.id);
  if (stays) return { ...machine, members };
  const rehang = ({ place, ...axis }: Axis): Axis => {
    if (place.kind === 'coaxial' && place.with === from.id)
      return { ...axis, place: { ...place, with: to.id } };
    if (place.kind === 'polar' && place.from === from.id)
      return { ...axis, place: { ...place, from: to.id } };
    return { ...axis, place };
  };
  return {
    ...machine,
    members,
    axes: machine.axes.filter(a => a.id !== from.id).map(a => (a.id === to.id ? a : rehang(a))),
  };
}

const onLine = (machine: Machine, from: Axis, to: Axis): Machine => ({
  ...machine,
  axes: machine.axes.map(a => (a.id === from.id ? { ...a, place: { kind: 'coaxial', with: to.id } } : a)),
});

/** Whether two wheels turn on one line. */
function oneLine(machine: Machine, a: string, b: string): boolean {
  const axes = new Map(machine.axes.map(x => [x.id, x] as const));
  const lines = [a, b].map(w => {
    const member = byId(machine.members, byId(machine.wheels, w)?.member);
    return member?.kind === 'arbor' ? lineOf(axes, member.axis) : w;
  });
  return lines[0] === lines[1];
}

/**
 * Hangs the axis of an arbor on an arm, or back on the ground: it is carried round, and with it whatever is placed
 * by a mesh from it. `at` gives all axes at rest, so that it stays where it stands. Refused where an arm would
 * carry itself.
 */
export function hangOn(arborId: string, frame: string, at: Readonly<Record<string, Point>>): Attempt {
  return machine => {
    const arbor = byId(machine.members, arborId);
    const axis = arbor?.kind === 'arbor' ? byId(machine.axes, arbor.axis) : undefined;
    const arm = byId(machine.members, frame);
    if (!arbor || !axis || (frame !== GROUND && arm?.kind !== 'arbor')) return gone(arborId);
    if (axis.frame === frame)
      return fail('hand-hangs-already', { name: arbor.name, arm: arm?.name ?? 'the ground' });
    if (frame !== GROUND && carriedBy(machine, axis.id, frame))
      return fail('hand-arm-circle', { name: arbor.name, arm: arm?.name ?? '' });
    const carried = withWhatHangsOn(machine, axis);
    const armAxis = arm?.kind === 'arbor' ? arm.axis : undefined;
    if (armAxis !== undefined && carried.has(armAxis))
      return fail('hand-arm-circle', { name: arbor.name, arm: arm?.name ?? '' });
    const pivot = (armAxis === undefined ? undefined : at[armAxis]) ?? { x: 0, y: 0 };
    const moved = (a: Axis): Axis => {
      if (!carried.has(a.id)) return a;
      const here = at[a.id];
      if (a.place.kind !== 'given' || !here) return { ...a, frame };
      return { ...a, frame, place: { ...a.place, x: here.x - pivot.x, y: here.y - pivot.y } };
    };
    return sound({ ...machine, axes: machine.axes.map(moved) });
  };
}

/** Whether that axis carries the arm, itself or through other arms. */
function carriedBy(machine: Machine, axis: string, arm: string): boolean {
  let frame = arm;
  for (let i = 0; i <= machine.axes.length && frame !== GROUND; i++) {
    const member = byId(machine.members, frame);
    if (member?.kind !== 'arbor') return false;
    if (member.axis === axis) return true;
    frame = byId(machine.axes, member.axis)?.frame ?? GROUND;
  }
  return false;
}

/** An axis and those of its frame that are placed by a mesh with it, and so on. */
function withWhatHangsOn(machine: Machine, axis: Axis): Set<string> {
  const axisOf = (wheel: string): string | undefined => {
    const member = byId(machine.members, byId(machine.wheels, wheel)?.member);
    return member?.kind === 'arbor' ? member.axis : undefined;
  };
  const found = new Set([axis.id]);
  for (let size = 0; size !== found.size;) {
    size = found.size;
    for (const a of machine.axes) {
      if (a.frame !== axis.frame || found.has(a.id)) continue;
      const joints =
        a.place.kind === 'mesh' ? [a.place.joint] : a.place.kind === 'between' ? a.place.joints : [];
      const bases = joints.map(id => {
        const j = byId(meshes(machine), id);
        const ends = j ? [axisOf(j.a), axisOf(j.b)] : [];
        return ends.find(e => e !== a.id);
      });
      if (bases.length > 0 && bases.every(b => b !== undefined && found.has(b))) found.add(a.id);
    }
  }
  return found;
}
