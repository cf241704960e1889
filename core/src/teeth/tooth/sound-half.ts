import { openCrosses } from '../../ground/geometry/index.ts';
import { type HalfTooth, halfPoints } from './half-tooth.ts';

/** Slack for the ends of a half tooth on the lines that bound it, mm and radians. */
const CLOSE = 1e-6;

/**
 * Whether a half tooth can be set together with its mirror images: it keeps between the middle of the gap and the
 * middle of the tooth, and does not cross itself. `width` is the angle of half a pitch; for a rack half the pitch
 * in mm.
 */
export function isSoundHalf(half: HalfTooth, width: number, rack: boolean, chordError: number): boolean {
  const points = halfPoints(half, chordError);
  const place = (p: { x: number; y: number }): number => (rack ? p.y : Math.atan2(p.y, p.x));
  const within = points.every(p => place(p) >= -width - CLOSE && place(p) <= CLOSE);
  return within && !openCrosses(points);
}
