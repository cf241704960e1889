import type { CamFacts } from './cam-facts.ts';
import type { CamJoint, CamShape } from './cam-shape.ts';

/** Free fall, mm/s² (the standard value). */
const FALL = 9806.65;

/** Radians in a second as turns in a minute. */
export const turnsPerMinute = (omega: number): number => (omega * 60) / (2 * Math.PI);

/**
 * The speed from which a follower leaves its cam, radians of the cam in a second: where what keeps it on can no longer
 * follow the motion. A guess: without friction, bending or bounce; by its own weight when it falls straight down. Of a
 * groove or a second cam, and of an arm that only its weight keeps, undefined. Source: Newton's second law.
 */
export function leavesAt(
  kept: CamJoint['kept'],
  shape: CamShape,
  { leastSecond }: CamFacts,
): number | undefined {
  if (kept.kind === 'groove' || kept.kind === 'second cam' || leastSecond >= 0) return undefined;
  if (kept.kind === 'weight') return shape.way.kind === 'slide' ? Math.sqrt(FALL / -leastSecond) : undefined;
  // N = kg·m/s²; lifts of an arm as the way of its roller.
  const unit = shape.way.kind === 'slide' ? 1 : shape.flat ? shape.way.apart : shape.way.arm;
  let least = Infinity;
  for (let i = 0; i < STEPS; i++) {
    const [lift, , second] = shape.lift((2 * Math.PI * i) / STEPS);
    if (second >= 0) continue;
    const pull = kept.force + kept.rate * lift * unit;
    const needs = ((kept.grams / 1000) * -second * unit) / 1000;
    least = Math.min(least, Math.sqrt(Math.max(0, pull) / needs));
  }
  return least;
}

const STEPS = 360;
