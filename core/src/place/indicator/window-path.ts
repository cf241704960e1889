import { circle, type Path, type Point, polar, rotate, type Segment } from '../../ground/geometry/index.ts';
import type { DialWindow } from '../../document/machine/index.ts';
import { radians } from '../../ground/units/index.ts';

const ORIGIN: Point = { x: 0, y: 0 };

/**
 * An opening of a dial as a closed path about the dial's axis, its nought along x. Angles are from there,
 * counter-clockwise.
 */
export function windowPath(window: DialWindow): Path {
  const at = radians(window.atDeg);
  switch (window.kind) {
    case 'round':
      return circle(polar(ORIGIN, window.distance, at), window.radius);
    case 'sector':
      return sector(at, radians(window.spanDeg) / 2, window.inner, window.outer);
    case 'phases':
      return phasesOpening(at, window.distance, window.radius);
  }
}

function sector(at: number, half: number, inner: number, outer: number): Path {
  const corner = (r: number, a: number): Point => polar(ORIGIN, r, a);
  return {
    start: corner(outer, at - half),
    segments: [
      { kind: 'arc', to: corner(outer, at + half), centre: ORIGIN, ccw: true },
      { kind: 'line', to: corner(inner, at + half) },
      { kind: 'arc', to: corner(inner, at - half), centre: ORIGIN, ccw: false },
      { kind: 'line', to: corner(outer, at - half) },
    ],
    closed: true,
  };
}

/**
 * The opening for phases: half a disc that the moons just fill, less two humps as large as a moon, each where a
 * moon is hidden at new moon. The moon that comes out from behind the one hump goes in behind the other half a turn
 * of the disc later. Common practice.
 */
function phasesOpening(at: number, distance: number, radius: number): Path {
  const outside = distance + radius;
  const local: { start: Point; segments: Segment[] } = {
    start: { x: outside, y: 0 },
    segments: [
      { kind: 'arc', to: { x: -outside, y: 0 }, centre: ORIGIN, ccw: true },
      { kind: 'arc', to: { x: radius - distance, y: 0 }, centre: { x: -distance, y: 0 }, ccw: false },
      { kind: 'line', to: { x: distance - radius, y: 0 } },
      { kind: 'arc', to: { x: outside, y: 0 }, centre: { x: distance, y: 0 }, ccw: false },
    ],
  };
  const turn = (p: Point): Point => rotate(p, at - Math.PI / 2);
  return {
    start: turn(local.start),
    segments: local.segments.map(s =>
      s.kind === 'line' ? { kind: 'line', to: turn(s.to) } : { ...s, to: turn(s.to), centre: turn(s.centre) },
    ),
    closed: true,
  };
}

/**
 * The moon's radius over its distance above which the humps cover a part of it even when it is full: 1/√2, as two
 * humps and it then touch.
 */
export const FULL_MOON_MOST = Math.SQRT1_2;
