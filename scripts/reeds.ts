import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { type Machine, newMachine, writeMachine } from '../core/src/document/machine/index.ts';
import { BIRCH, LASER } from './stock.ts';

/** Reeds in the row, and how far each bows. */
export const REEDS = 16;
export const BOW = 9;

/**
 * The demo reeds: a crank with 24 teeth turns a shaft with 72, on which sixteen alike cams stand, each a sixteenth of a
 * turn on from the one before. Each lifts a reed, so that a wave goes along the row once in three turns of the crank.
 */
export function reeds(): Machine {
  const start = newMachine('Sixteen reeds');
  const row = Array.from({ length: REEDS }, (_, i) => i);
  return {
    ...start,
    drive: { member: 'drive', by: 'hand', speed: { kind: 'period', text: '2 s' } },
    axes: [
      ...start.axes,
      { id: 'shaft-axis', frame: 'ground', place: { kind: 'mesh', joint: 'gears', angleDeg: -90 } },
    ],
    members: [
      ...start.members.map(a => ({ ...a, name: 'Crank', reach: 'back' as const })),
      { kind: 'arbor', id: 'shaft', name: 'Cam shaft', axis: 'shaft-axis' },
      ...row.map((i): Machine['members'][number] => ({
        ...{ kind: 'slide', id: `reed${i + 1}`, name: `Reed ${i + 1}`, frame: 'ground', x: 0, y: 0 },
        ...{ directionDeg: 90, beside: { axis: 'shaft-axis', offset: 0 } },
      })),
    ],
    processes: [LASER],
    materials: [BIRCH],
    wheels: [
      wheel('crank-wheel', 'Crank wheel', 'drive', 24),
      wheel('shaft-wheel', 'Shaft wheel', 'shaft', 72),
    ],
    joints: [
      { kind: 'mesh', id: 'gears', type: 'external', a: 'crank-wheel', b: 'shaft-wheel' },
      ...row.map((i): Machine['joints'][number] => ({
        ...{
          kind: 'cam',
          id: `cam${i + 1}`,
          cam: 'shaft',
          follower: `reed${i + 1}`,
          radius: 24,
          clockwise: true,
        },
        motion: { kind: 'waves', waves: [{ times: 1, height: BOW, atDeg: 0 }] },
        ...(i > 0 && { phaseDeg: (360 * i) / REEDS }),
        ...{ touch: { kind: 'roller', diameter: 10 }, kept: { kind: 'weight' }, layer: 1 + 2 * i },
      })),
    ],
  };
}

function wheel(id: string, name: string, member: string, count: number): Machine['wheels'][number] {
  return {
    ...{ id, name, member, toothing: 'toothing1', role: 'wheel', layer: 0 },
    teeth: { kind: 'count', count },
  };
}

if (process.argv[1] === import.meta.filename)
  writeFileSync(join(import.meta.dirname, '../demo/sixteen-reeds.json'), writeMachine(reeds()));
