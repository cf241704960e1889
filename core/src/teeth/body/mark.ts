import { circle, type Path } from '../../ground/geometry/index.ts';

/** The mark at tooth 0: a small round just within the root circle on the x axis, for engraving; mm. */
export function alignmentMark(rootRadius: number, module: number): Path {
  const radius = Math.min(0.3 * module, rootRadius / 8);
  return circle({ x: rootRadius - 2.5 * radius, y: 0 }, radius);
}
