import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { plantPlanetary } from '../core/src/edits/planting/index.ts';
import { type Machine, newMachine, writeMachine } from '../core/src/document/machine/index.ts';
import { setFrom } from '../core/src/counting/planetary/index.ts';
import { must } from '../core/src/ground/result/index.ts';
import { changeSet, floatingPlanets } from '../core/src/edits/sets/index.ts';
import { FILAMENT, PRINTER } from './stock.ts';

/**
 * The demo machine of the bearing: ten planets that roll between a sun and a ring without an arm's help, printed in
 * mesh; chevrons hold it together. Sun 41, planets 14, ring 69: (41 + 69)/10 is whole.
 */
export function bearing(): Machine {
  const start = newMachine('Daisy bearing');
  const base: Machine = {
    ...start,
    notes: 'Printed in one go, standing in mesh. Turn the sun; the ring is held.',
    drive: { member: 'drive', speed: { kind: 'free' } },
    members: [{ kind: 'arbor', id: 'drive', name: 'Sun', axis: 'axis1' }],
    stack: { thickness: 12, gap: 0.6 },
    processes: [PRINTER],
    materials: [FILAMENT],
  };
  const set = must(setFrom({ sun: 36, planet: 14 }, 5));
  const five = plantPlanetary(base, { set, held: 'ring', driver: 'sun', module: 1.5 });
  const id = five.sets[0]?.id ?? '';
  const ten = must(changeSet(id, { planets: 10 })(must(changeSet(id, { sun: 41 })(five))));
  return floatingPlanets(id, true)(must(changeSet(id, { helixDeg: 30, double: true, play: 0.4 })(ten)));
}

if (process.argv[1] === import.meta.filename)
  writeFileSync(join(import.meta.dirname, '../demo/daisy-bearing.json'), writeMachine(bearing()));
