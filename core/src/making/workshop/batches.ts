import type { Derived } from '../../state/state/index.ts';
import { type Material, materialOf, type Process, processOf } from '../../document/machine/index.ts';
import type { FlatPart, LeftPart } from './flat-part.ts';
import { flatParts } from './flat-parts.ts';

/** Parts that are cut from the same stock by the same tool, or printed on one bed. */
export interface Batch {
  readonly process: Process;
  readonly material: Material | undefined;
  /** Of its stock, mm; of prints nothing. */
  readonly thickness: number | undefined;
  readonly parts: readonly FlatPart[];
}

/**
 * All flat parts by process, material and thickness, in the order in which they first come; those without a figure
 * apart.
 */
export function batchesOf(derived: Derived): { readonly batches: Batch[]; readonly left: LeftPart[] } {
  const { parts, left } = flatParts(derived);
  const batches = new Map<string, Batch & { parts: FlatPart[] }>();
  for (const part of parts) {
    const process = processOf(derived.machine, part.id);
    if (!process || part.number === 0) continue;
    const material = materialOf(derived.machine, part.id);
    const thickness = process.kind === 'printer' ? undefined : part.thickness;
    const key = [process.id, material?.id ?? '', thickness?.toFixed(4) ?? ''].join(' ');
    const known = batches.get(key);
    if (known) known.parts.push(part);
    else batches.set(key, { process, material, thickness, parts: [part] });
  }
  return { batches: [...batches.values()], left };
}

/** What a batch is called: by its process, its material and its thickness. */
export function batchName({ process, material, thickness }: Batch): string {
  const stock = thickness === undefined ? undefined : `${Number(thickness.toFixed(2))} mm`;
  return [process.name || process.kind, material?.name, stock].filter(Boolean).join(', ');
}
