import { byId, circleCount, LIMITS, type Machine, meshes, type Wheel } from '../../document/machine/index.ts';
import { centreDistance, chooseShifts, type Pair } from '../../teeth/mesh/index.ts';
import { type Finding, type Fix, fix } from '../../ground/result/index.ts';
import { type MeshState, type ModuleTable, pairOf } from '../state/index.ts';

/** Sums of teeth this far from a whole number still close, teeth. */
const WHOLE = 1e-6;
const LEAST_COUNT = 6;

/**
 * What would close a loop that does not: for a mesh between axes that stand fixed, counts with the sum of teeth
 * that their distance asks, a module of its own, or profile shift. Every way is tried: it brings the distance to
 * within 0.001 mm.
 */
export function closureFixes(
  machine: Pick<Machine, 'wheels' | 'joints' | 'toothings'>,
  table: ModuleTable,
  states: Readonly<Record<string, MeshState>>,
  found: Finding<'centres-disagree'>,
): Finding<'centres-disagree'> {
  const mesh = byId(meshes(machine), found.subjects[0] ?? '');
  const pair = mesh && pairOf(machine, table, mesh);
  const [a, b] = [byId(machine.wheels, mesh?.a), byId(machine.wheels, mesh?.b)];
  if (!mesh || !pair || !a || !b || mesh.type !== 'external') return found;
  const spread = mesh.spread ?? 0;
  const wanted = found.data.is - spread;
  const fixes = [
    ...countFixes(pair.pair, wanted, a, b),
    ...shiftFixes(states[mesh.id], wanted, a, b),
    ...moduleFixes(machine, pair.pair, wanted, mesh.id, a, b),
  ];
  const sum = (2 * wanted) / pair.pair.module;
  return { ...found, data: { ...found.data, sum, now: pair.pair.counts[0] + pair.pair.counts[1] }, fixes };
}

function countFixes(pair: Pair, wanted: number, a: Wheel, b: Wheel): Fix[] {
  if (pair.shifts[0] + pair.shifts[1] !== 0) return [];
  const sum = (2 * wanted) / pair.module;
  if (Math.abs(sum - Math.round(sum)) > WHOLE) return [];
  return [a, b].flatMap((wheel, i) => {
    const count = Math.round(sum) - (pair.counts[1 - i] ?? 0);
    return count >= LEAST_COUNT &&
      count <= LIMITS.count[1] &&
      wheel.teeth.kind === 'count' &&
      count !== circleCount(wheel)
      ? [fix('set-teeth', wheel.id, count)]
      : [];
  });
}

/** Shift on one wheel alone, the smaller first. */
function shiftFixes(state: MeshState | undefined, wanted: number, a: Wheel, b: Wheel): Fix[] {
  if (!state?.specs || !state.pair) return [];
  const chosen = chooseShifts(state.specs, { kind: 'meet distance', distance: wanted });
  if (!chosen.ok) return [];
  const sum = chosen.value[0] + chosen.value[1];
  const smaller = (circleCount(a) ?? 0) <= (circleCount(b) ?? 0) ? 0 : 1;
  const [first, second] = state.pair.shifts;
  const shift = Number((sum - (smaller === 0 ? second : first)).toFixed(6));
  const shifts: [number, number] = smaller === 0 ? [shift, second] : [first, shift];
  const closes = centreDistance({ ...state.pair, shifts });
  if (Math.abs(shift) > 1 || closes === undefined || Math.abs(closes - wanted) > 1e-3) return [];
  return [fix('set-shift', (smaller === 0 ? a : b).id, shift)];
}

/** A toothing of their own, where neither wheel meshes with a third. */
function moduleFixes(
  machine: Pick<Machine, 'joints'>,
  pair: Pair,
  wanted: number,
  mesh: string,
  a: Wheel,
  b: Wheel,
): Fix[] {
  const others = meshes(machine).some(j => j.id !== mesh && [j.a, j.b].some(w => w === a.id || w === b.id));
  const theory = centreDistance({ ...pair, module: 1 });
  if (others || theory === undefined || theory <= 0) return [];
  const own = Number((wanted / theory).toFixed(9));
  if (!(own >= LIMITS.toothSize[0] && own <= LIMITS.toothSize[1])) return [];
  return [fix('own-module', mesh, own)];
}
