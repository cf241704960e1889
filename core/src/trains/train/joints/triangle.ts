import { direction, distance, type Point, polar, triangleApex } from '../../../ground/geometry/index.ts';

/**
 * The third corner over a → b with sides of those lengths, to the left or the right of the way from a to b. Where the
 * sides do not meet: on the line, as far from a as its side lets it, towards where it would have to be. mm.
 */
export function nearestApex(a: Point, b: Point, fromA: number, fromB: number, left: boolean): Point {
  const apex = triangleApex(a, b, fromA, fromB, left);
  if (apex) return apex;
  const within = distance(a, b) + fromA < fromB;
  return polar(a, within ? -fromA : fromA, direction(a, b));
}

/** Whether three lengths make a triangle. */
export const closesTriangle = (a: number, b: number, c: number): boolean =>
  a <= b + c + EPSILON && b <= a + c + EPSILON && c <= a + b + EPSILON;
/** Lengths that differ by less are one, mm. */
const EPSILON = 1e-9;

/** The angle between two lines at a corner, 0 to a right angle, radians. */
export function sharpAngle(corner: Point, a: Point, b: Point): number {
  const [p, q] = [direction(corner, a), direction(corner, b)];
  const turned = Math.abs(Math.atan2(Math.sin(p - q), Math.cos(p - q)));
  return Math.min(turned, Math.PI - turned);
}

/** An angle brought between −π and π. */
export const wrapped = (angle: number): number => angle - 2 * Math.PI * Math.round(angle / (2 * Math.PI));
