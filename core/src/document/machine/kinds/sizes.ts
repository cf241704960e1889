import type { Toothing } from '../types.ts';

export type ToothSize = Toothing['size'];
export type SizeBy = ToothSize['by'];
type Of<K extends SizeBy> = Extract<ToothSize, { by: K }>;

/** What there is to know of a way in which teeth are sized; what module it gives stands in `tooth-size`. */
export interface SizeFacts<K extends SizeBy> {
  /** The wheel or the mesh that it measures. */
  readonly measures: (size: Of<K>) => { readonly wheel?: string; readonly joint?: string };
  /** The figure that is said. */
  readonly figure: (size: Of<K>) => number;
  /** The same with another figure. */
  readonly withFigure: (size: Of<K>, figure: number) => Of<K>;
}

const atWheel = {
  measures: (s: { readonly wheel: string }) => ({ wheel: s.wheel }),
  figure: (s: { readonly diameter: number }) => s.diameter,
};
const pitch = {
  measures: () => ({}),
  figure: (s: { readonly pitch: number }) => s.pitch,
};

/** Every way to size teeth. A new one is a line here; the compiler then names what else must be decided. */
export const SIZES: { readonly [K in SizeBy]: SizeFacts<K> } = {
  module: {
    measures: () => ({}),
    figure: s => s.module,
    withFigure: (s, module) => ({ ...s, module }),
  },
  'diametral pitch': { ...pitch, withFigure: (s, figure) => ({ ...s, pitch: figure }) },
  'circular pitch': { ...pitch, withFigure: (s, figure) => ({ ...s, pitch: figure }) },
  'outside diameter': { ...atWheel, withFigure: (s, diameter) => ({ ...s, diameter }) },
  'root diameter': { ...atWheel, withFigure: (s, diameter) => ({ ...s, diameter }) },
  'centre distance': {
    measures: s => ({ joint: s.joint }),
    figure: s => s.distance,
    withFigure: (s, distance) => ({ ...s, distance }),
  },
};

const factsOf = (size: ToothSize): SizeFacts<SizeBy> => SIZES[size.by] as unknown as SizeFacts<SizeBy>;

/** The wheel or mesh whose measure gives the size, where it is one's. */
export const sizeMeasures = (size: ToothSize): { readonly wheel?: string; readonly joint?: string } =>
  factsOf(size).measures(size);
/** The figure by which teeth are sized: mm, or teeth to the inch. */
export const sizeFigure = (size: ToothSize): number => factsOf(size).figure(size);
/** The same size with another figure. */
export const withSizeFigure = (size: ToothSize, figure: number): ToothSize =>
  factsOf(size).withFigure(size, figure);
