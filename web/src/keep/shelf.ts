import type { Machine } from '@tesseron/core/machine';
import type { Database, KeptMachine } from './db';

/** A new machine on the shelf. */
export async function addMachine(db: Database, id: string, machine: Machine, now: number): Promise<void> {
  await db.machines.add({
    id,
    name: machine.name,
    document: machine,
    revision: 1,
    changedAt: now,
    removedAt: undefined,
  });
}

/** Takes a machine off the shelf (it is kept and can be put back), or puts it back. */
export async function setRemoved(db: Database, id: string, removedAt: number | undefined): Promise<void> {
  await db.machines.update(id, { removedAt });
}

/** Everything on the shelf, newest first; removed ones too. */
export const listMachines = (db: Database): Promise<KeptMachine[]> =>
  db.machines.orderBy('changedAt').reverse().toArray();
