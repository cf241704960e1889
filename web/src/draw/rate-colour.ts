import { type Rational, toNumber } from '@tesseron/core/rational';
import { interpolateRgbBasis } from 'd3-interpolate';
import { scaleLog } from 'd3-scale';

/** The ends of the scale, in turns per turn of the drive; slower and faster ones take the end's colour. */
export const SLOWEST = 1e-3;
export const FASTEST = 1e2;
const position = scaleLog([SLOWEST, FASTEST], [0, 1]).clamp(true);

const known = new WeakMap<readonly string[], WeakMap<Rational, string>>();

/**
 * The colour of a rate (turns per turn of the drive) on a scale from slow to fast; undefined for what stands still.
 * Worked out once for a rate and a scale: a running picture asks for it every frame.
 */
export function rateColour(rate: Rational | undefined, scale: readonly string[]): string | undefined {
  if (!rate || rate.num === 0n) return undefined;
  let colours = known.get(scale);
  if (!colours) known.set(scale, (colours = new WeakMap()));
  let colour = colours.get(rate);
  if (colour === undefined)
    colours.set(rate, (colour = interpolateRgbBasis([...scale])(position(Math.abs(toNumber(rate))))));
  return colour;
}
