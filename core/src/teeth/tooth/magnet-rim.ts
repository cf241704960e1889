import { circle, type Path, type Point, polygon, rotate } from '../../ground/geometry/index.ts';
import { fail, ok, type Result } from '../../ground/result/index.ts';

/** A magnet by its face across the wheel, mm. */
export type Magnet =
  | { readonly shape: 'round'; readonly diameter: number }
  | { readonly shape: 'block'; readonly width: number; readonly depth: number };

/** A rim of magnets: a pair of poles for each tooth, so always an even number. Lengths in mm. */
export interface MagnetSpec {
  readonly pairs: number;
  /** Radius of the rim that faces the mate. */
  readonly rimRadius: number;
  /** Whether the mate stands within: magnets then lie outside the rim. */
  readonly inside: boolean;
  readonly magnet: Magnet;
  /** Wall between rim and magnets. */
  readonly wall: number;
}

/** Pockets of a rim of magnets, pocket 0 on the x axis with its north pole outwards. */
export interface MagnetRim {
  readonly pockets: readonly Path[];
  readonly centres: readonly Point[];
  /** Those whose north pole faces outwards: every other one. */
  readonly north: readonly boolean[];
  /** Least wall between two pockets. */
  readonly between: number;
  /** Radius to the far side of the pockets. */
  readonly farRadius: number;
}

const deep = (m: Magnet): number => (m.shape === 'round' ? m.diameter : m.depth);

/** The pockets; refused where they would run into each other or past the middle. */
export function magnetRim(spec: MagnetSpec): Result<MagnetRim> {
  const { magnet, wall, rimRadius } = spec;
  const count = 2 * spec.pairs;
  const way = spec.inside ? 1 : -1;
  const radius = rimRadius + way * (wall + deep(magnet) / 2);
  const nearest = spec.inside ? rimRadius + wall : radius - deep(magnet) / 2;
  if (!(nearest > 0)) return fail('magnets-past-middle', { pairs: spec.pairs });
  const betweenOf = (pairs: number): number => {
    const half = Math.PI / (2 * pairs);
    return magnet.shape === 'round'
      ? 2 * radius * Math.sin(half) - magnet.diameter
      : 2 * (nearest * Math.sin(half) - (magnet.width / 2) * Math.cos(half));
  };
  const between = betweenOf(spec.pairs);
  if (!(between > 0)) {
    let most = spec.pairs - 1;
    while (most > 0 && !(betweenOf(most) > 0)) most -= 1;
    return fail('magnets-touch', { pairs: spec.pairs, most });
  }
  const shape = (): Path =>
    magnet.shape === 'round'
      ? circle({ x: radius, y: 0 }, magnet.diameter / 2, false)
      : polygon([
          { x: radius - magnet.depth / 2, y: -magnet.width / 2 },
          { x: radius - magnet.depth / 2, y: magnet.width / 2 },
          { x: radius + magnet.depth / 2, y: magnet.width / 2 },
          { x: radius + magnet.depth / 2, y: -magnet.width / 2 },
        ]);
  const turn = (path: Path, angle: number): Path => ({
    ...path,
    start: rotate(path.start, angle),
    segments: path.segments.map(s =>
      s.kind === 'line'
        ? { kind: 'line', to: rotate(s.to, angle) }
        : { ...s, to: rotate(s.to, angle), centre: rotate(s.centre, angle) },
    ),
  });
  const angles = Array.from({ length: count }, (_, i) => (2 * Math.PI * i) / count);
  return ok({
    pockets: angles.map(a => turn(shape(), a)),
    centres: angles.map(a => rotate({ x: radius, y: 0 }, a)),
    north: angles.map((_, i) => i % 2 === 0),
    between,
    farRadius: radius + way * (deep(magnet) / 2),
  });
}

/**
 * Pieces of soft iron between two concentric rings of magnets: as many as the pole pairs of both (common practice,
 * no source).
 */
export const ironPieces = (inner: number, outer: number): number => inner + outer;
