import type { Manifold } from 'manifold-3d';
import { circle } from '../../ground/geometry/index.ts';
import type { Piece } from '../../place/layout/index.ts';
import { compensated, type Growth } from '../process/index.ts';
import { ok, type Result } from '../../ground/result/index.ts';
import { extrude, type SolidKit } from './kit.ts';

const ORIGIN = { x: 0, y: 0 };

/** A rod, tube, spacer or washer as a closed body, standing on its end. */
export function pieceBody(kit: SolidKit, piece: Piece, growth: Growth, chordError: number): Result<Manifold> {
  const bore = piece.bore ? [circle(ORIGIN, piece.bore / 2, false)] : [];
  const paths = compensated(circle(ORIGIN, piece.outside / 2), bore, growth, chordError);
  return paths.ok ? ok(extrude(kit, paths.value, piece.length / piece.number, chordError)) : paths;
}
