/** A vector or point in space, mm. */
export interface Space {
  readonly x: number;
  readonly y: number;
  readonly z: number;
}

/** A round body: about a unit vector from the middle of one face to the other, mm. */
export interface Cylinder {
  readonly from: Space;
  readonly along: Space;
  readonly length: number;
  readonly radius: number;
}

/** The point of a solid cylinder nearest to another. */
function nearest({ from, along, length, radius }: Cylinder, p: Space): Space {
  const d = { x: p.x - from.x, y: p.y - from.y, z: p.z - from.z };
  const up = d.x * along.x + d.y * along.y + d.z * along.z;
  const out = { x: d.x - up * along.x, y: d.y - up * along.y, z: d.z - up * along.z };
  const far = Math.hypot(out.x, out.y, out.z);
  const [h, k] = [Math.min(length, Math.max(0, up)), far > radius ? radius / far : 1];
  return {
    x: from.x + h * along.x + k * out.x,
    y: from.y + h * along.y + k * out.y,
    z: from.z + h * along.z + k * out.z,
  };
}

/** So many times a point is carried from one to the other; less than this it need not come nearer, mm. */
const TIMES = 2000;
const SETTLED = 1e-7;

/**
 * The distance between two solid cylinders, mm; nought or next to it where they share room. The nearest point of one to
 * the other's is taken in turn, which comes to the nearest two of any two convex bodies (Cheney & Goldstein 1959).
 */
export function cylinderGap(a: Cylinder, b: Cylinder): number {
  let q = b.from;
  let gap = Infinity;
  for (let i = 0; i < TIMES; i++) {
    const p = nearest(a, q);
    q = nearest(b, p);
    const now = Math.hypot(p.x - q.x, p.y - q.y, p.z - q.z);
    if (now < SETTLED) return 0;
    if (gap - now < SETTLED * now) return now;
    gap = now;
  }
  return gap;
}
