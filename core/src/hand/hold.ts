import { byId, GROUND, type Machine } from '../machine/index.ts';
import { fail, ok, type Result } from '../result/index.ts';
import { gone } from './sound.ts';

/** Holds an arbor still, in its own frame, or lets it go again. The drive cannot be held. */
export function toggleHold(machine: Machine, arborId: string): Result<Machine> {
  const arbor = byId(machine.members, arborId);
  if (arbor?.kind !== 'arbor') return gone(arborId);
  if (machine.drive?.member === arborId) return fail('hand-hold-drive', { name: arbor.name });
  const frame = byId(machine.axes, arbor.axis)?.frame ?? GROUND;
  const { held, ...loose } = arbor;
  const next = held === undefined ? { ...arbor, held: frame } : loose;
  return ok({ ...machine, members: machine.members.map(m => (m.id === arborId ? next : m)) });
}

/** Turns the machine by another arbor; a held one is let go. */
export function driveBy(machine: Machine, arborId: string): Result<Machine> {
  const arbor = byId(machine.members, arborId);
  if (arbor?.kind !== 'arbor') return gone(arborId);
  const { held: _, ...loose } = arbor;
  const speed = machine.drive?.speed ?? { kind: 'free' as const };
  return ok({
    ...machine,
    members: machine.members.map(m => (m.id === arborId ? loose : m)),
    drive: { ...machine.drive, speed, member: arborId },
  });
}
