import { byId, type Joint, jointEnds, type Machine } from '../../document/machine/index.ts';
import { prune, removeArbor } from '../change/index.ts';
import { trainRates } from '../../trains/train/index.ts';

/** A deletion before it is done: the machine without it, and the ids of all that goes. */
export interface Deletion {
  readonly machine: Machine;
  readonly arbors: readonly string[];
  readonly wheels: readonly string[];
  readonly joints: readonly string[];
  /** Outputs that lose their arbor; the aims themselves stay. */
  readonly aims: readonly string[];
}

/**
 * Deletes a wheel, an arbor or a joint with what depends on it: meshes go with their wheels, wheels with their
 * arbor, what an arm carries with the arm, and every arbor that was driven through it and then no longer is. A
 * joint goes with rods and slides that nothing else needs: the arbor it drove stays, and is said not to be driven.
 * The drive's own arbor stays.
 */
export function deletionOf(machine: Machine, id: string): Deletion {
  const without = deleteOne(machine, id);
  const before = trainRates(machine).rates;
  let current = without;
  for (;;) {
    const after = trainRates(current).rates;
    const stranded = current.members.find(
      m =>
        m.kind === 'arbor' &&
        m.id !== current.drive?.member &&
        before[m.id] !== undefined &&
        after[m.id] === undefined,
    );
    if (!stranded || byId(machine.joints, id)) break;
    current = removeArbor(current, stranded.id);
  }
  const missing = (list: 'members' | 'wheels' | 'joints'): string[] =>
    machine[list].filter(x => !byId(current[list] as readonly { id: string }[], x.id)).map(x => x.id);
  return {
    machine: current,
    arbors: missing('members'),
    wheels: missing('wheels'),
    joints: missing('joints'),
    aims: machine.aims
      .filter(a => a.member !== undefined && byId(current.aims, a.id)?.member === undefined)
      .map(a => a.id),
  };
}

/** The members without the rods and slides of a joint that is gone, as far as nothing else needs them. */
function withoutLoose(machine: Machine, gone: Joint, joints: readonly Joint[]): Machine['members'] {
  const ends = new Set(jointEnds(gone).map(([, id]) => id));
  const needed = new Set([
    ...joints.flatMap(jointEnds).map(([, id]) => id),
    ...[...machine.wheels, ...machine.indicators, ...machine.aims].map(x => x.member),
  ]);
  return machine.members.filter(m => m.kind === 'arbor' || !ends.has(m.id) || needed.has(m.id));
}

function deleteOne(machine: Machine, id: string): Machine {
  const joint = byId(machine.joints, id);
  if (joint) {
    const joints = machine.joints.filter(j => j.id !== id);
    return prune({ ...machine, joints, members: withoutLoose(machine, joint, joints) }, machine);
  }
  if (byId(machine.wheels, id))
    return prune({ ...machine, wheels: machine.wheels.filter(w => w.id !== id) }, machine);
  const member = byId(machine.members, id);
  if (member?.kind === 'arbor') return removeArbor(machine, id);
  return member ? prune({ ...machine, members: machine.members.filter(m => m.id !== id) }, machine) : machine;
}
