import { jointEnds } from '../../document/machine/kinds/index.ts';
import { byId } from '../../document/machine/lookup.ts';
import type { Machine, Wheel } from '../../document/machine/types.ts';
import type { Edit } from './patch.ts';
import { prune } from './prune.ts';

/** Takes an aim away with its searches and plans, and the train that was made for it alone. */
export const removeAim =
  (id: string): Edit =>
  machine => {
    const rest = {
      ...machine,
      aims: machine.aims.filter(a => a.id !== id),
      searches: machine.searches.filter(s => s.aim !== id),
      plans: machine.plans.filter(p => !p.aims.includes(id)),
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
      const neighbours = gone.flatMap(id =>
        [id, ...carriedBy(current, id)].flatMap(m => meshedWith(current, m)),
      );
      current = gone.reduce((m, id) => removeArbor(m, id), current);
      gone = [...new Set(neighbours)].filter(id => idle(current, id));
    }
    return current;
  };

/** Members on axes that an arm carries: they go with it. */
const carriedBy = (machine: Machine, arm: string): string[] => {
  const axes = new Set(machine.axes.filter(a => a.frame === arm).map(a => a.id));
  return machine.members.flatMap(m => (m.kind === 'arbor' && axes.has(m.axis) ? [m.id] : []));
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

/**
 * One arbor with all that depends on it, its axis when nothing else stands on it, and wheels of the drive left
 * without a mesh.
 */
export function removeArbor(machine: Machine, id: string): Machine {
  const member = byId(machine.members, id);
  if (!member || id === machine.drive?.member) return machine;
  const members = machine.members.filter(m => m.id !== id);
  const axis = member.kind === 'arbor' ? member.axis : undefined;
  const axisServes = members.some(m => m.kind === 'arbor' && m.axis === axis);
  const without = {
    ...machine,
    members,
    axes: axisServes ? machine.axes : machine.axes.filter(a => a.id !== axis),
  };
  const pruned = prune(without, machine);
  const meshing = (m: Machine): Set<string> => new Set(m.joints.flatMap(jointEnds).map(([, end]) => end));
  const [used, still] = [meshing(machine), meshing(pruned)];
  const idleWheel = (w: Wheel): boolean =>
    w.member === machine.drive?.member && used.has(w.id) && !still.has(w.id);
  return prune({ ...pruned, wheels: pruned.wheels.filter(w => !idleWheel(w)) }, machine);
}
