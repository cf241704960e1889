import { axisPositions, type Phases, type Positions, wheelPhases } from '../../place/layout/index.ts';
import { type Machine, meshes } from '../../document/machine/index.ts';
import { centreDistance } from '../../teeth/mesh/index.ts';
import { distancesOf } from './mesh-state.ts';
import { pairOf } from '../state/index.ts';
import { moduleTable } from './wheel-state.ts';

/** Where all axes stand and how all wheels are set, without teeth: enough to try many counts quickly. */
export function settle(machine: Machine): { readonly positions: Positions; readonly phases: Phases } {
  const table = moduleTable(machine);
  const distances = distancesOf(machine, table, {});
  for (const mesh of meshes(machine)) {
    const pair = pairOf(machine, table, mesh)?.pair;
    const theory = pair && centreDistance(pair);
    const spread = (mesh.spread ?? 0) * (mesh.type === 'internal' ? -1 : 1);
    if (theory !== undefined) distances[mesh.id] = theory + spread;
  }
  const positions = axisPositions(machine, distances);
  return { positions, phases: wheelPhases(machine, positions.at) };
}
