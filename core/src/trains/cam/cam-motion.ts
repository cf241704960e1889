import { equationOfTime, sunTime } from '../../document/sky/index.ts';
import type { Joint } from '../../document/machine/index.ts';
import { type Jet, periodicSpline } from './periodic-spline.ts';
import { rise } from './rise.ts';

export type CamMotion = Extract<Joint, { kind: 'cam' }>['motion'];
/** Lift at an angle of the cam, mm or degrees, and its first two derivatives by that angle in radians. */
export type Lift = (theta: number) => Jet;

const FULL = 2 * Math.PI;
const turned = (angle: number): number => angle - FULL * Math.floor(angle / FULL);
const known = new WeakMap<CamMotion, Lift>();

/** The motion of a cam as a function of its angle, radians, in the sense for which it is laid out. */
export function liftOf(motion: CamMotion): Lift {
  const before = known.get(motion);
  if (before) return before;
  const made = madeLift(motion);
  known.set(motion, made);
  return made;
}

function madeLift(motion: CamMotion): Lift {
  switch (motion.kind) {
    case 'segments':
      return bySegments(motion.segments);
    case 'points':
      return byPoints(motion.points, motion.straight === true);
    case 'sky':
      return bySky(motion);
    case 'waves':
      return theta => sumOf(motion.waves.map(w => wave(w, theta)));
  }
}

function bySegments(segments: Extract<CamMotion, { kind: 'segments' }>['segments']): Lift {
  const ends: number[] = [];
  for (const s of segments) ends.push((ends.at(-1) ?? 0) + (s.overDeg * Math.PI) / 180);
  return angle => {
    const theta = turned(angle);
    const found = ends.findIndex(end => theta < end);
    const i = found === -1 ? segments.length - 1 : found;
    const [segment, start, end] = [segments[i], i === 0 ? 0 : (ends[i - 1] ?? 0), ends[i] ?? FULL];
    if (!segment) return [0, 0, 0];
    const from = segments[(i + segments.length - 1) % segments.length]?.to ?? 0;
    const [by, over] = [segment.to - from, end - start];
    const { done, rate, second } = rise(segment.law, Math.min(1, (theta - start) / over));
    return [from + by * done, (by * rate) / over, (by * second) / (over * over)];
  };
}

function byPoints(list: readonly (readonly [number, number])[], straight: boolean): Lift {
  const points = distinct(list);
  const [only] = points;
  if (points.length < 2) return () => [only?.[1] ?? 0, 0, 0];
  if (!straight) return periodicSpline(points, FULL);
  return theta => {
    const first = points[0]?.[0] ?? 0;
    const at = turned(theta - first) + first;
    const found = points.findIndex(p => p[0] > at);
    const i = (found === -1 ? points.length : found) - 1;
    const [from, to] = [points[i] ?? [0, 0], points[(i + 1) % points.length] ?? [0, 0]];
    const slope = (to[1] - from[1]) / (i + 1 === points.length ? to[0] + FULL - from[0] : to[0] - from[0]);
    return [from[1] + slope * (at - from[0]), slope, 0];
  };
}

/** Points in order of their angle, radians, 360° as 0°; of two at one angle the first holds. */
function distinct(list: readonly (readonly [number, number])[]): (readonly [number, number])[] {
  const found = new Map<number, number>();
  for (const [deg, lift] of list) {
    const at = deg % 360;
    if (!found.has(at)) found.set(at, lift);
  }
  return [...found].sort((a, b) => a[0] - b[0]).map(([deg, lift]) => [(deg * Math.PI) / 180, lift] as const);
}

/** Days of a tropical year, and what stands at its beginning: noon of 1 January 2000. */
const YEAR = 365.24219;

function bySky({ of, scale, latitudeDeg }: Extract<CamMotion, { kind: 'sky' }>): Lift {
  const lift = (theta: number): number => {
    const days = (YEAR * turned(theta)) / FULL;
    return (
      scale * (of === 'equation of time' ? equationOfTime(days) : hoursFromSix(of, days, latitudeDeg ?? 50))
    );
  };
  return numeric(lift);
}

/** Hours by which the Sun rises, or sets, after six. */
const hoursFromSix = (of: 'sunrise' | 'sunset', days: number, latitudeDeg: number): number =>
  sunTime(of, days, latitudeDeg) - (of === 'sunrise' ? 6 : 18);

/** A function with its derivatives by differences over a few thousandths of a turn. */
function numeric(f: (theta: number) => number, h = 2e-3): Lift {
  return theta => {
    const [a, m, b] = [f(theta - h), f(theta), f(theta + h)];
    return [m, (b - a) / (2 * h), (a - 2 * m + b) / (h * h)];
  };
}

function wave(
  w: { readonly times: number; readonly height: number; readonly atDeg: number },
  theta: number,
): Jet {
  const angle = w.times * theta - (w.times * w.atDeg * Math.PI) / 180;
  return [
    w.height * Math.cos(angle),
    -w.times * w.height * Math.sin(angle),
    -w.times * w.times * w.height * Math.cos(angle),
  ];
}

const sumOf = (jets: readonly Jet[]): Jet =>
  jets.reduce<Jet>((sum, j) => [sum[0] + j[0], sum[1] + j[1], sum[2] + j[2]], [0, 0, 0]);
