import type { Machine } from '../core/src/document/machine/index.ts';

/** Stock of the demo machines: our own invention, densities as common tables give them. */
export const BIRCH: Machine['materials'][number] = {
  ...{ id: 'material1', name: 'Birch plywood', thickness: 4, density: 0.68, grain: true },
  ...{ price: { amount: 9, per: 'sheet' }, sheets: [{ width: 600, height: 400 }] },
};
export const OAK: Machine['materials'][number] = {
  ...{ id: 'material1', name: 'Oak board', thickness: 4, density: 0.72, grain: true },
  ...{ price: { amount: 14, per: 'sheet' }, sheets: [{ width: 400, height: 250 }] },
};
export const FILAMENT: Machine['materials'][number] = {
  ...{ id: 'material2', name: 'PLA', density: 1.24, price: { amount: 22, per: 'kg' }, sheets: [] },
};

/** A printer as the printed demo machines use it. */
export const PRINTER: Machine['processes'][number] = {
  ...{ id: 'process1', name: 'Printer', kind: 'printer', nozzle: 0.4, layer: 0.2, material: 'material2' },
  ...{ bed: { width: 220, depth: 220, height: 250 }, outlineGrowth: 0.05, holeShrink: 0.15, flare: 0.15 },
};
/** A laser as the cut ones use it. */
export const LASER: Machine['processes'][number] = {
  ...{ id: 'process1', name: 'Laser', kind: 'laser', kerf: 0.2, material: 'material1' },
};
