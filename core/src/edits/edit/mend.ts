import { derive, layoutOf } from '../../state/derive/index.ts';
import { followSets } from '../sets/index.ts';
import { findLayers, fitBores, linesOf, withLayers } from '../../place/layout/index.ts';
import type { Machine } from '../../document/machine/index.ts';
import { type Attempt, editForFix } from '../change/index.ts';
import { type Fix, ok, type Result } from '../../ground/result/index.ts';

/** The machine with a fix made, those that need the layout included; or why it cannot be: no layers are found. */
export function mend(fix: Fix): Attempt {
  return machine => {
    if (fix.code === 'find-layers') return layersFound(machine);
    const made = editForFix(fix)(machine);
    return followSets(machine, fix.code === 'reach-back' ? boredAgain(made, fix.subject) : made);
  };
}

/** An arbor that reaches further may be the rod of its line: bores of all that turns there go over to the new sizes. */
function boredAgain(machine: Machine, arbor: string): Machine {
  const line = linesOf(machine).find(l => l.arbors.some(a => a.id === arbor));
  const on = new Set(line?.arbors.map(a => a.id));
  return fitBores(machine, new Set(machine.wheels.flatMap(w => (on.has(w.member) ? [w.id] : []))));
}

/** The machine in the fewest layers that are found, with everything else as it was. */
export function layersFound(machine: Machine): Result<Machine> {
  const found = findLayers(layoutOf(derive(machine)));
  return found.ok ? ok(withLayers(machine, found.value)) : found;
}
