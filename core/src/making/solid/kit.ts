import type { Manifold, ManifoldToplevel } from 'manifold-3d';
import { flatten, type Path, soundFacets, type TriMesh } from '../../ground/geometry/index.ts';

/** The library that makes bodies: it refuses what is not closed. It is loaded where it is used and handed in. */
export type SolidKit = Pick<ManifoldToplevel, 'CrossSection' | 'Manifold' | 'Mesh'>;

/** Corners nearer to a line or to each other than this are one, mm: well within the error of chords. */
const SIMPLE = 5e-4;

/**
 * A body of the library as plain data, corners that are one joined to one, without the slivers that boolean work
 * leaves: a file would round most of them to facets without area.
 */
export function toTriMesh(body: Manifold): TriMesh {
  const plain = body.asOriginal().simplify(SIMPLE);
  const mesh = soundFacets(joined(plain.getMesh()));
  plain.delete();
  return mesh;
}

function joined(mesh: ReturnType<Manifold['getMesh']>): TriMesh {
  const corners = mesh.vertProperties.length / mesh.numProp;
  const one = Uint32Array.from({ length: corners }, (_, i) => i);
  mesh.mergeFromVert?.forEach((from, i) => (one[from] = mesh.mergeToVert?.[i] ?? from));
  const number = new Map<number, number>();
  const positions: number[] = [];
  const triangles = Uint32Array.from(mesh.triVerts, corner => {
    const at = one[corner] ?? corner;
    const known = number.get(at);
    if (known !== undefined) return known;
    number.set(at, positions.length / 3);
    for (let k = 0; k < 3; k++) positions.push(mesh.vertProperties[at * mesh.numProp + k] ?? 0);
    return positions.length / 3 - 1;
  });
  return { positions: Float64Array.from(positions), triangles };
}

/**
 * A plane figure of closed paths, what lies in an odd number of them filled, as a body of that height standing on z
 * = 0.
 */
export function extrude(
  kit: SolidKit,
  paths: readonly Path[],
  height: number,
  chordError: number,
  twist: { readonly turn: number; readonly steps: number } = { turn: 0, steps: 0 },
): Manifold {
  const contours = paths.map(p => flatten(p, chordError).map(q => [q.x, q.y] as [number, number]));
  const section = new kit.CrossSection(contours, 'EvenOdd');
  const body = section.extrude(height, twist.steps, (twist.turn * 180) / Math.PI);
  section.delete();
  return body;
}
