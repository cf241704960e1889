import type { Section, Stack } from '@tesseron/core/layout';

/** Where things of a section stand on the screen, in pixels. */
export interface SectionScale {
  /** Pixels for a millimetre along the section. */
  readonly along: number;
  /** How many times larger heights are drawn than lengths. */
  readonly rise: number;
  readonly px: (x: number) => number;
  readonly py: (z: number) => number;
  /** The layer at a height of the screen; beyond the outermost a new one above or below. */
  readonly layerAt: (y: number) => number;
}

/** Heights may be drawn larger than lengths: layers are thin. */
export const RISES = [1, 2, 3, 4, 6] as const;
const MARGIN = 46;
const FOOT = 64;
/** Most pixels for a millimetre before the drawing is enlarged by hand. */
const MOST_SCALE = 9;

/** The scale at which a section fills its room; heights as asked, or as large as still fits. */
export function sectionScale(
  section: Pick<Section, 'left' | 'right' | 'low' | 'high'>,
  stack: Pick<Stack, 'layers' | 'lowest' | 'highest' | 'height'>,
  room: { readonly width: number; readonly height: number },
  zoom: number,
  asked: number | undefined,
): SectionScale {
  const [width, height] = [room.width * zoom, room.height * zoom];
  const [wide, high] = [Math.max(1, section.right - section.left), Math.max(1, section.high - section.low)];
  const [freeWide, freeHigh] = [width - 2 * MARGIN, height - MARGIN - FOOT];
  const along = Math.max(0.2, Math.min(freeWide / wide, freeHigh / high, MOST_SCALE * zoom));
  const rise = asked ?? [...RISES].reverse().find(r => high * r * along <= freeHigh) ?? 1;
  const up = along * rise;
  const px = (x: number): number => (width - wide * along) / 2 + (x - section.left) * along;
  const py = (z: number): number => (height - FOOT - high * up) / 2 + (section.high - z) * up;
  const layerAt = (y: number): number => {
    let best = stack.lowest;
    let least = Infinity;
    for (const [layer, band] of stack.layers) {
      const off = Math.abs(py((band.from + band.to) / 2) - y);
      if (off < least) [best, least] = [layer, off];
    }
    const half = (stack.height / Math.max(1, stack.layers.size) / 2) * up;
    if (best === stack.highest && y < py(stack.height) - half) return best + 1;
    return best === stack.lowest && y > py(0) + half ? best - 1 : best;
  };
  return { along, rise, px, py, layerAt };
}
