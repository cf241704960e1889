import type { Derived } from '../../state/state/index.ts';
import { type Fitting, fittingsOf } from '../../place/layout/index.ts';
import { fitAllowance } from '../../teeth/body/index.ts';
import { processOf } from '../../document/machine/index.ts';
import { ok } from '../../ground/result/index.ts';
import { type ExtraPart, turnedVolume } from './extra-part.ts';
import { turned } from './turned.ts';

/** How a fitting is known as a part; all of one size are one part. */
export const fittingPart = ({ kind, bearing }: Pick<Fitting, 'kind' | 'bearing'>): string =>
  kind === 'foot' ? 'foot' : `bearing ${bearing?.name ?? ''}`;

/** Ball bearings as they lie in the plates, and feet with a blind hole for the end of a pillar from their top. */
export function fittings({ machine, layout }: Derived): ExtraPart[] {
  const parts = new Map<string, Fitting[]>();
  for (const f of fittingsOf(machine, layout.stack, layout.plates))
    parts.set(fittingPart(f), [...(parts.get(fittingPart(f)) ?? []), f]);
  return [...parts].flatMap(([id, alike]): ExtraPart[] => {
    const [first] = alike;
    if (!first) return [];
    const press = fitAllowance('press', processOf(machine, id)?.fits);
    const common = { id, kind: first.kind, name: first.kind === 'foot' ? 'foot' : `ball ${id}` };
    const height = first.band.to - first.band.from;
    const bore = first.kind === 'foot' ? Math.max(...alike.map(f => f.inner)) + press : first.inner;
    const half = (out: number, hole: number): [number, number][] => halfSection(first, out, hole, height);
    return [
      {
        ...{ ...common, number: alike.length, outside: first.outer, height },
        volume: turnedVolume(half(first.outer / 2, bore / 2)),
        make: (kit, growth) =>
          ok(turned(kit, half(first.outer / 2 + growth.outline, bore / 2 - growth.hole))),
      },
    ];
  });
}

/** Radii and heights: a ring, or a disc with a blind hole from its top. */
function halfSection(
  { kind, deep }: Pick<Fitting, 'kind' | 'deep'>,
  out: number,
  hole: number,
  height: number,
): [number, number][] {
  if (kind === 'bearing')
    return [
      [hole, 0],
      [out, 0],
      [out, height],
      [hole, height],
    ];
  return [
    [0, 0],
    [out, 0],
    [out, height],
    [hole, height],
    [hole, height - deep],
    [0, height - deep],
  ];
}
