import { derive, layoutOf } from '../../state/derive/index.ts';
import { clearancesOf, findLayers, fitBores, withLayers } from '../../place/layout/index.ts';
import type { Machine } from '../../document/machine/index.ts';

/** How many things strike that other layers could keep apart. */
function strikesOf(machine: Machine): number {
  const parts = layoutOf(derive(machine));
  const strikes = clearancesOf(parts).filter(c => c.gap < -1e-6 && c.kind !== 'neighbours');
  return strikes.length + parts.spans.clashes.length;
}

/**
 * What was built, in layers where nothing strikes, as long as that can be had: when building made things strike
 * that did not before, layers are found for the whole. New wheels are bored for the arbors that they sit on.
 */
export function settledLayers(before: Machine, after: Machine): Machine {
  const known = new Set(before.wheels.map(w => w.id));
  const added = new Set(after.wheels.flatMap(w => (known.has(w.id) ? [] : [w.id])));
  const strikes = strikesOf(after);
  if (strikes <= strikesOf(before)) return fitBores(after, added);
  const found = findLayers(layoutOf(derive(after)));
  const laid = found.ok ? withLayers(after, found.value) : after;
  return fitBores(laid.wheels === after.wheels || strikesOf(laid) < strikes ? laid : after, added);
}
