import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { plantPlanetary } from '../core/src/edits/planting/index.ts';
import { byId, type Machine, newAim, newMachine, writeMachine } from '../core/src/document/machine/index.ts';
import { setFrom } from '../core/src/counting/planetary/index.ts';
import { must } from '../core/src/ground/result/index.ts';
import { joinFrom, layersFound, linkageFrom } from '../core/src/edits/edit/index.ts';
import { derive } from '../core/src/state/derive/index.ts';
import type { LinkageFound } from '../core/src/trains/linkage/index.ts';
import { fitBores, linkPlates, USUAL_TUBES } from '../core/src/place/layout/index.ts';
import { FILAMENT, PRINTER } from './stock.ts';

/** Module of the printed wheels, mm, and their play: so much that they do not fuse when they are printed in mesh. */
const MODULE = 1.5;
const PLAY = 0.3;

/** The step that the foot is to make, mm from the axis of the stride: three points along the bed, one lifted. */
export const STEP = [
  { x: -24, y: -90 },
  { x: 0, y: -90 },
  { x: 24, y: -90 },
  { x: 0, y: -76 },
] as const;

/** What _Find a linkage…_ gave for that step, with a transmission angle of 42° at least, as it gave it. */
const LEG: LinkageFound = {
  linkage: {
    ...{ crank: 8.91825435199686, coupler: 33.37268716664521, rocker: 31.7324097746336, other: true },
    ground: { x: -26.076887219697255, y: 31.47364730861763 },
    point: { x: -82.52231103606817, y: -13.608933945830707 },
  },
  ...{ off: 2.5412393962455, transmissionDeg: 58.72389507557681 },
  room: { width: 63.29423957881034, height: 134.6624538809968 },
  axis: { x: 0, y: 0 },
};

/**
 * The demo machine of the heron: a motor of 40 turns a minute and two planetary stages of four to one, one on the
 * other, for a stride of 24 seconds. Sun 20, planets 20, ring 60: (20 + 60)/4 is whole, so four planets go together.
 * The stride leads a leg by a linkage that was found for its step, and the neck by a crank and a rod.
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
  return withNeck(withLeg(fitBores(must(layersFound({ ...planted, toothings })))));
}

const strideOf = (m: Machine): string => m.aims[0]?.member ?? '';
const named = (m: Machine, names: Readonly<Record<string, string>>): Machine => ({
  ...m,
  members: m.members.map(x => ({ ...x, name: names[x.name] ?? x.name })),
});

function withLeg(m: Machine): Machine {
  const { machine } = must(linkageFrom(strideOf(m), LEG)(m));
  return named(machine, { 'Stride rocker': 'Hip', 'Stride coupler': 'Leg' });
}

/** The neck shares the crank’s pin with the leg, its rod above the leg’s; it goes up to the right, clear of the hip. */
function withNeck(m: Machine): Machine {
  const at = derive(m).positions.at;
  const shared = m.joints.find(j => j.kind === 'four-bar');
  if (shared?.kind !== 'four-bar') throw new Error('no leg');
  const { radius, angleDeg } = shared.pin;
  const { machine, made } = must(joinFrom({ kind: 'crank', from: strideOf(m), radius, angleDeg, at })(m));
  const joint = byId(machine.joints, made);
  const leg = linkPlates(machine).find(p => p.kind === 'rod');
  if (joint?.kind !== 'crank' || !leg) throw new Error('no neck');
  const laid = {
    ...machine,
    members: machine.members.map((x): Machine['members'][number] => {
      if (x.id === joint.slide && x.kind === 'slide') return { ...x, directionDeg: 55 };
      if (x.id === joint.rod && x.kind === 'link') return { ...x, length: 60, layer: leg.layer + 1 };
      // Nothing stands out in front of the cranks.
      if (x.id === machine.drive?.member && x.kind === 'arbor') return { ...x, reach: 'back' };
      return x.id === strideOf(m) && x.kind === 'arbor' ? { ...x, reach: 'neither' } : x;
    }),
  };
  return named(laid, { 'Stride rod': 'Neck rod', 'Stride slide': 'Neck' });
}

if (process.argv[1] === import.meta.filename)
  writeFileSync(join(import.meta.dirname, '../demo/wading-heron.json'), writeMachine(heron()));
