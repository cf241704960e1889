import { mirrored, onLine, type Point, polar, triangleApex } from '../../ground/geometry/index.ts';
import type { Axis } from '../../document/machine/index.ts';
import { radians } from '../../ground/units/index.ts';

/** What the place of an axis is worked out from. Points in mm, undefined where something has no place. */
export interface Surroundings {
  /** The origin of its frame. */
  readonly origin: () => Point | undefined;
  readonly axis: (id: string) => Point | undefined;
  /** The axis at the other end of a mesh. */
  readonly across: (joint: string) => Point | undefined;
  readonly distance: (joint: string) => number | undefined;
}

/**
 * Where an axis stands, by what it hangs on; undefined where the distances do not reach. `turn` goes before what the
 * document says: the angle (radians) of one at a mesh, the sign of the side (left positive) of one between two.
 */
export function resolvePlace(p: Axis['place'], near: Surroundings, turn?: number): Point | undefined {
  switch (p.kind) {
    case 'given': {
      const origin = near.origin();
      return origin && { x: origin.x + p.x, y: origin.y + p.y };
    }
    case 'coaxial':
      return near.axis(p.with);
    case 'polar': {
      const from = near.axis(p.from);
      return from && polar(from, p.radius, radians(p.angleDeg));
    }
    case 'mesh': {
      const [from, d] = [near.across(p.joint), near.distance(p.joint)];
      return from && d !== undefined ? polar(from, d, turn ?? radians(p.angleDeg)) : undefined;
    }
    case 'between':
      return betweenTwo(p, near, turn === undefined ? p.side === 'left' : turn > 0);
    case 'line': {
      const [through, from, d] = [near.axis(p.through), near.across(p.joint), near.distance(p.joint)];
      return through && from && d !== undefined
        ? onLine(through, radians(p.angleDeg), from, d, p.further)
        : undefined;
    }
    case 'mirror': {
      const [image, through] = [near.axis(p.of), near.axis(p.through)];
      return image && through && mirrored(image, through, radians(p.angleDeg));
    }
  }
}

function betweenTwo(
  { joints }: Extract<Axis['place'], { kind: 'between' }>,
  near: Surroundings,
  left: boolean,
): Point | undefined {
  const [a, b] = joints.map(near.across);
  const [da, db] = joints.map(near.distance);
  if (!a || !b || da === undefined || db === undefined) return undefined;
  return triangleApex(a, b, da, db, left);
}
