import { type Rational, toNumber } from '@tesseron/core/rational';
import { interpolateRgbBasis } from 'd3-interpolate';
import { scaleLog } from 'd3-scale';

/** The ends of the scale, in turns per turn of the drive; slower and faster ones take the end's colour. */
export const SLOWEST = 1e-3;
export const FASTEST = 1e2;
const position = scaleLog([SLOWEST, FASTEST], [0, 1]).clamp(true);

/** The colour of a rate (turns per turn of the drive) on a scale from slow to fast; undefined for what stands still. */
export function rateColour(rate: Rational | undefined, scale: readonly string[]): string | undefined {
  const speed = rate ? Math.abs(toNumber(rate)) : 0;
  return speed === 0 ? undefined : interpolateRgbBasis([...scale])(position(speed));
}
