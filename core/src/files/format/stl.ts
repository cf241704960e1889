import type { TriMesh } from '../../ground/geometry/index.ts';

const HEADER = 80;
const PER_TRIANGLE = 50;

/**
 * A mesh as binary STL: an 80-byte header, the number of triangles, and for each its normal and three corners in
 * 32-bit floats, millimetres.
 * The header does not begin with `solid`, by which readers tell text from binary. Source: the format as published
 * by its inventors in 1989 (from memory).
 */
export function writeStl(mesh: TriMesh, name: string): Uint8Array<ArrayBuffer> {
  const { positions: p, triangles: t } = mesh;
  const count = t.length / 3;
  const bytes = new Uint8Array(HEADER + 4 + PER_TRIANGLE * count);
  const view = new DataView(bytes.buffer);
  const title = `binary, mm: ${name}`.replace(/[^\x20-\x7e]/g, '?').slice(0, HEADER);
  for (let i = 0; i < title.length; i++) bytes[i] = title.charCodeAt(i);
  view.setUint32(HEADER, count, true);
  for (let i = 0; i < count; i++) {
    let at = HEADER + 4 + PER_TRIANGLE * i;
    const corner = (k: number): [number, number, number] => {
      const c = 3 * (t[3 * i + k] as number);
      return [p[c] as number, p[c + 1] as number, p[c + 2] as number];
    };
    const [a, b, c] = [corner(0), corner(1), corner(2)];
    for (const v of [normal(a, b, c), a, b, c])
      for (const x of v) {
        view.setFloat32(at, x, true);
        at += 4;
      }
  }
  return bytes;
}

type V = readonly [number, number, number];

function normal(a: V, b: V, c: V): V {
  const [ux, uy, uz] = [b[0] - a[0], b[1] - a[1], b[2] - a[2]];
  const [vx, vy, vz] = [c[0] - a[0], c[1] - a[1], c[2] - a[2]];
  const n: V = [uy * vz - uz * vy, uz * vx - ux * vz, ux * vy - uy * vx];
  const length = Math.hypot(...n);
  return length === 0 ? [0, 0, 0] : [n[0] / length, n[1] / length, n[2] / length];
}
