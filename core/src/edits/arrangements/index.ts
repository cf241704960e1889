/** Ready arrangements. */
import { settledLayers } from '../planting/index.ts';
import { ok } from '../../ground/result/index.ts';
import { demonstrationDrive, windingAndSetting } from './drives.ts';
import { differential, reducer, sunAndPlanet } from './epicyclic.ts';
import { orreryArm } from './orrery-arm.ts';
import type { ReadyArrangement } from './ready.ts';
import { cascade, compoundReduction, motionWork, parallelBranches } from './rows.ts';

export type { ReadyArrangement, ReadyField } from './ready.ts';

/** All ready arrangements, in the order in which they are offered. */
export const READY: readonly ReadyArrangement[] = [
  ...[compoundReduction, cascade, parallelBranches, motionWork],
  ...[orreryArm, differential, sunAndPlanet, reducer, windingAndSetting, demonstrationDrive],
].map(arrangement => ({
  ...arrangement,
  build: (machine, values, on) => {
    const built = arrangement.build(machine, values, on);
    return built.ok ? ok(settledLayers(machine, built.value)) : built;
  },
}));
