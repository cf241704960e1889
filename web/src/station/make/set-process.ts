import { type Edit, freeId, type Process } from '@tesseron/core/machine';

/** Makes all parts by the first process of that kind, adding one where there is none. */
export const setProcessKind =
  (kind: Process['kind']): Edit =>
  machine => {
    const known = machine.processes.find(p => p.kind === kind);
    if (known) return { ...machine, process: known.id };
    const id = freeId(machine, 'process');
    return { ...machine, processes: [...machine.processes, { id, name: kind, kind }], process: id };
  };
