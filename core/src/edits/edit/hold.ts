import { byId, GROUND, type Machine } from '../../document/machine/index.ts';
import { type Attempt, chooseDrive, holdMember } from '../change/index.ts';
import { fail, ok } from '../../ground/result/index.ts';
import { gone } from './sound.ts';

/** Holds an arbor against a frame that carries it, or lets it go where none is named. The drive cannot be held. */
export const holdIn =
  (arborId: string, frame: string | undefined): Attempt =>
  machine => {
    const arbor = byId(machine.members, arborId);
    if (arbor?.kind !== 'arbor') return gone(arborId);
    if (frame !== undefined && machine.drive?.member === arborId)
      return fail('hand-hold-drive', { name: arbor.name });
    return ok(holdMember(arborId, frame)(machine));
  };

/** Holds an arbor still, in its own frame, or lets it go again. */
export const toggleHold =
  (arborId: string): Attempt =>
  machine => {
    const arbor = byId(machine.members, arborId);
    if (arbor?.kind !== 'arbor') return gone(arborId);
    const frame = byId(machine.axes, arbor.axis)?.frame ?? GROUND;
    return holdIn(arborId, arbor.held === undefined ? frame : undefined)(machine);
  };

/** Turns the machine by another arbor, as fast as before; a held one is let go. */
export const driveBy =
  (arborId: string): Attempt =>
  machine => {
    if (byId(machine.members, arborId)?.kind !== 'arbor') return gone(arborId);
    const loose: Machine = holdMember(arborId, undefined)(machine);
    const { drive } = machine;
    return ok(drive ? { ...loose, drive: { ...drive, member: arborId } } : chooseDrive(arborId)(loose));
  };
