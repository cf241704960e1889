import { jointEnds } from '../integrity.ts';
import { byId, circleCount, meshes } from '../lookup.ts';
import type { Machine } from '../types.ts';
import type { Edit } from './patch.ts';

/** Takes an aim away with its searches, and the train that was made for it alone. */
export const removeAim =
  (id: string): Edit =>
  machine => {
    const rest = {
      ...machine,
      aims: machine.aims.filter(a => a.id !== id),
      searches: machine.searches.filter(s => s.aim !== id),
    };
    const aim = byId(machine.aims, id);
    return aim?.member === undefined ? rest : removeTrainTo(aim.member)(rest);
  };

/**
 * Takes away the arbor and whatever only served to drive it: walking back from it, every arbor whose wheels mesh
 * with nothing that stays and which neither drives, is aimed at, nor carries an indicator.
 */
export const removeTrainTo =
  (member: string): Edit =>
  machine => {
    let current = machine;
    let gone = [member];
    while (gone.length > 0) {
      const neighbours = gone.flatMap(id => meshedWith(current, id));
      current = gone.reduce((m, id) => removeArbor(m, id), current);
      gone = [...new Set(neighbours)].filter(id => idle(current, id));
    }
    return current;
  };

/** Members that mesh with wheels of this one. */
function meshedWith(machine: Machine, member: string): string[] {
  const own = new Set(machine.wheels.filter(w => w.member === member).map(w => w.id));
  const ends = machine.joints
    .filter(j => j.kind === 'mesh' && (own.has(j.a) || own.has(j.b)))
    .flatMap(jointEnds);
  return ends.flatMap(([, id]) => byId(machine.wheels, id)?.member ?? []).filter(id => id !== member);
}

/** An arbor that only passed motion on to what is gone: at most one of its wheels still meshes. */
function idle(machine: Machine, id: string): boolean {
  if (id === machine.drive?.member || !byId(machine.members, id)) return false;
  if (machine.aims.some(a => a.member === id) || machine.indicators.some(i => i.member === id)) return false;
  return meshedWith(machine, id).length <= 1;
}

/** One arbor with its wheels, joints, parts and marks, its axis when nothing else stands on it, and wheels of the drive left without a mesh. */
function removeArbor(machine: Machine, id: string): Machine {
  const member = byId(machine.members, id);
  if (!member || id === machine.drive?.member) return machine;
  const members = machine.members.filter(m => m.id !== id);
  const goneWheels = new Set(machine.wheels.filter(w => w.member === id).map(w => w.id));
  const lost = machine.joints.filter(j => jointEnds(j).some(([, end]) => end === id || goneWheels.has(end)));
  const joints = machine.joints.filter(j => !lost.includes(j));
  const touched = new Set(lost.flatMap(jointEnds).map(([, end]) => end));
  const stillMeshes = new Set(joints.flatMap(jointEnds).map(([, end]) => end));
  const wheels = machine.wheels.filter(
    w =>
      !goneWheels.has(w.id) &&
      !(w.member === machine.drive?.member && touched.has(w.id) && !stillMeshes.has(w.id)),
  );
  const axis = member.kind === 'arbor' ? member.axis : undefined;
  const axisServes = members.some(m => m.kind === 'arbor' && m.axis === axis);
  const after = { ...machine, members, wheels, joints };
  return {
    ...after,
    axes: axisServes ? machine.axes : machine.axes.filter(a => a.id !== axis),
    toothings: machine.toothings.map(t => keepSize(t, machine, after)),
    parts: machine.parts.filter(p => p.wheels.every(w => wheels.some(x => x.id === w))),
    indicators: machine.indicators.filter(i => i.member !== id),
    aims: machine.aims.map(a => (a.member === id ? withoutMember(a) : a)),
  };
}

const withoutMember = (aim: Machine['aims'][number]): Machine['aims'][number] => {
  const { member: _, ...rest } = aim;
  return rest;
};

/** A toothing sized by a wheel or mesh that is gone keeps its size as a plain module, so that the document stays whole. */
function keepSize(
  toothing: Machine['toothings'][number],
  before: Machine,
  after: Machine,
): Machine['toothings'][number] {
  const { size } = toothing;
  const count = (id: string | undefined): number => circleCountOf(byId(before.wheels, id)) ?? 20;
  if (size.by === 'outside diameter' && !byId(after.wheels, size.wheel))
    return { ...toothing, size: { by: 'module', module: size.diameter / (count(size.wheel) + 2) } };
  if (size.by === 'centre distance' && !byId(after.joints, size.joint)) {
    const mesh = byId(meshes(before), size.joint);
    return {
      ...toothing,
      size: { by: 'module', module: (2 * size.distance) / (count(mesh?.a) + count(mesh?.b)) },
    };
  }
  return toothing;
}

const circleCountOf = (wheel: Machine['wheels'][number] | undefined): number | undefined =>
  wheel && circleCount(wheel);
