import type { Piece } from './pieces.ts';
import type { Plate } from './plate-holes.ts';
import type { LayoutParts } from './solids.ts';
import type { Band } from './stack.ts';

/** A rectangle cut by the section: from `left` to `right` along it, from `low` to `high` up the axes, mm. */
export interface Cut {
  readonly kind:
    | 'wheel'
    | 'ring'
    | 'arm'
    | 'rod'
    | 'tube'
    | 'plate'
    | 'spacer'
    | 'washers'
    | 'pillar'
    | 'foot'
    | 'bearing'
    | 'column'
    | 'base';
  /** The wheel, arbor or arm; of a plate its side. */
  readonly id: string;
  readonly member: string | undefined;
  readonly left: number;
  readonly right: number;
  readonly low: number;
  readonly high: number;
}

/** A section through some axes, one beside the other at their true distances. */
export interface Section {
  readonly axes: readonly { readonly axis: string; readonly at: number }[];
  readonly cuts: readonly Cut[];
  readonly left: number;
  readonly right: number;
  readonly low: number;
  readonly high: number;
}

/** What is drawn of a layout in section. */
export interface SectionParts extends LayoutParts {
  readonly plates: readonly Plate[];
  readonly pieces: readonly Piece[];
}

/** What a cut belongs to. */
export type CutOf = Pick<Cut, 'kind' | 'id' | 'member'>;

/** Two halves from an inner to an outer radius about a line. */
export function halves(common: CutOf, at: number, inner: number, outer: number, band: Band): Cut[] {
  const heights = { low: band.from, high: band.to };
  if (inner <= 0) return [{ ...common, left: at - outer, right: at + outer, ...heights }];
  return [
    { ...common, left: at - outer, right: at - inner, ...heights },
    { ...common, left: at + inner, right: at + outer, ...heights },
  ];
}
