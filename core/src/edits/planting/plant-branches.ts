import type { School } from '../../counting/branches/index.ts';
import type { Stage } from '../../counting/search/index.ts';
import { freeLayers } from '../../place/layout/index.ts';
import { byId, type Machine } from '../../document/machine/index.ts';
import { removeTrainTo } from '../change/index.ts';
import { chooseAngles } from './choose-angles.ts';
import { settledLayers } from './settled-layers.ts';
import { addStage, axisOf, withoutIdleToothings, withToothing } from './plant-stage.ts';

/** A plan for several outputs as it is to be built. */
export interface BranchChoice {
  readonly school: School;
  readonly module: number;
  /** The mesh that turns the one lay arbor. */
  readonly first?: Stage | undefined;
  readonly branches: readonly {
    readonly aim: string;
    readonly from?: string | undefined;
    readonly stages: readonly Stage[];
  }[];
}

/**
 * Turns a plan into arbors, wheels and meshes over two axes: the drive's, on which every output turns as a tube,
 * and one lay axis. Trains that the aims had before are taken away first. Layers are such that tubes can be nested
 * and all hands stand at one end: driving wheels below, driven ones above, the first output innermost; in a cascade
 * from the bottom up.
 * Throws for an aim that is not there or a machine without a drive.
 */
export function plantBranches(machine: Machine, choice: BranchChoice): Machine {
  if (!machine.drive) throw new Error('plantBranches: no drive');
  let current = choice.branches.reduce((m, b) => {
    const aim = byId(m.aims, b.aim);
    if (!aim) throw new Error('plantBranches: no such aim');
    return aim.member === undefined ? m : removeTrainTo(aim.member)(m);
  }, machine);
  const sized = withToothing(current, choice.module);
  current = sized.machine;
  const before = new Set(current.axes.map(a => a.id));
  const centre = axisOf(current, machine.drive.member);
  let lay: string | undefined;
  let layArbor: string | undefined;
  const layers = freeLayers(current, 1 + 2 * choice.branches.length);
  const stage = (change: Omit<Parameters<typeof addStage>[1], 'toothing'>): string => {
    const added = addStage(current, { ...change, toothing: sized.toothing });
    current = added.machine;
    return added.arbor;
  };
  if (choice.first) {
    layArbor = stage({
      ...{ from: machine.drive.member, stage: choice.first, layer: layers[0] ?? 0, axis: undefined },
      ...{ name: 'Lay arbor', wheels: ['Drive wheel', 'Lay arbor wheel'] },
    });
    lay = axisOf(current, layArbor);
  }
  const outputs = new Map<string, string>();
  for (const [i, branch] of choice.branches.entries()) {
    const aim = byId(current.aims, branch.aim);
    const name = aim?.name ?? branch.aim;
    const [low, high] = layersOf(choice, i).map(n => layers[n] ?? n) as [number, number];
    const [first, second] = branch.stages as [Stage, Stage | undefined];
    let from = layArbor ?? machine.drive.member;
    if (second) {
      const driver = branch.from === undefined ? machine.drive.member : outputs.get(branch.from);
      from = stage({
        ...{ from: driver ?? machine.drive.member, stage: first, layer: low, axis: lay },
        ...{ name: `${name} lay pair`, wheels: [`${name} wheel 1`, `${name} wheel 2`] },
      });
      lay ??= axisOf(current, from);
    }
    const output = stage({
      ...{ from, stage: second ?? first, layer: high, axis: centre, name },
      wheels: second ? [`${name} wheel 3`, `${name} wheel 4`] : [`${name} lay wheel`, `${name} wheel`],
    });
    outputs.set(branch.aim, output);
    current = {
      ...current,
      aims: current.aims.map(a => (a.id === branch.aim ? { ...a, member: output } : a)),
    };
  }
  current = withoutIdleToothings(current);
  const added = current.axes.filter(a => !before.has(a.id)).map(a => a.id);
  return settledLayers(machine, chooseAngles(current, added));
}

/** Which free layers a branch uses: of its first mesh, and of its second. */
function layersOf({ school, branches, first }: BranchChoice, i: number): [number, number] {
  if (first) return [0, 1 + i];
  if (school === 'loose pairs') return [branches.length - 1 - i, branches.length + i];
  return [2 * i, 2 * i + 1];
}
