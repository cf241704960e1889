import { byId, GROUND, type Machine } from '../machine/index.ts';
import { fail, ok, type Result } from '../result/index.ts';
import { gone } from './sound.ts';

/** Holds an arbor against a frame that carries it, or lets it go where none is named. The drive cannot be held. */
export function holdIn(machine: Machine, arborId: string, frame: string | undefined): Result<Machine> {
  const arbor = byId(machine.members, arborId);
  if (arbor?.kind !== 'arbor') return gone(arborId);
  if (frame !== undefined && machine.drive?.member === arborId)
    return fail('hand-hold-drive', { name: arbor.name });
  const { held: _, ...loose } = arbor;
  const next = frame === undefined ? loose : { ...loose, held: frame };
  return ok({ ...machine, members: machine.members.map(m => (m.id === arborId ? next : m)) });
}

/** Holds an arbor still, in its own frame, or lets it go again. */
export function toggleHold(machine: Machine, arborId: string): Result<Machine> {
  const arbor = byId(machine.members, arborId);
  if (arbor?.kind !== 'arbor') return gone(arborId);
  const frame = byId(machine.axes, arbor.axis)?.frame ?? GROUND;
  return holdIn(machine, arborId, arbor.held === undefined ? frame : undefined);
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
