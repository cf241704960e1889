import { camContact } from './cam-contact.ts';
import { type CamShape, reaches } from './cam-shape.ts';

/** What a turn of a cam comes to. Lengths mm, angles radians; lifts mm of a slide, radians of an arm. */
export interface CamFacts {
  readonly least: number;
  readonly most: number;
  /** The greatest pressure angle, and where the cam stands then. */
  readonly pressure: number;
  readonly pressureAt: number;
  /** The least radius with which the roller's middle goes round a tip, and where; of a flat face the cam's own. */
  readonly bulge: number;
  readonly bulgeAt: number;
  /** The least radius of a hollow, as a positive length; infinite where there is none. */
  readonly hollow: number;
  /** The nearest that the middle of the roller, the edge or the face comes to the axis. */
  readonly nearest: number;
  /** The greatest and least change of the lift, and the least (fastest falling) change of that, each by the angle. */
  readonly fastest: number;
  readonly slowest: number;
  readonly leastSecond: number;
  /** Whether it can stand at no lift. */
  readonly reaches: boolean;
}

/** Looks at a cam all round its turn, in so many steps. */
export function camFacts(shape: CamShape, steps = 720): CamFacts {
  let [least, most, pressure, pressureAt] = [Infinity, -Infinity, 0, 0];
  let [bulge, bulgeAt, hollow, nearest] = [Infinity, 0, Infinity, Infinity];
  let [fastest, slowest, leastSecond] = [-Infinity, Infinity, Infinity];
  for (let i = 0; i < steps; i++) {
    const theta = (2 * Math.PI * i) / steps;
    const [lift, rate, second] = shape.lift(theta);
    const c = camContact(shape, theta);
    least = Math.min(least, lift);
    most = Math.max(most, lift);
    fastest = Math.max(fastest, rate);
    slowest = Math.min(slowest, rate);
    leastSecond = Math.min(leastSecond, second);
    nearest = Math.min(nearest, Math.hypot(c.at.x, c.at.y));
    if (c.pressure > pressure) [pressure, pressureAt] = [c.pressure, theta];
    const bulges = c.curvature > 0 || shape.flat;
    if (bulges && c.curvature < bulge) [bulge, bulgeAt] = [c.curvature, theta];
    if (!bulges) hollow = Math.min(hollow, -c.curvature);
  }
  return {
    ...{ least, most, pressure, pressureAt, bulge, bulgeAt, hollow, nearest },
    ...{ fastest, slowest, leastSecond, reaches: reaches(shape) },
  };
}

/** What a cam may not do: what stands in the way of making it, the worst first. */
export type CamFault =
  'no reach' | 'through the axis' | 'folds' | 'undercut' | 'hollow too sharp' | 'presses sideways';

/** The most pressure angle, degrees: a slide 30, an arm 40 (Machinery's Handbook; Norton; from memory). */
export const MOST_PRESSURE = { slide: 30, arm: 40 } as const;
/** What must be left of a cam about its axis, mm: room for a bore, a guess. */
const LEFT = 2;

/** The faults of a cam; `groove`: its far wall is rolled on too. */
export function camFaults(shape: CamShape, facts: CamFacts, groove: boolean): CamFault[] {
  if (!facts.reaches) return ['no reach'];
  const faults: CamFault[] = [];
  const most = (MOST_PRESSURE[shape.way.kind] * Math.PI) / 180;
  if (facts.nearest - shape.roller < LEFT) faults.push('through the axis');
  if (shape.flat && facts.bulge <= 0) faults.push('folds');
  if (shape.roller > 0 && facts.bulge <= shape.roller) faults.push('undercut');
  if (groove && facts.hollow <= shape.roller) faults.push('hollow too sharp');
  if (facts.pressure > most) faults.push('presses sideways');
  return faults;
}

/** The largest radius that is tried, mm. */
const WIDEST = 5000;

/**
 * The least radius at no lift with which a cam has no fault, mm up to the next half; undefined where none up to five
 * metres does. An arm too short or too near for it, or an offset, may be why.
 */
export function leastRadius(shape: CamShape, groove: boolean, steps = 180): number | undefined {
  const sound = (half: number): boolean => {
    const tried = { ...shape, radius: half / 2 };
    return camFaults(tried, camFacts(tried, steps), groove).length === 0;
  };
  // It grows until it is sound; on an arm it may be too large again after that.
  const last = shape.way.kind === 'arm' ? 2 * (shape.way.apart + shape.way.arm) : 2 * WIDEST;
  let high = Math.max(1, Math.ceil(2 * LEFT));
  let low = 0;
  while (!sound(high)) {
    low = high;
    high = Math.ceil(high * 1.15);
    if (high > last) return undefined;
  }
  while (high - low > 1) {
    const middle = Math.floor((low + high) / 2);
    if (sound(middle)) high = middle;
    else low = middle;
  }
  return high / 2;
}
