import type { TriMesh } from '../../ground/geometry/index.ts';
import { type SolidKit, toTriMesh } from './kit.ts';

/** A ball, or the stick that bears one, by its name (`ball r`, `stick l`, mm); undefined for other bodies. */
export function roundBody(kit: SolidKit, id: string): TriMesh | undefined {
  const [, kind, said] = /^(ball|stick) ([\d.]+)$/.exec(id) ?? [];
  if (kind === undefined) return undefined;
  const size = Number(said);
  const body =
    kind === 'ball'
      ? kit.Manifold.sphere(size, 32)
      : kit.Manifold.cube([size, 1, 1]).translate([0, -0.5, -0.5]);
  const mesh = toTriMesh(body);
  body.delete();
  return mesh;
}
