import type { Attempt } from '../change/index.ts';
import { byId, type Machine, factsOf } from '../../document/machine/index.ts';
import { fail } from '../../ground/result/index.ts';
import { putOnAxis } from './axes-by-hand.ts';
import { gone, sound } from './sound.ts';

/**
 * Keys two arbors together, so that their wheels turn as one: all of the second becomes part of the first. They are
 * put on one axis first. An arbor cannot be keyed to what it carries.
 */
export function keyTogether(keptId: string, otherId: string): Attempt {
  return machine => {
    const [kept, other] = [byId(machine.members, keptId), byId(machine.members, otherId)];
    if (kept?.kind !== 'arbor' || other?.kind !== 'arbor') return gone(otherId);
    if (keptId === otherId) return fail('hand-one-arbor', { name: kept.name });
    if (kept.axis !== other.axis) {
      const put = putOnAxis(otherId, keptId)(machine);
      if (!put.ok) return put;
      const now = byId(put.value.members, otherId);
      if (now?.kind !== 'arbor' || now.axis !== kept.axis)
        return fail('hand-two-frames', { a: kept.name, b: other.name });
      return sound(merged(put.value, keptId, otherId));
    }
    return sound(merged(machine, keptId, otherId));
  };
}

/** The document with every mention of one member turned to another, and the one gone. */
function merged(machine: Machine, kept: string, other: string): Machine {
  const turn = (id: string): string => (id === other ? kept : id);
  const held = byId(machine.members, other);
  const keepsHold = held?.kind === 'arbor' && held.held !== undefined ? { held: held.held } : {};
  return {
    ...machine,
    ...(machine.drive && { drive: { ...machine.drive, member: turn(machine.drive.member) } }),
    members: machine.members
      .filter(m => m.id !== other)
      .map(m => (m.id === kept ? { ...m, ...keepsHold } : m)),
    axes: machine.axes.map(a => (a.frame === other ? { ...a, frame: kept } : a)),
    wheels: machine.wheels.map(w => (w.member === other ? { ...w, member: kept } : w)),
    joints: machine.joints.map(j => factsOf(j).withMembers(j, turn)),
    indicators: machine.indicators.map(i => ({ ...i, member: turn(i.member) })),
    aims: machine.aims.map(a => ({
      ...a,
      frame: turn(a.frame),
      ...(a.member !== undefined && { member: turn(a.member) }),
    })),
    modes: machine.modes.map(m => ({
      ...m,
      ...(m.drive !== undefined && { drive: turn(m.drive) }),
      held: [...new Set(m.held.map(turn))],
    })),
  };
}
