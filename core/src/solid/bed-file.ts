import { writeThreeMf } from '../format/index.ts';
import { meshBounds, type TriMesh } from '../geometry/index.ts';
import { arrangeOnBed } from './arrange-bed.ts';

/** A part made solid, and how many of it are wanted. */
export interface MadePart {
  readonly name: string;
  readonly number: number;
  readonly mesh: TriMesh;
}

/** Room between parts on a bed, mm: common practice, no source. */
const GAP = 4;

/** All parts as one 3MF file, each as often as it is wanted, side by side on z = 0. */
export function bedFile(parts: readonly MadePart[], title: string): Uint8Array<ArrayBuffer> {
  const boxes = parts.map(p => meshBounds(p.mesh));
  const copies = parts.flatMap((p, i) => Array.from({ length: p.number }, () => i));
  const size = (i: number, k: number): number => (boxes[i]?.most[k] ?? 0) - (boxes[i]?.least[k] ?? 0);
  const places = arrangeOnBed(
    copies.map(i => ({ width: size(i, 0), depth: size(i, 1) })),
    GAP,
  );
  const bodies = parts.map((p, i) => ({
    name: p.name,
    mesh: p.mesh,
    at: copies.flatMap((of, k): [number, number, number][] => {
      const [place, box] = [places[k], boxes[i]];
      if (of !== i || !place || !box) return [];
      const [x = 0, y = 0, z = 0] = box.least;
      return [[place.x - x, place.y - y, -z]];
    }),
  }));
  return writeThreeMf(bodies, title);
}
