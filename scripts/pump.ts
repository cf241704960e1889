import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { type Machine, newAim, newMachine, writeMachine } from '../core/src/document/machine/index.ts';
import { PEG_REACH, pegModule } from '../core/src/teeth/mesh/index.ts';
import { OAK } from './stock.ts';

/** Dowels, mm across, and how much thicker they are reckoned, so that wood swells freely. */
const PEG = 9;
const SWELLING = 0.6;

/**
 * The demo pump, in wood: on the wind shaft a bevel of 22 drives one of 26 on the upright shaft, at whose foot a ring
 * of 14 pegs turns one of 33 on the crank. Rings are laid out for pegs a little thicker than they are.
 */
export function pump(): Machine {
  const start = newMachine('Ossel brine pump');
  const reckoned = PEG + SWELLING;
  const m: Machine = {
    ...start,
    drive: { member: 'drive', speed: { kind: 'period', text: '2.2 s' } },
    axes: [
      ...start.axes,
      { id: 'upright-axis', frame: 'ground', place: { kind: 'mesh', joint: 'bevels', angleDeg: 0 } },
      { id: 'crank-axis', frame: 'ground', place: { kind: 'mesh', joint: 'pegs', angleDeg: 0 } },
    ],
    members: [
      ...start.members.map(a => ({ ...a, name: 'Wind shaft' })),
      { kind: 'arbor', id: 'upright', name: 'Upright shaft', axis: 'upright-axis' },
      { kind: 'arbor', id: 'crank', name: 'Pump crank', axis: 'crank-axis' },
    ],
    toothings: [
      {
        ...{ id: 'peg-rings', name: 'Pegs', play: 0 },
        form: {
          kind: 'pegs',
          pegDiameter: PEG,
          pegLength: Number((PEG_REACH * reckoned).toFixed(2)),
          friction: 0.35,
        },
        size: { by: 'module', module: Number(pegModule(reckoned).toFixed(4)) },
      },
      {
        ...{ id: 'bevel-teeth', name: 'Bevels', size: { by: 'module', module: 4 }, play: 0.3 },
        form: { kind: 'involute', pressureAngleDeg: 20, addendum: 1, dedendum: 1.25, fillet: 0.3 },
      },
    ],
    wheels: [
      wheel('wind-bevel', 'Wind bevel', 'drive', 'bevel-teeth', 22, 0),
      wheel('upright-bevel', 'Upright bevel', 'upright', 'bevel-teeth', 26, 0),
      wheel('upright-pegs', 'Upright peg wheel', 'upright', 'peg-rings', 14, 1),
      wheel('crank-pegs', 'Crank peg wheel', 'crank', 'peg-rings', 33, 1),
    ],
    joints: [
      { kind: 'mesh', id: 'bevels', type: 'bevel', a: 'wind-bevel', b: 'upright-bevel', shaftAngleDeg: 90 },
      { kind: 'mesh', id: 'pegs', type: 'pegs', a: 'upright-pegs', b: 'crank-pegs' },
    ],
    processes: [{ id: 'process1', name: 'Saw and drill', kind: 'saw', kerf: 0.8, material: 'material1' }],
    materials: [OAK],
  };
  const aim = {
    ...newAim(m, 'Pump strokes', '6.1285714 s'),
    tolerance: { amount: '1', over: '1 h' },
    member: 'crank',
  };
  return { ...m, aims: [aim] };
}

function wheel(
  id: string,
  name: string,
  member: string,
  toothing: string,
  count: number,
  layer: number,
): Machine['wheels'][number] {
  return {
    ...{ id, name, member, toothing, role: 'wheel', layer },
    teeth: { kind: 'count', count },
    bore: { kind: 'round', diameter: 12 },
  };
}

if (process.argv[1] === import.meta.filename)
  writeFileSync(join(import.meta.dirname, '../demo/ossel-brine-pump.json'), writeMachine(pump()));
