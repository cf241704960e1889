/**
 * A body as triangles: corners x, y, z after one another, mm, and three corner numbers a triangle,
 * counter-clockwise from outside.
 */
export interface TriMesh {
  readonly positions: Float64Array;
  readonly triangles: Uint32Array;
}

/** Volume of a closed mesh, mm³: the sum of the tetrahedra from the origin; negative when it is inside out. */
export function meshVolume({ positions: p, triangles: t }: TriMesh): number {
  let sum = 0;
  const at = (i: number, k: number): number => p[3 * (t[i] as number) + k] as number;
  for (let i = 0; i < t.length; i += 3) {
    const [ax, ay, az] = [at(i, 0), at(i, 1), at(i, 2)];
    const [bx, by, bz] = [at(i + 1, 0), at(i + 1, 1), at(i + 1, 2)];
    const [cx, cy, cz] = [at(i + 2, 0), at(i + 2, 1), at(i + 2, 2)];
    sum += ax * (by * cz - bz * cy) + ay * (bz * cx - bx * cz) + az * (bx * cy - by * cx);
  }
  return sum / 6;
}

/**
 * Whether every edge is shared by two triangles that walk it in opposite directions: the mesh is closed and turned
 * one way throughout.
 */
export function isClosed({ positions, triangles: t }: TriMesh): boolean {
  const corners = positions.length / 3;
  const seen = new Set<number>();
  for (let i = 0; i < t.length; i += 3)
    for (let k = 0; k < 3; k++) {
      const [a, b] = [t[i + k] as number, t[i + ((k + 1) % 3)] as number];
      if (a === b || a >= corners || seen.has(a * corners + b)) return false;
      seen.add(a * corners + b);
    }
  for (const edge of seen)
    if (!seen.has((edge % corners) * corners + Math.floor(edge / corners))) return false;
  return t.length > 0;
}

/** The least box about a mesh: its lower and upper corner. */
export function meshBounds({ positions: p }: TriMesh): {
  readonly least: readonly number[];
  readonly most: readonly number[];
} {
  const [least, most] = [
    [Infinity, Infinity, Infinity],
    [-Infinity, -Infinity, -Infinity],
  ] as [number[], number[]];
  for (let i = 0; i < p.length; i++) {
    const k = i % 3;
    least[k] = Math.min(least[k] as number, p[i] as number);
    most[k] = Math.max(most[k] as number, p[i] as number);
  }
  return { least, most };
}
