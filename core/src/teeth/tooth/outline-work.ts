import type { TeethSpec } from './teeth-spec.ts';

/** Points of an outline beyond which none is made: pages, files and cutters choke on more. */
export const MOST_POINTS = 80_000;

/**
 * About how many points the outline of teeth takes within a chord error: a flank as high as a module bends so that its
 * chords are about √(m·e) long, and there are z teeth of two flanks (derived here; on involutes, 1.4·z·√(m/e)).
 */
export function outlineWork(teeth: TeethSpec, chordError: number): number {
  const { count, module } = sizeOf(teeth);
  return 1.4 * count * Math.sqrt(Math.max(1, module / chordError));
}

/** The largest module of so many teeth whose outline is still made, mm. */
export const largestModule = (count: number, chordError: number): number =>
  chordError * (MOST_POINTS / (1.4 * count)) ** 2;

/** Teeth and module, mm, of whatever family. */
export function sizeOf(teeth: TeethSpec): { readonly count: number; readonly module: number } {
  switch (teeth.family) {
    case 'involute':
    case 'involute ring':
    case 'involute rack':
    case 'bevel':
    case 'cycloidal':
    case 'lantern wheel':
      return { count: teeth.spec.count, module: teeth.spec.module };
    case 'pins':
    case 'pegs':
      return { count: teeth.spec.count, module: (2 * teeth.spec.pitchRadius) / teeth.spec.count };
    case 'reducer disc':
    case 'reducer pins':
    case 'reducer lobes':
      return { count: teeth.spec.pins, module: (2 * teeth.spec.pinCircleRadius) / teeth.spec.pins };
    case 'magnets':
      return { count: teeth.spec.pairs, module: (2 * teeth.spec.rimRadius) / teeth.spec.pairs };
  }
}
