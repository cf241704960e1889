import type { Pin } from '../../document/machine/index.ts';
import { type Point, polar } from '../../ground/geometry/index.ts';
import { radians } from '../../ground/units/index.ts';
import type { Stance } from './stance.ts';
import { type Moving, stancesAt } from './moving.ts';

/** Where pins stand at so many places of one turn of the drive, from rest on, mm; nothing where a pin has no place. */
export function tracedPaths(moving: Moving, pins: readonly Pin[], steps = 180): Point[][] {
  const paths: Point[][] = pins.map(() => []);
  if (pins.length === 0) return paths;
  const places = new Map<string, Stance>();
  for (let i = 0; i <= steps; i++) {
    stancesAt(moving, { whole: BigInt(Math.floor(i / steps)), part: (i % steps) / steps }, places);
    pins.forEach((pin, k) => {
      const on = places.get(pin.member);
      if (on) paths[k]?.push(polar(on.centre, pin.radius, on.angle + radians(pin.angleDeg)));
    });
  }
  return paths;
}
