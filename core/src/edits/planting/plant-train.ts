import type { Return, Stage } from '../../counting/search/index.ts';
import { freeLayers } from '../../place/layout/index.ts';
import { type Aim, byId, type Machine, type MeshJoint } from '../../document/machine/index.ts';
import { IDLER_COUNT } from '../change/index.ts';
import { insertIdler, removeTrainTo } from '../change/index.ts';
import { chooseAngles } from './choose-angles.ts';
import { settledLayers } from './settled-layers.ts';
import { addStage, axisOf, withoutIdleToothings, withToothing } from './plant-stage.ts';

/** A train chosen from a search, as it is to be built. */
export interface Choice {
  readonly stages: readonly Stage[];
  readonly module: number;
  /** Module of every stage after the first, where two stages return at two modules. */
  readonly secondModule?: number;
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
  const sized = withToothing(cleared, choice.module);
  const second = withToothing(sized.machine, choice.secondModule ?? choice.module);
  let current = second.machine;
  const layers = freeLayers(current, choice.stages.length);
  const before = new Set(current.axes.map(a => a.id));
  const arbors = [machine.drive.member];
  let last: MeshJoint | undefined;
  for (const [i, stage] of choice.stages.entries()) {
    const returns = choice.coaxial !== 'none' && i % 2 === 1;
    const final = i === choice.stages.length - 1;
    const added = addStage(current, {
      from: arbors[i] as string,
      stage,
      toothing: i === 0 ? sized.toothing : second.toothing,
      layer: layers[i] ?? i,
      axis: returns ? axisOf(current, arbors[i - 1]) : undefined,
      name: final ? aim.name : `${aim.name} lay arbor${choice.stages.length > 2 ? ` ${i + 1}` : ''}`,
      wheels: [`${aim.name} wheel ${2 * i + 1}`, `${aim.name} wheel ${2 * i + 2}`],
    });
    current = added.machine;
    arbors.push(added.arbor);
    last = added.mesh;
  }
  const from = arbors.at(-1) as string;
  current = { ...current, aims: current.aims.map(a => (a.id === aimId ? { ...a, member: from } : a)) };
  if (last && needsIdler(aim.sense, choice.stages.length))
    current = insertIdler(last.id, idlerCount(choice))(current);
  current = withoutIdleToothings(current);
  const added = current.axes.filter(a => !before.has(a.id)).map(a => a.id);
  return settledLayers(machine, chooseAngles(current, added));
}

/** Teeth of the idler: enough to be cut without undercut, and to reach both wheels where both centres are fixed. */
export function idlerCount({ stages, module, secondModule, coaxial }: Choice): number {
  const [first, second] = stages.slice(-2);
  if (coaxial !== 'idler' || !first || !second) return IDLER_COUNT;
  const out = ((first.driving + first.driven) * module) / (secondModule ?? module);
  const short = out - second.driving - second.driven;
  return Math.max(IDLER_COUNT, Math.ceil(short / 2) + 3);
}
