import { circle, type TriMesh } from '../geometry/index.ts';
import type { Shape } from '../drawing/index.ts';
import type { Piece } from '../layout/index.ts';
import { compensated, type Growth } from '../make/index.ts';
import { ok, type Result } from '../result/index.ts';
import { extrude, type SolidKit, toTriMesh } from './kit.ts';

const ORIGIN = { x: 0, y: 0 };

/** A rod, tube, spacer or washer as a closed body, standing on its end. */
export function pieceSolid(kit: SolidKit, piece: Piece, growth: Growth, chordError: number): Result<TriMesh> {
  const paths = [
    circle(ORIGIN, piece.outside / 2),
    ...(piece.bore ? [circle(ORIGIN, piece.bore / 2, false)] : []),
  ];
  return flatSolid(kit, [{ name: '', role: 'cut', paths }], piece.length / piece.number, growth, chordError);
}

/**
 * What is cut and drilled of a flat part, its outline first, as a closed body lying on z = 0; lines that are engraved or for
 * reference are left out.
 */
export function flatSolid(
  kit: SolidKit,
  shapes: readonly Shape[],
  thickness: number,
  growth: Growth,
  chordError: number,
): Result<TriMesh> {
  const [outline, ...holes] = shapes
    .filter(s => s.role === 'cut' || s.role === 'drill')
    .flatMap(s => s.paths)
    .filter(p => p.closed);
  if (!outline) throw new Error('flatSolid: no outline');
  const paths = compensated(outline, holes, growth, chordError);
  if (!paths.ok) return paths;
  const body = extrude(kit, paths.value, thickness, chordError);
  const mesh = toTriMesh(body);
  body.delete();
  return ok(mesh);
}
