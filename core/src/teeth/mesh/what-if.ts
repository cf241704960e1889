import type { Point } from '../../ground/geometry/index.ts';
import { type HalfTooth, halfOf, halfPoints, lines } from '../tooth/index.ts';
import type { Engagement, Teeth } from './engagement.ts';

/** What is tried on a mesh without changing the document: centres moved apart, and everything made thicker; mm. */
export interface WhatIf {
  readonly apart: number;
  /** How far the process sets every edge outwards; negative where it takes too much away. */
  readonly thicker: number;
}

export const AS_MADE: WhatIf = { apart: 0, thicker: 0 };

/** The engagement as it would be. Apart counts out of mesh: a wheel in a ring moves towards its middle. */
export function whatIf(engagement: Engagement, { apart, thicker }: WhatIf, chordError: number): Engagement {
  const { stand, a, b, distance } = engagement;
  return {
    ...engagement,
    distance: distance + (stand === 'internal' ? -apart : apart),
    a: thickened(a, false, thicker, chordError),
    b: thickened(b, stand === 'internal' && isHole(b), thicker, chordError),
  };
}

/** Teeth that point inwards bound a hole; a pin in a ring is material all the same. */
const isHole = ({ half }: Teeth): boolean => {
  const end = half.segments.at(-1)?.to ?? half.start;
  return Math.hypot(end.x, end.y) < Math.hypot(half.start.x, half.start.y);
};

function thickened(teeth: Teeth, hole: boolean, by: number, chordError: number): Teeth {
  return by === 0 ? teeth : { ...teeth, half: offsetHalf(teeth.half, hole ? -by : by, chordError) };
}

/**
 * A half tooth with every point set out by `by` mm to the right of its way, where a wheel ends; its ends stay on
 * their lines.
 */
function offsetHalf(half: HalfTooth, by: number, chordError: number): HalfTooth {
  const points = halfPoints(half, chordError / 4);
  const moved = points.map((p, i): Point => {
    const [a, b] = [points[i - 1] ?? p, points[i + 1] ?? p];
    const length = Math.hypot(b.x - a.x, b.y - a.y) || 1;
    return { x: p.x + (by * (b.y - a.y)) / length, y: p.y - (by * (b.x - a.x)) / length };
  });
  const [first, ...rest] = moved;
  return first ? halfOf(first, lines(rest)) : half;
}
