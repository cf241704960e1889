import { applyPalette, GIFEncoder, quantize } from 'gifenc';

/** An animated picture in the making: frames in, bytes out. */
export interface GifFilm {
  readonly add: (rgba: Uint8ClampedArray) => void;
  readonly finish: () => Uint8Array<ArrayBuffer>;
}

const COLOURS = 256;

/**
 * An animated picture that runs for ever, every frame for `delayMs`. The colours are those of the first frame: a
 * machine keeps its colours as it turns, and one palette for all leaves no flicker.
 */
export function gifFilm(width: number, height: number, delayMs: number): GifFilm {
  const encoder = GIFEncoder();
  let palette: number[][] | undefined;
  return {
    add(rgba) {
      const first = palette === undefined;
      palette ??= quantize(rgba, COLOURS);
      const colours = first ? { palette, repeat: 0 } : {};
      encoder.writeFrame(applyPalette(rgba, palette), width, height, { ...colours, delay: delayMs });
    },
    finish() {
      encoder.finish();
      return encoder.bytes();
    },
  };
}
