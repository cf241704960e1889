import { type Machine, readMachine } from '@tesseron/core/machine';
import { must } from '@tesseron/core/result';
import type { Starter } from './starter-list';

const files = import.meta.glob<string>('../../../demo/*.json', { query: '?raw', import: 'default' });

/** The machine of a starter. */
export async function loadStarter({ id }: Starter): Promise<Machine> {
  const file = files[`../../../demo/${id}.json`];
  if (!file) throw new Error(`no starter file ${id}`);
  return must(readMachine(await file()));
}
