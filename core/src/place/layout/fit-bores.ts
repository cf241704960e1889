import type { Machine } from '../../document/machine/index.ts';
import type { SolidParts } from './solids.ts';
import { spansOf } from './spans.ts';
import { tubeSizes } from './tubes.ts';

/**
 * The machine with every round bore, and every bore that is not said, made for the arbor it sits on: a rod or a tube as
 * thick as its line asks. Rings and bores of another shape keep theirs; `only` limits it to some wheels.
 */
export function fitBores<T extends SolidParts>(machine: T, only?: ReadonlySet<string>): T {
  const sizes = tubeSizes(machine, spansOf(machine));
  const wheels = machine.wheels.map((w): Machine['wheels'][number] => {
    const size = sizes.get(w.member);
    const shaped = w.bore !== undefined && w.bore.kind !== 'round';
    if (!size || shaped || w.role === 'ring' || w.role === 'rack' || (only && !only.has(w.id))) return w;
    const diameter = Math.round(size.diameter * 100) / 100;
    if (w.bore?.kind === 'round' && w.bore.diameter === diameter) return w;
    return { ...w, bore: { kind: 'round', ...(w.bore?.kind === 'round' && w.bore), diameter } };
  });
  return { ...machine, wheels };
}
