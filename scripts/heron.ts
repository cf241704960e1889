import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { plantPlanetary } from '../core/src/edits/planting/index.ts';
import { type Machine, newAim, newMachine, writeMachine } from '../core/src/document/machine/index.ts';
import { setFrom } from '../core/src/counting/planetary/index.ts';
import { must } from '../core/src/ground/result/index.ts';
import { layersFound } from '../core/src/edits/edit/index.ts';
import { fitBores, USUAL_TUBES } from '../core/src/place/layout/index.ts';
import { FILAMENT, PRINTER } from './stock.ts';

/** Module of the printed wheels, mm, and their play: so much that they do not fuse when they are printed in mesh. */
const MODULE = 1.5;
const PLAY = 0.3;

/**
 * The demo machine of the heron: a motor of 40 turns a minute and two planetary stages of four to one, one on the
 * other, for a stride of 24 seconds. Sun 20, planets 20, ring 60: (20 + 60)/4 is whole, so four planets go together.
 */
export function heron(): Machine {
  const start = newMachine('Wading heron');
  const base: Machine = {
    ...start,
    drive: { member: 'drive', by: 'motor', speed: { kind: 'period', text: '40 rpm' } },
    members: start.members.map(m => ({ ...m, name: 'Motor' })),
    processes: [PRINTER],
    materials: [FILAMENT],
    // Tubes that are printed: two lines of the nozzle.
    layout: { ...start.layout, tubes: { ...USUAL_TUBES, wall: 0.8 } },
  };
  const aim = { ...newAim(base, 'Stride', '24 s'), tolerance: { amount: '1', over: '1 h' } };
  const set = must(setFrom({ sun: 20, planet: 20 }, 4));
  const choice = { set, held: 'ring', driver: 'sun', module: MODULE, stages: 2, aim: aim.id } as const;
  const planted = plantPlanetary({ ...base, aims: [aim] }, choice);
  const toothings = planted.toothings.map(t => ({ ...t, play: PLAY }));
  return fitBores(must(layersFound({ ...planted, toothings })));
}

if (process.argv[1] === import.meta.filename)
  writeFileSync(join(import.meta.dirname, '../demo/wading-heron.json'), writeMachine(heron()));
