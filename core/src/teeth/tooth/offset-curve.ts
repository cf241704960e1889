import type { Point } from '../../ground/geometry/index.ts';

/** A curve and the unit normal to its left, by a symmetric difference of `h` in the parameter. */
export function withNormal(
  curve: (t: number) => Point,
  t: number,
  h = 1e-5,
): { readonly at: Point; readonly normal: Point } {
  const [a, b] = [curve(t - h), curve(t + h)];
  const length = Math.hypot(b.x - a.x, b.y - a.y);
  return { at: curve(t), normal: { x: -(b.y - a.y) / length, y: (b.x - a.x) / length } };
}

/** The equidistant of a curve, `distance` to its left (mm; negative to its right). */
export const equidistant =
  (curve: (t: number) => Point, distance: number) =>
  (t: number): Point => {
    const { at, normal } = withNormal(curve, t);
    return { x: at.x + distance * normal.x, y: at.y + distance * normal.y };
  };

/** Radius of curvature with its sign: positive when the curve bends to its left. Infinite where it is straight. */
export function curvatureRadius(curve: (t: number) => Point, t: number, h = 1e-4): number {
  const [a, m, b] = [curve(t - h), curve(t), curve(t + h)];
  const cross = (m.x - a.x) * (b.y - m.y) - (m.y - a.y) * (b.x - m.x);
  const size =
    Math.hypot(m.x - a.x, m.y - a.y) * Math.hypot(b.x - m.x, b.y - m.y) * Math.hypot(b.x - a.x, b.y - a.y);
  return cross === 0 ? Infinity : size / (2 * cross);
}
