import { settle } from '../../state/derive/index.ts';
import { circleCount, inMeshWith, type Machine } from '../../document/machine/index.ts';
import { setWheel } from '../change/index.ts';

/** A count that would let the teeth of a loop into gaps. */
export interface LoopCount {
  readonly wheel: string;
  readonly count: number;
}

/** Counts are tried so far from what they are. */
const REACH = 12;
/** Fewest teeth worth offering. */
const LEAST = 6;
/** So many are enough to choose from. */
const MOST = 6;

/**
 * Counts, each of one wheel alone, with which the loop through a mesh would close: its teeth stand in gaps, and no
 * mesh between fixed centres fails that did not fail before. Nearest counts first; none where no single count does.
 */
export function countsThatClose(machine: Machine, meshId: string): LoopCount[] {
  const misfits = (m: Machine): Set<string> => {
    const { positions, phases } = settle(m);
    return new Set([...positions.findings, ...phases.findings].flatMap(f => f.subjects.slice(0, 1)));
  };
  const before = misfits(machine);
  const loop = connected(machine, meshId);
  const found: LoopCount[] = [];
  for (let by = 1; by <= REACH; by++) {
    for (const wheel of loop) {
      for (const count of [wheel.count + by, wheel.count - by]) {
        if (count < LEAST || found.length >= MOST) continue;
        const after = misfits(setWheel(wheel.id, { teeth: { kind: 'count', count } })(machine));
        if (!after.has(meshId) && [...after].every(id => before.has(id)))
          found.push({ wheel: wheel.id, count });
      }
    }
  }
  return found;
}

/** Wheels that hang together with a mesh through other meshes. */
function connected(machine: Machine, meshId: string): { id: string; count: number }[] {
  const seen = inMeshWith(machine, meshId);
  return machine.wheels.flatMap(w => {
    const count = circleCount(w);
    return seen.has(w.id) && w.teeth.kind === 'count' && count !== undefined ? [{ id: w.id, count }] : [];
  });
}
