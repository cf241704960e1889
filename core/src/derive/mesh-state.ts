import { byId, circleCount, type Machine, meshes } from '../machine/index.ts';
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

/**
 * Centre distances by mesh, mm, spread included: as worked out, or from pitch circles where teeth of that kind are not
 * worked out yet: the difference in a ring, the sum elsewhere. An open count stands at the middle of its range.
 */
export function distancesOf(
  machine: Pick<Machine, 'wheels' | 'joints'>,
  table: ModuleTable,
  states: Readonly<Record<string, MeshState>>,
): Record<string, number> {
  const found: Record<string, number> = {};
  for (const mesh of meshes(machine)) {
    const state = states[mesh.id];
    const [a, b] = [byId(machine.wheels, mesh.a), byId(machine.wheels, mesh.b)];
    const module = table.modules[a?.toothing ?? ''];
    if (state) found[mesh.id] = state.distance;
    else if (a && b && module !== undefined && mesh.type !== 'rack') {
      const [za, zb] = [roughCount(a), roughCount(b)];
      const teeth = mesh.type === 'internal' || mesh.type === 'reducer' ? Math.abs(za - zb) : za + zb;
      found[mesh.id] = (teeth * module) / 2 + (mesh.spread ?? 0);
    }
  }
  return found;
}

const roughCount = (wheel: Machine['wheels'][number]): number =>
  wheel.teeth.kind === 'open'
    ? Math.round((wheel.teeth.least + wheel.teeth.most) / 2)
    : (circleCount(wheel) ?? 0);
