import { derive, layoutOf } from '../../state/derive/index.ts';
import { findLayers, withLayers } from '../../place/layout/index.ts';
import type { Machine } from '../../document/machine/index.ts';
import { type Attempt, editForFix } from '../change/index.ts';
import { type Fix, ok, type Result } from '../../ground/result/index.ts';

/** The machine with a fix made, those that need the layout included; or why it cannot be: no layers are found. */
export function mend(fix: Fix): Attempt {
  return machine => {
    return fix.code === 'find-layers' ? layersFound(machine) : ok(editForFix(fix)(machine));
  };
}

/** The machine in the fewest layers that are found, with everything else as it was. */
export function layersFound(machine: Machine): Result<Machine> {
  const found = findLayers(layoutOf(derive(machine)));
  return found.ok ? ok(withLayers(machine, found.value)) : found;
}
