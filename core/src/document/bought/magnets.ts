/** Round magnets as they are sold: across, and how high; mm. Sizes of the trade (common practice, no source). */
export const ROUND_MAGNETS: readonly { readonly diameter: number; readonly heights: readonly number[] }[] = [
  { diameter: 2, heights: [1, 2, 3] },
  { diameter: 3, heights: [1, 1.5, 2, 3] },
  { diameter: 4, heights: [1, 2, 3, 4, 5] },
  { diameter: 5, heights: [1, 2, 3, 4, 5] },
  { diameter: 6, heights: [1, 2, 3, 4, 5, 6] },
  { diameter: 8, heights: [1, 2, 3, 4, 5, 8] },
  { diameter: 10, heights: [1, 2, 3, 4, 5, 10] },
  { diameter: 12, heights: [2, 3, 5, 10] },
  { diameter: 15, heights: [2, 3, 5, 10] },
  { diameter: 20, heights: [2, 3, 5, 10] },
];

/** Block magnets as they are sold: width by depth, mm. Sizes of the trade (common practice, no source). */
export const BLOCK_MAGNETS: readonly (readonly [width: number, depth: number])[] = [
  [4, 2],
  [5, 2],
  [5, 3],
  [5, 5],
  [6, 2],
  [6, 3],
  [8, 3],
  [8, 4],
  [10, 2],
  [10, 3],
  [10, 5],
  [12, 3],
  [15, 5],
  [20, 5],
];

/** A magnet in the plane across the arbors, mm. */
export type MagnetSize =
  | { readonly shape: 'round'; readonly diameter: number }
  | { readonly shape: 'block'; readonly width: number; readonly depth: number };

const SAME = 1e-6;

/** Whether a magnet is sold in that size. */
export const magnetSold = (magnet: MagnetSize): boolean =>
  magnet.shape === 'round'
    ? ROUND_MAGNETS.some(m => Math.abs(m.diameter - magnet.diameter) < SAME)
    : BLOCK_MAGNETS.some(([w, d]) => Math.abs(w - magnet.width) < SAME && Math.abs(d - magnet.depth) < SAME);

/** The magnet of its shape that is sold and nearest in size, the smaller of two. */
export function nearestMagnet(magnet: MagnetSize): MagnetSize {
  const nearest = <T>(list: readonly T[], off: (item: T) => number): T =>
    list.reduce((best, item) => (off(item) < off(best) - SAME ? item : best));
  if (magnet.shape === 'round') {
    const { diameter } = nearest(ROUND_MAGNETS, m => Math.abs(m.diameter - magnet.diameter));
    return { shape: 'round', diameter };
  }
  const [width, depth] = nearest(BLOCK_MAGNETS, ([w, d]) => Math.hypot(w - magnet.width, d - magnet.depth));
  return { shape: 'block', width, depth };
}

/** The highest round magnet of a size that goes into so much thickness, mm; undefined where none is sold. */
export const magnetHeight = (diameter: number, thickness: number): number | undefined =>
  ROUND_MAGNETS.find(m => Math.abs(m.diameter - diameter) < SAME)
    ?.heights.filter(h => h <= thickness + SAME)
    .at(-1);
