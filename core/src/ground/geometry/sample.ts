import { distanceToSegment } from './measure.ts';
import type { Point } from './point.ts';

const MOST_DEPTH = 14;

/**
 * Points on a smooth curve from parameter a to b, both ends included, so that the curve stays within `chordError`
 * of every chord. Each chord is halved until the curve at a quarter, half and three quarters lies within the error.
 */
export function sampleCurve(curve: (t: number) => Point, a: number, b: number, chordError: number): Point[] {
  const first = curve(a);
  const points = [first];
  const split = (t0: number, p0: Point, t1: number, p1: Point, depth: number): void => {
    const at = (f: number): Point => curve(t0 + f * (t1 - t0));
    const middle = at(0.5);
    const off = (p: Point): number => distanceToSegment(p0, p1, p);
    const good = off(middle) <= chordError && off(at(0.25)) <= chordError && off(at(0.75)) <= chordError;
    if (depth >= MOST_DEPTH || (depth > 0 && good)) {
      points.push(p1);
      return;
    }
    const t = (t0 + t1) / 2;
    split(t0, p0, t, middle, depth + 1);
    split(t, middle, t1, p1, depth + 1);
  };
  split(a, first, b, curve(b), 0);
  return points;
}
