import { type Machine, machineFrom } from '@tesseron/core/machine';
import type { Result } from '@tesseron/core/result';
import type { Database, KeptMachine } from './db';

/** What came of a write: the new revision, or the machine that another tab wrote meanwhile. */
export type Written =
  | { readonly kind: 'written'; readonly revision: number }
  | { readonly kind: 'overtaken'; readonly theirs: KeptMachine }
  | { readonly kind: 'gone' }
  /** Nothing is written that could not be read again. */
  | { readonly kind: 'unsound' };

/** A kept machine and its document, read and checked anew. */
export async function loadMachine(
  db: Database,
  id: string,
): Promise<{ kept: KeptMachine; machine: Result<Machine> } | undefined> {
  const kept = await db.machines.get(id);
  return kept && { kept, machine: machineFrom(kept.document) };
}

/** Keeps what was just read beside the machine, so that a later state that cannot be read loses nothing. */
export async function keepReadable(db: Database, kept: KeptMachine): Promise<void> {
  await db.machines.update(kept.id, { readable: kept.document });
}

/** The last state of a machine that could be read, when what is kept now cannot. */
export function lastReadable(kept: KeptMachine): Machine | undefined {
  const read = kept.readable === undefined ? undefined : machineFrom(kept.readable);
  return read?.ok ? read.value : undefined;
}

/**
 * Writes a machine only if nobody else has written since `revision`; in one transaction, so that tabs cannot
 * interleave.
 */
export async function writeMachineIf(
  db: Database,
  id: string,
  machine: Machine,
  revision: number,
  now: number,
): Promise<Written> {
  return db.transaction('rw', db.machines, async (): Promise<Written> => {
    const kept = await db.machines.get(id);
    if (!kept) return { kind: 'gone' };
    if (!machineFrom(machine).ok) return { kind: 'unsound' };
    if (kept.revision !== revision) return { kind: 'overtaken', theirs: kept };
    const next = { ...kept, name: machine.name, document: machine, revision: revision + 1, changedAt: now };
    await db.machines.put(next);
    return { kind: 'written', revision: revision + 1 };
  });
}
