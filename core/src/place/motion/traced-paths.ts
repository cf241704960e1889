import type { Pin } from '../../document/machine/index.ts';
import type { Point } from '../../ground/geometry/index.ts';
import { toNumber } from '../../ground/rational/index.ts';
import { courseOf, leadersOf } from './joint-course.ts';
import { type Moving, standsAt } from './moving.ts';

/** The most turns that what leads fastest is followed for. */
const MOST_TURNS = 24;

/** The way of a pin until it comes back, or for as long as it is followed: places evenly spread over so many turns. */
export interface TracedPath {
  readonly points: readonly Point[];
  /** Turns of the drive from the first to the last. */
  readonly turns: number;
}

/**
 * Where pins stand until all that leads them has made whole turns, from rest on, mm: at so many places for each turn of
 * what turns fastest of that, for 24 of them at most. No points where a pin has no place.
 */
export const tracedPaths = (moving: Moving, pins: readonly Pin[], steps = 180): TracedPath[] =>
  pins.map(pin => tracedPath(moving, pin, steps));

/** Places that lie well spread over a course, however long it is. */
const SPREAD = (Math.sqrt(5) - 1) / 2;

/** Some places where pins come in the course of all that leads them, to know how far they reach, mm. */
export function reachedBy(moving: Moving, pins: readonly Pin[], looks = 24): Point[] {
  const leaders = pins.flatMap(p => [...leadersOf(moving, [p.member])]);
  const turns = courseOf(moving, leaders).turns ?? 1;
  return Array.from({ length: looks }, (_, i) => turns * ((i * SPREAD) % 1)).flatMap(at => {
    const full = Math.floor(at);
    const stands = standsAt(moving, { whole: BigInt(full), part: at - full });
    return pins.flatMap(pin => stands.pin(pin) ?? []);
  });
}

function tracedPath(moving: Moving, pin: Pin, steps: number): TracedPath {
  const { turns: whole, rates } = courseOf(moving, leadersOf(moving, [pin.member]));
  const fastest = Math.max(...rates.map(r => Math.abs(toNumber(r))));
  const turns = whole === undefined ? 1 : Math.min(whole, MOST_TURNS / fastest);
  const looks = whole === undefined ? steps : Math.max(steps, Math.round(steps * turns * fastest));
  const points: Point[] = [];
  for (let i = 0; i <= looks; i++) {
    const at = (turns * i) / looks;
    const full = Math.floor(at);
    const found = standsAt(moving, { whole: BigInt(full), part: at - full }).pin(pin);
    if (found) points.push(found);
  }
  return { points, turns };
}
