/** A point or vector in the plane, millimetres. */
export interface Point {
  readonly x: number;
  readonly y: number;
}

/** Distance of two points. */
export const distance = (a: Point, b: Point): number => Math.hypot(a.x - b.x, a.y - b.y);

/** Direction from a to b, radians counter-clockwise from x. */
export const direction = (a: Point, b: Point): number => Math.atan2(b.y - a.y, b.x - a.x);

/** The point at a distance in a direction from another. */
export const polar = (from: Point, radius: number, angle: number): Point => ({
  x: from.x + radius * Math.cos(angle),
  y: from.y + radius * Math.sin(angle),
});

/** p turned counter-clockwise by an angle about the origin. */
export function rotate(p: Point, angle: number): Point {
  const c = Math.cos(angle);
  const s = Math.sin(angle);
  return { x: c * p.x - s * p.y, y: s * p.x + c * p.y };
}

/**
 * The third corner of a triangle over a→b with sides `fromA` and `fromB`; `left` seen walking from a to b.
 * Undefined when the sides do not meet.
 */
export function triangleApex(
  a: Point,
  b: Point,
  fromA: number,
  fromB: number,
  left: boolean,
): Point | undefined {
  const d = distance(a, b);
  if (d === 0) return undefined;
  const along = (d * d + fromA * fromA - fromB * fromB) / (2 * d);
  const square = fromA * fromA - along * along;
  if (square < 0) return undefined;
  const h = Math.sqrt(square) * (left ? 1 : -1);
  const ux = (b.x - a.x) / d;
  const uy = (b.y - a.y) / d;
  return { x: a.x + along * ux - h * uy, y: a.y + along * uy + h * ux };
}
