import type { Return, Stage } from '../counts/index.ts';
import { freeLayers } from '../layout/index.ts';
import {
  type Aim,
  byId,
  freeId,
  IDLER_COUNT,
  insertIdler,
  ISO_53_A,
  type Machine,
  type MeshJoint,
  removeTrainTo,
  type Toothing,
} from '../machine/index.ts';
import { chooseAngles } from './choose-angles.ts';

/** A train chosen from a search, as it is to be built. */
export interface Choice {
  readonly stages: readonly Stage[];
  readonly module: number;
  readonly coaxial: Return;
}

/** Whether a row of external meshes needs an idler for the sense that an aim asks for: each mesh reverses. */
export function needsIdler(sense: Aim['sense'], stages: number): boolean {
  if (sense === 'either') return false;
  return (stages % 2 === 0) !== (sense === 'with the drive');
}

/**
 * Turns a choice into arbors, wheels and meshes from the drive to the aim's own arbor, in the lowest free layers, an
 * idler in the last stage where the sense asks for one. A train that the aim had before is taken away first. Throws
 * for an aim that is not there or a machine without a drive.
 */
export function plantTrain(machine: Machine, aimId: string, choice: Choice): Machine {
  const aim = byId(machine.aims, aimId);
  if (!aim || !machine.drive) throw new Error('plantTrain: no such aim, or no drive');
  const cleared = aim.member === undefined ? machine : removeTrainTo(aim.member)(machine);
  const { machine: sized, toothing } = withToothing(cleared, choice.module);
  let current = sized;
  let from = machine.drive.member;
  const layers = freeLayers(sized, choice.stages.length);
  let last: MeshJoint | undefined;
  for (const [i, stage] of choice.stages.entries()) {
    const closes = choice.coaxial !== 'none' && i === choice.stages.length - 1 && i > 0;
    const final = i === choice.stages.length - 1;
    const axis = closes ? driveAxis(current) : undefined;
    const added = addStage(current, {
      from,
      stage,
      toothing,
      layer: layers[i] ?? i,
      axis,
      name: final ? aim.name : `${aim.name} lay arbor`,
      wheels: [`${aim.name} wheel ${2 * i + 1}`, `${aim.name} wheel ${2 * i + 2}`],
    });
    current = added.machine;
    from = added.arbor;
    last = added.mesh;
  }
  current = { ...current, aims: current.aims.map(a => (a.id === aimId ? { ...a, member: from } : a)) };
  const before = new Set(sized.axes.map(a => a.id));
  if (last && needsIdler(aim.sense, choice.stages.length))
    current = insertIdler(last.id, idlerCount(choice))(current);
  return chooseAngles(
    current,
    current.axes.filter(a => !before.has(a.id)).map(a => a.id),
  );
}

/** Teeth of the idler: enough to be cut without undercut, and to reach both wheels where both centres are fixed. */
export function idlerCount({ stages, coaxial }: Choice): number {
  const [first, second] = stages;
  if (coaxial !== 'idler' || !first || !second) return IDLER_COUNT;
  const short = first.driving + first.driven - second.driving - second.driven;
  return Math.max(IDLER_COUNT, Math.ceil(short / 2) + 3);
}

const driveAxis = (machine: Machine): string | undefined => {
  const member = byId(machine.members, machine.drive?.member);
  return member?.kind === 'arbor' ? member.axis : undefined;
};

/** The first involute toothing of that module, or a new one. */
function withToothing(machine: Machine, module: number): { machine: Machine; toothing: string } {
  const fits = (t: Toothing): boolean =>
    t.form.kind === 'involute' && t.size.by === 'module' && t.size.module === module;
  const known = machine.toothings.find(fits);
  if (known) return { machine, toothing: known.id };
  const id = freeId(machine, 'toothing');
  const like = machine.toothings.find(t => t.form.kind === 'involute');
  const added: Toothing = {
    id,
    name: `Teeth, module ${module}`,
    form: like?.form ?? ISO_53_A,
    size: { by: 'module', module },
    play: like?.play ?? 0.1,
  };
  const unused = machine.toothings.filter(t => machine.wheels.some(w => w.toothing === t.id));
  return { machine: { ...machine, toothings: [...unused, added] }, toothing: id };
}

interface NewStage {
  readonly from: string;
  readonly stage: Stage;
  readonly toothing: string;
  readonly layer: number;
  readonly axis: string | undefined;
  readonly name: string;
  readonly wheels: readonly [string, string];
}

function addStage(
  machine: Machine,
  { from, stage, toothing, layer, axis, name, wheels }: NewStage,
): { machine: Machine; arbor: string; mesh: MeshJoint } {
  const arbor = freeId(machine, 'arbor');
  const mesh: MeshJoint = {
    kind: 'mesh',
    id: freeId(machine, 'mesh'),
    type: 'external',
    a: freeId(machine, 'wheel'),
    b: `${freeId(machine, 'wheel')}b`,
  };
  const onAxis = axis ?? freeId(machine, 'axis');
  const axes: Machine['axes'] =
    axis === undefined
      ? [
          ...machine.axes,
          { id: onAxis, frame: 'ground', place: { kind: 'mesh', joint: mesh.id, angleDeg: 0 } },
        ]
      : machine.axes;
  const wheel = (
    id: string,
    member: string,
    count: number,
    wheelName: string,
  ): Machine['wheels'][number] => ({
    id,
    name: wheelName,
    member,
    toothing,
    role: 'wheel',
    teeth: { kind: 'count', count },
    layer,
    bore: { kind: 'round', diameter: 4 },
  });
  const next: Machine = {
    ...machine,
    axes,
    members: [...machine.members, { kind: 'arbor', id: arbor, name, axis: onAxis }],
    wheels: [
      ...machine.wheels,
      wheel(mesh.a, from, stage.driving, wheels[0]),
      wheel(mesh.b, arbor, stage.driven, wheels[1]),
    ],
    joints: [...machine.joints, mesh],
  };
  return { machine: next, arbor, mesh };
}
