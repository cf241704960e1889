import { derive, layoutOf } from '../derive/index.ts';
import { findLayers, withLayers } from '../layout/index.ts';
import { editForFix, type Machine } from '../machine/index.ts';
import { type Fix, ok, type Result } from '../result/index.ts';

/** The machine with a fix made, those that need the layout included; or why it cannot be: no layers are found. */
export function mend(machine: Machine, fix: Fix): Result<Machine> {
  return fix.code === 'find-layers' ? layersFound(machine) : ok(editForFix(fix)(machine));
}

/** The machine in the fewest layers that are found, with everything else as it was. */
export function layersFound(machine: Machine): Result<Machine> {
  const found = findLayers(layoutOf(derive(machine)));
  return found.ok ? ok(withLayers(machine, found.value)) : found;
}
