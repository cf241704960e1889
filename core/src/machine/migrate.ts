import { VERSION } from './schema/machine.ts';

/**
 * Steps from one version of the document to the next, by the version they start from. Version 1 is the first; version 2
 * added plans for several outputs, wider searches with what they found, aims seen from an arm, and the way a drive rolls;
 * version 3 added the mode a machine stands in, what turns the drive, and the way bevels, worms and racks stand.
 */
const STEPS: Readonly<Record<number, (data: unknown) => unknown>> = {
  1: data => ({ ...(data as object), version: 2, plans: [] }),
  2: data => ({ ...(data as object), version: 3 }),
};

/** Brings a document of an older version up to the one this code writes. Throws for a version without a step. */
export function migrate(data: unknown, version: number): unknown {
  let current = data;
  for (let v = version; v < VERSION; v++) {
    const step = STEPS[v];
    if (!step) throw new Error(`migrate: no step from version ${v}`);
    current = step(current);
  }
  return current;
}
