import type { Derived } from '../../state/state/index.ts';
import { type Base, baseOf, type Fitting, fittingsOf, type Stack } from '../../place/layout/index.ts';
import { fitAllowance } from '../../teeth/body/index.ts';
import { processOf } from '../../document/machine/index.ts';
import { ok } from '../../ground/result/index.ts';
import { type ExtraPart, turnedVolume } from './extra-part.ts';
import { turned } from './turned.ts';

/** How a fitting is known as a part; all of one size are one part. */
export const fittingPart = ({ kind, bearing }: Pick<Fitting, 'kind' | 'bearing'>): string =>
  kind === 'bearing' ? `bearing ${bearing?.name ?? ''}` : kind;

/** What a fitting is called; all of one size alike. */
export const fittingName = (fitting: Pick<Fitting, 'kind' | 'bearing'>): string =>
  fitting.kind === 'bearing' ? `ball ${fittingPart(fitting)}` : fitting.kind;

/**
 * Ball bearings as they lie in the plates, feet with a blind hole for the end of a pillar from their top, and a column
 * with its turned ends; a base is cut flat.
 */
export function fittings({ machine, layout }: Derived): ExtraPart[] {
  const parts = new Map<string, Fitting[]>();
  for (const f of fittingsOf(machine, layout.stack, layout.plates).filter(x => x.kind !== 'base'))
    parts.set(fittingPart(f), [...(parts.get(fittingPart(f)) ?? []), f]);
  return [...parts].flatMap(([id, alike]): ExtraPart[] => {
    const [first] = alike;
    if (!first) return [];
    const press = fitAllowance('press', processOf(machine, id)?.fits);
    const column = first.kind === 'column' ? baseOf(machine, layout.stack) : undefined;
    if (column) return [columnPart(column, layout.stack)];
    const common = { id, kind: first.kind, name: fittingName(first) };
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

/** A column: its shaft between two turned ends, which go through the board and the back plate. */
function columnPart({ board, column, columnAcross, spigot }: Base, { back }: Pick<Stack, 'back'>): ExtraPart {
  const low = board.to - board.from;
  const shoulder = low + column.to - column.from;
  const height = shoulder + (back ? back.to - back.from : 0);
  const half = (more: number): [number, number][] => [
    [0, 0],
    [spigot / 2 + more, 0],
    [spigot / 2 + more, low],
    [columnAcross / 2 + more, low],
    [columnAcross / 2 + more, shoulder],
    [spigot / 2 + more, shoulder],
    [spigot / 2 + more, height],
    [0, height],
  ];
  return {
    ...{ id: 'column', kind: 'column', name: 'column', number: 1, outside: columnAcross, height },
    volume: turnedVolume(half(0)),
    make: (kit, growth) => ok(turned(kit, half(growth.outline))),
  };
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
