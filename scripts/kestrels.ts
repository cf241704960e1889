import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import {
  type Aim,
  GROUND,
  type Machine,
  newAim,
  newMachine,
  writeMachine,
} from '../core/src/document/machine/index.ts';
import { layersFound } from '../core/src/edits/edit/index.ts';
import { fitBores } from '../core/src/place/layout/index.ts';
import { must } from '../core/src/ground/result/index.ts';
import { BIRCH, LASER } from './stock.ts';

type Wheel = Machine['wheels'][number];

/**
 * A bird: its wheel on the arm, the standing wheel it rolls round, perhaps an idler between, and its turns against
 * the ground.
 */
interface Bird {
  readonly name: string;
  readonly wanted: string;
  readonly standing: number;
  readonly idler?: number;
  readonly own: number;
  readonly angleDeg: number;
}

/** One keeps facing north; two go round at rates of their own. */
const BIRDS: readonly Bird[] = [
  { name: 'Kestrel that faces north', wanted: 'still', standing: 30, idler: 20, own: 30, angleDeg: 90 },
  { name: 'Quick kestrel', wanted: '20 s', standing: 36, own: 18, angleDeg: 210 },
  { name: 'Slow kestrel', wanted: '36 s', standing: 24, own: 36, angleDeg: 330 },
];

const SEEN: NonNullable<Aim['seenFrom']> = {
  arm: '60 s',
  armSense: 'with the drive',
  stated: 'against the ground',
  drivenBy: 'a standing wheel',
};

/** The demo machine of the kestrels: an arm that turns once a minute carries three birds over standing wheels. */
export function kestrels(): Machine {
  let m: Machine = {
    ...newMachine('Round of kestrels'),
    processes: [LASER],
    materials: [BIRCH],
    drive: { member: 'drive', speed: { kind: 'period', text: '60 s' } },
    members: [
      { kind: 'arbor', id: 'drive', name: 'Arm', axis: 'axis1' },
      { kind: 'arbor', id: 'standing', name: 'Standing wheels', axis: 'axis1', held: GROUND },
    ],
  };
  BIRDS.forEach((bird, layer) => (m = withBird(m, bird, layer)));
  return withBirds(fitBores(must(layersFound(m))));
}

/** Where each bird looks: a leaf upon its arbor, read in degrees from where it looked at first. */
const withBirds = (m: Machine): Machine => ({
  ...m,
  indicators: BIRDS.map((bird, i) => ({
    ...{ kind: 'hand' as const, id: `look${i + 1}`, name: bird.name, member: `bird${i + 1}`, settingDeg: 90 },
    ...{ radius: 34, tail: 14, width: 9, shape: 'leaf' as const, reads: { kind: 'degrees' as const } },
  })),
});

function withBird(machine: Machine, bird: Bird, layer: number): Machine {
  const wheel = (id: string, name: string, member: string, count: number): Wheel => ({
    ...{ id, name, member, toothing: 'toothing1', role: 'wheel', layer },
    teeth: { kind: 'count', count },
    bore: { kind: 'round', diameter: 4 },
  });
  const n = layer + 1;
  const steps = [
    ...(bird.idler === undefined
      ? []
      : [{ id: `idler${n}`, name: `${bird.name}: idler`, count: bird.idler }]),
    { id: `bird${n}`, name: bird.name, count: bird.own },
  ];
  let m: Machine = {
    ...machine,
    wheels: [...machine.wheels, wheel(`standing${n}`, `Standing wheel ${n}`, 'standing', bird.standing)],
  };
  let before = `standing${n}`;
  for (const [i, step] of steps.entries()) {
    const mesh = `mesh${n}x${i + 1}`;
    const angleDeg = bird.angleDeg > 180 ? bird.angleDeg - 360 : bird.angleDeg;
    m = {
      ...m,
      axes: [
        ...m.axes,
        { id: `${step.id}axis`, frame: 'drive', place: { kind: 'mesh', joint: mesh, angleDeg } },
      ],
      members: [...m.members, { kind: 'arbor', id: step.id, name: step.name, axis: `${step.id}axis` }],
      wheels: [...m.wheels, wheel(`${step.id}wheel`, `${step.name} wheel`, step.id, step.count)],
      joints: [...m.joints, { kind: 'mesh', id: mesh, type: 'external', a: before, b: `${step.id}wheel` }],
    };
    before = `${step.id}wheel`;
  }
  const aim: Aim = {
    ...newAim(m, bird.name, bird.wanted),
    tolerance: { amount: '1', over: '1 h' },
    seenFrom: SEEN,
    member: `bird${n}`,
  };
  return { ...m, aims: [...m.aims, aim] };
}

if (process.argv[1] === import.meta.filename)
  writeFileSync(join(import.meta.dirname, '../demo/round-of-kestrels.json'), writeMachine(kestrels()));
