import type { Point } from '../../ground/geometry/index.ts';
import { type CamShape, followed, restAngle, sideOf } from './cam-shape.ts';

/** How a cam touches its follower at one angle, against the ground. */
export interface CamContact {
  /** The middle of the roller, the edge, or the point of a flat face that is touched. */
  readonly at: Point;
  /** Outwards from the cam, at right angles to it, of unit length. */
  readonly normal: Point;
  /** Between the direction in which the follower goes and the normal, radians; nought is best. */
  readonly pressure: number;
  /**
   * Radius of curvature of the way of that point round the cam, mm: positive where it bulges, negative where it is
   * hollow. Of a flat face it is that of the cam itself.
   */
  readonly curvature: number;
}

const cross = (a: Point, b: Point): number => a.x * b.y - a.y * b.x;

/** The contact at an angle of the cam; see CamContact. Of a second cam: where the second roller touches it. */
export function camContact(shape: CamShape, theta: number, second = false): CamContact {
  if (shape.flat) return flatContact(shape, theta);
  const { at, rate, second: bend, along } = followed(shape, theta, second);
  // The point goes round the cam backwards: its way there is that against the ground less what the cam turns.
  const way = { x: rate.x + at.y, y: rate.y - at.x };
  const turn = { x: bend.x + rate.y, y: bend.y - rate.x };
  const size = Math.hypot(way.x, way.y) || 1e-12;
  const normal = { x: -way.y / size, y: way.x / size };
  const spin = cross(way, turn) / (size * size) - 1;
  const to = second ? { x: -along.x, y: -along.y } : along;
  return {
    ...{ at, normal },
    pressure: Math.abs(Math.atan2(cross(to, normal), to.x * normal.x + to.y * normal.y)),
    curvature: spin === 0 ? Infinity : -size / spin,
  };
}

/**
 * A flat face square to its slide, or through the axis of its arm: the cam is what all its faces leave over. With h the
 * distance of the face and φ the angle of its normal on the cam, it touches at h·n + h′·t, and h + h″ is the radius of
 * curvature.
 */
function flatContact(shape: CamShape, theta: number): CamContact {
  const [lift, rate, bend] = shape.lift(theta);
  const { way } = shape;
  if (way.kind === 'slide') {
    const h = shape.radius + lift;
    return { at: { x: h, y: -rate }, normal: { x: 1, y: 0 }, pressure: 0, curvature: h + bend };
  }
  const side = sideOf(shape);
  const gamma = restAngle(shape) + lift;
  const [s, c] = [Math.sin(gamma), Math.cos(gamma)];
  const turn = -side * rate - 1;
  const h = way.apart * s;
  const first = (way.apart * c * rate) / turn;
  const grown = way.apart * ((-s * rate * rate + c * bend) * turn + c * rate * side * bend);
  const normal = { x: s, y: side * c };
  return {
    at: { x: h * normal.x - first * normal.y, y: h * normal.y + first * normal.x },
    ...{ normal, pressure: 0 },
    curvature: turn < 0 ? h + grown / turn ** 3 : -Infinity,
  };
}
