import { FORMAT, VERSION } from './format.ts';
import type { InvoluteForm, Machine } from './types.ts';

/** The basic rack profile A of ISO 53: 20°, addendum 1, dedendum 1.25, root fillet 0.38 modules. */
export const ISO_53_A: InvoluteForm = {
  kind: 'involute',
  pressureAngleDeg: 20,
  addendum: 1,
  dedendum: 1.25,
  fillet: 0.38,
};

/** A machine with a drive arbor on the ground, one toothing, a way of making, and nothing else. */
export function newMachine(name: string): Machine {
  return {
    format: FORMAT,
    version: VERSION,
    name,
    stack: { thickness: 4, gap: 1 },
    layout: { keepOuts: [] },
    drive: { member: 'drive', speed: { kind: 'period', text: '12 h' } },
    axes: [{ id: 'axis1', frame: 'ground', place: { kind: 'given', x: 0, y: 0 } }],
    members: [{ kind: 'arbor', id: 'drive', name: 'Drive', axis: 'axis1' }],
    toothings: [
      { id: 'toothing1', name: 'Teeth', form: ISO_53_A, size: { by: 'module', module: 2 }, play: 0.1 },
    ],
    wheels: [],
    joints: [],
    sets: [],
    modes: [],
    indicators: [],
    parts: [],
    aims: [],
    searches: [],
    plans: [],
    poses: [],
    processes: [{ id: 'process1', name: 'Laser', kind: 'laser', kerf: 0.2 }],
    process: 'process1',
    materials: [],
    making: [],
    measurements: [],
    log: [],
  };
}
