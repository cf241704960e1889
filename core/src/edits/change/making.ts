import type { Machine, Making, Material, Process } from '../../document/machine/types.ts';
import { byId, freeId } from '../../document/machine/lookup.ts';
import type { Edit } from './patch.ts';

/**
 * Makes one part otherwise than the rest; a field given as undefined goes, and with the last one the whole
 * exception.
 */
export const setMaking =
  (part: string, change: { readonly [K in keyof Omit<Making, 'part'>]?: Making[K] | undefined }): Edit =>
  machine => {
    const before = machine.making.find(m => m.part === part) ?? { part };
    const after = defined({ ...before, ...change }) as Making;
    const making = machine.making.filter(m => m.part !== part);
    return { ...machine, making: Object.keys(after).length > 1 ? [...making, after] : making };
  };

/** Makes all parts by that process. */
export const setProcess =
  (process: string): Edit =>
  machine => ({ ...machine, process });

/** Changes some fields of a process; a field given as undefined goes. */
export const changeProcess =
  (
    id: string,
    change: { readonly [K in keyof Omit<Process, 'id' | 'kind'>]?: Process[K] | undefined },
  ): Edit =>
  machine => ({
    ...machine,
    processes: machine.processes.map(p => (p.id === id ? (defined({ ...p, ...change }) as Process) : p)),
  });

/** Adds a process of a kind. */
export const addProcess =
  (name: string, kind: Process['kind']): Edit =>
  machine => ({
    ...machine,
    processes: [...machine.processes, { id: freeId(machine, 'process'), name, kind }],
  });

/** Takes a process away; the last one stays, and what was made by it is made as the rest. */
export const removeProcess =
  (id: string): Edit =>
  machine => {
    const processes = machine.processes.filter(p => p.id !== id);
    const [first] = processes;
    if (!first) return machine;
    const making = machine.making.flatMap((m): Making[] => {
      if (m.process !== id) return [m];
      const { process: _, ...rest } = m;
      return Object.keys(rest).length > 1 ? [rest] : [];
    });
    return {
      ...machine,
      processes,
      making,
      process: machine.process === id ? first.id : machine.process,
    } as Machine;
  };

/** Adds a material and makes a process take it. */
export const addMaterial =
  (material: Omit<Material, 'id'>, process?: string): Edit =>
  machine => {
    const id = freeId(machine, 'material');
    const added = { ...machine, materials: [...machine.materials, { ...material, id }] };
    return process === undefined ? added : changeProcess(process, { material: id })(added);
  };

/** Changes some fields of a material; a field given as undefined goes. */
export const changeMaterial =
  (id: string, change: { readonly [K in keyof Omit<Material, 'id'>]?: Material[K] | undefined }): Edit =>
  machine => ({
    ...machine,
    materials: machine.materials.map(m => (m.id === id ? (defined({ ...m, ...change }) as Material) : m)),
  });

/** Takes a material away from the machine and from all that is made of it. */
export const removeMaterial =
  (id: string): Edit =>
  machine => ({
    ...machine,
    materials: machine.materials.filter(m => m.id !== id),
    processes: machine.processes.map(p =>
      p.material === id ? (defined({ ...p, material: undefined }) as Process) : p,
    ),
    making: machine.making.flatMap((m): Making[] => {
      if (m.material !== id) return [m];
      const { material: _, ...rest } = m;
      return Object.keys(rest).length > 1 ? [rest] : [];
    }),
  });

/** Gives all wheels that follow the stack, and the stack, the thickness of a material as measured. */
export const takeThickness =
  (id: string): Edit =>
  machine => {
    const thickness = byId(machine.materials, id)?.thickness;
    return thickness === undefined ? machine : { ...machine, stack: { ...machine.stack, thickness } };
  };

const defined = (item: object): object =>
  Object.fromEntries(Object.entries(item).filter(([, value]) => value !== undefined));

/** Notes something measured. */
export const addMeasurement =
  (measured: Omit<Machine['measurements'][number], 'id'>): Edit =>
  machine => ({
    ...machine,
    measurements: [...machine.measurements, { ...measured, id: freeId(machine, 'measured') }],
  });

/** Takes a measurement away. */
export const removeMeasurement =
  (id: string): Edit =>
  machine => ({ ...machine, measurements: machine.measurements.filter(m => m.id !== id) });
