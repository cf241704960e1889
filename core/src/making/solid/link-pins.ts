import { linkPins, linkPlates, USUAL_TUBES } from '../../place/layout/index.ts';
import type { Derived } from '../../state/state/index.ts';
import { ok } from '../../ground/result/index.ts';
import { flatParts } from '../workshop/index.ts';
import { type ExtraPart, rodVolume } from './extra-part.ts';
import { rod } from './turned.ts';

/** The pins of linkages: from under the lower part to the top of the higher, one part to a length. */
export function linkPinParts(derived: Derived): ExtraPart[] {
  const { machine, layout } = derived;
  const bands = new Map(
    linkPlates(machine).flatMap(p => {
      const band = layout.stack.layers.get(p.layer);
      return band ? [[p.id, band] as const] : [];
    }),
  );
  if (bands.size === 0) return [];
  for (const w of machine.wheels) {
    const band = layout.stack.layers.get(w.layer);
    if (band) bands.set(w.id, band);
  }
  const made = new Set(flatParts(derived).parts.map(p => p.id));
  const across = (machine.layout.tubes ?? USUAL_TUBES).rod;
  const lengths = new Map<string, { readonly length: number; readonly number: number }>();
  for (const pin of linkPins(machine)) {
    const [a, b] = [bands.get(pin.in), bands.get(pin.through)];
    if (!a || !b || !made.has(pin.in) || !made.has(pin.through)) continue;
    const length = Math.max(a.to, b.to) - Math.min(a.from, b.from);
    const key = length.toFixed(3);
    lengths.set(key, { length, number: (lengths.get(key)?.number ?? 0) + 1 });
  }
  return [...lengths].map(([key, { length, number }]): ExtraPart => ({
    ...{ id: `link pin ${key}`, kind: 'pin', name: `pin of rods and rollers, ${Number(key)} mm`, number },
    ...{ outside: across, height: length, volume: rodVolume(across, length) },
    make: (kit, growth) => ok(rod(kit, across + 2 * growth.outline, 0, length)),
  }));
}
