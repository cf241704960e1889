import { byId, type Machine, meshes } from '../machine/index.ts';
import { centreDistance, contactRatio, playFromSpread } from '../mesh/index.ts';
import { degrees } from '../units/index.ts';
import type { MeshState, ModuleTable, WheelState } from './derived.ts';
import { pairOf } from './wheel-state.ts';

/** Centre distance, contact and play of every mesh of external involute wheels. */
export function meshStates(
  machine: Pick<Machine, 'wheels' | 'joints' | 'toothings'>,
  table: ModuleTable,
  wheels: Readonly<Record<string, WheelState>>,
): Readonly<Record<string, MeshState>> {
  const states: Record<string, MeshState> = {};
  for (const mesh of meshes(machine)) {
    const pair = pairOf(machine, table, mesh);
    const [a, b] = [wheels[mesh.a], wheels[mesh.b]];
    const theoreticalDistance = pair && centreDistance(pair);
    if (!pair || !a || !b || theoreticalDistance === undefined) continue;
    const spread = mesh.spread ?? 0;
    const distance = theoreticalDistance + spread;
    const playFromThinning = byId(machine.toothings, byId(machine.wheels, mesh.a)?.toothing)?.play ?? 0;
    const fromSpread = playFromSpread(spread, pair.pressureAngleDeg);
    const cos = (a.dimensions.baseRadius + b.dimensions.baseRadius) / distance;
    states[mesh.id] = {
      pair,
      specs: [a.spec, b.spec],
      distance,
      theoreticalDistance,
      workingAngleDeg: degrees(Math.acos(Math.min(1, cos))),
      contactRatio: contactRatio(a.spec, b.spec, distance),
      play: playFromThinning + fromSpread,
      playFromThinning,
      playFromSpread: fromSpread,
    };
  }
  return states;
}

/** Centre distances by mesh, mm, spread included. */
export const distancesOf = (states: Readonly<Record<string, MeshState>>): Record<string, number> =>
  Object.fromEntries(Object.entries(states).map(([id, s]) => [id, s.distance]));
