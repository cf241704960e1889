import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { plantPlanetary } from '../core/src/edits/planting/index.ts';
import { type Machine, newAim, newMachine, writeMachine } from '../core/src/document/machine/index.ts';
import { setFrom } from '../core/src/counting/planetary/index.ts';
import { must } from '../core/src/ground/result/index.ts';
import { layersFound, mend } from '../core/src/edits/edit/index.ts';
import { carriersOfOnePiece, changeSet } from '../core/src/edits/sets/index.ts';
import { derive } from '../core/src/state/derive/index.ts';
import { fitBores, USUAL_TUBES } from '../core/src/place/layout/index.ts';
import { FILAMENT, PRINTER } from './stock.ts';

/**
 * The demo machine of the turntable, a whole kit: a crank below its base, three planetary stages of nine to two, each
 * with arm, pegs and the next sun in one piece, rings on three rods between the plates, and a table of 40 hours on top.
 * Sun 16, planets 20, ring 56: 1 + 56/16 = 9/2, three times: 729/8. (16 + 56)/3 is whole.
 */
export function turntable(): Machine {
  const start = newMachine('Orchard turntable');
  const base: Machine = {
    ...start,
    notes: 'Printed. A crank under the base turns the table once in a little over 91 turns.',
    drive: { member: 'drive', by: 'hand', speed: { kind: 'free' } },
    members: [{ kind: 'arbor', id: 'drive', name: 'Crank', axis: 'axis1', reach: 'back' }],
    stack: { thickness: 6, gap: 0.6 },
    processes: [PRINTER],
    materials: [FILAMENT],
    layout: {
      ...start.layout,
      tubes: { ...USUAL_TUBES, rod: 4, wall: 1.2, running: 0.3 },
      plates: {
        ...{ thickness: 4, margin: 6, shape: 'round the holes', fit: 'free' },
        pillars: [60, 180, 300].map((a, i) => ({
          ...{ id: `pillar${i + 1}`, diameter: 4 },
          x: Math.round(560 * Math.cos((a * Math.PI) / 180)) / 10,
          y: Math.round(560 * Math.sin((a * Math.PI) / 180)) / 10,
        })),
      },
    },
  };
  const aim = { ...newAim(base, 'Table', '1/91'), tolerance: { amount: '2', over: '5 turns' } };
  const set = must(setFrom({ sun: 16, planet: 20 }, 3));
  const choice = { set, held: 'ring', driver: 'sun', module: 1.5, stages: 3, aim: aim.id } as const;
  const planted = plantPlanetary({ ...base, aims: [aim] }, choice);
  const id = planted.sets[0]?.id ?? '';
  const shifted = must(changeSet(id, { shift: { wheel: 'sun', shift: 0.07 } })(planted));
  const played = must(changeSet(id, { play: 0.3 })(shifted));
  const fitted = fitBores(must(layersFound(carriersOfOnePiece(id, true)(played))));
  return withTable(lugged(fitted));
}

/** Every ring with the lugs that its finding offers. */
function lugged(machine: Machine): Machine {
  const found = derive(machine).findings.find(f => f.code === 'held-by-nothing');
  const [fix] = found?.fixes ?? [];
  return fix ? lugged(must(mend(fix)(machine))) : machine;
}

/** The table on the last arm: a disc divided into twelve. */
function withTable(machine: Machine): Machine {
  const member = machine.aims[0]?.member ?? '';
  const table: Machine['indicators'][number] = {
    ...{ kind: 'dial', id: 'table', name: 'Table', settingDeg: 0, member, radius: 55, sense: 'clockwise' },
    rings: [{ outer: 52, inner: 46, divisions: 12 }],
    windows: [],
  };
  return { ...machine, indicators: [table] };
}

if (process.argv[1] === import.meta.filename)
  writeFileSync(join(import.meta.dirname, '../demo/orchard-turntable.json'), writeMachine(turntable()));
