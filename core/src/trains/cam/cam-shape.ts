import type { Joint } from '../../document/machine/index.ts';
import type { Point } from '../../ground/geometry/index.ts';
import { radians } from '../../ground/units/index.ts';
import { type Lift, liftOf } from './cam-motion.ts';

export type CamJoint = Extract<Joint, { kind: 'cam' }>;

/**
 * How a follower goes, seen from the cam's axis: a slide along x, so far to the left of the axis; an arm about an axis
 * on x, its roller to the left of x, or to the right (side −1). Lengths mm.
 */
export type FollowerWay =
  | { readonly kind: 'slide'; readonly offset: number }
  | { readonly kind: 'arm'; readonly apart: number; readonly arm: number; readonly side: 1 | -1 };

/** All that decides a cam and its follower; the cam's axis is the origin, and x goes as FollowerWay says. */
export interface CamShape {
  /** Lift at an angle to which the cam has turned, counter-clockwise: mm of a slide, radians of an arm. */
  readonly lift: Lift;
  /** From the axis to an edge, a face or a roller's rim at no lift, mm. */
  readonly radius: number;
  /** Radius of the roller; nought of a knife edge and a flat face, mm. */
  readonly roller: number;
  readonly flat: boolean;
  readonly way: FollowerWay;
}

/** The shape of a cam's joint for how its follower goes; its sense and its nought as conventions 17 say. */
export function camShape(joint: CamJoint, way: FollowerWay): CamShape {
  const lift = liftOf(joint.motion);
  const unit = way.kind === 'slide' ? 1 : Math.PI / 180;
  const [sense, phase] = [joint.clockwise ? -1 : 1, radians(joint.phaseDeg ?? 0)];
  return {
    lift: theta => {
      const [at, rate, second] = lift(sense * (theta + phase));
      return [unit * at, unit * sense * rate, unit * second];
    },
    ...{ radius: joint.radius, flat: joint.touch.kind === 'flat', way },
    roller: joint.touch.kind === 'roller' ? joint.touch.diameter / 2 : 0,
  };
}

/** A point of the follower and its first two derivatives by the cam's angle, against the ground. */
export interface Followed {
  readonly at: Point;
  readonly rate: Point;
  readonly second: Point;
  /** The direction in which it goes as it is lifted. */
  readonly along: Point;
}

/** From the cam's axis to the middle of a roller, an edge or a face at no lift, mm. */
export const pitchRadius = (shape: CamShape): number => shape.radius + shape.roller;

/** Whether the follower can stand at no lift at all: a line or an arm may not reach so near. */
export function reaches(shape: CamShape): boolean {
  const [{ way }, r] = [shape, pitchRadius(shape)];
  if (way.kind === 'slide') return shape.flat || Math.abs(way.offset) < r;
  if (shape.flat) return r < way.apart;
  return r < way.apart + way.arm && r > Math.abs(way.apart - way.arm);
}

/** The way of a slide from the foot of the cam's axis on its line, mm. */
export function slideWay(shape: CamShape, theta: number): number {
  const offset = shape.way.kind === 'slide' && !shape.flat ? shape.way.offset : 0;
  return Math.sqrt(Math.max(0, pitchRadius(shape) ** 2 - offset ** 2)) + shape.lift(theta)[0];
}

/** The angle at an arm's axis between the cam's axis and its roller, or its face, at no lift; radians. */
export function restAngle(shape: CamShape): number {
  const [{ way }, r] = [shape, pitchRadius(shape)];
  if (way.kind === 'slide') return 0;
  const [apart, arm] = [way.apart, way.arm];
  const cos = (apart * apart + arm * arm - r * r) / (2 * apart * arm);
  return shape.flat ? Math.asin(Math.min(1, r / apart)) : Math.acos(Math.max(-1, Math.min(1, cos)));
}

/** Where an arm points, radians from x. */
export const armAngle = (shape: CamShape, theta: number): number =>
  Math.PI - sideOf(shape) * (restAngle(shape) + shape.lift(theta)[0]);

export const sideOf = ({ way }: CamShape): 1 | -1 => (way.kind === 'arm' ? way.side : 1);

/**
 * The middle of the roller, or the edge, as the cam has turned by `theta`; of a second cam the roller opposite to it:
 * across the cam's axis on a slide, on a second arm to the other side on an arm.
 */
export function followed(shape: CamShape, theta: number, second = false): Followed {
  const { way } = shape;
  const [lift, rate, bend] = shape.lift(theta);
  if (way.kind === 'slide') {
    const back = second ? 2 * middleWay(shape) : 0;
    return {
      at: { x: slideWay(shape, theta) - back, y: shape.flat ? 0 : way.offset },
      rate: { x: rate, y: 0 },
      second: { x: bend, y: 0 },
      along: { x: 1, y: 0 },
    };
  }
  const side = way.side;
  const across = second ? 2 * (restAngle(shape) + middleLift(shape)) : 0;
  const angle = Math.PI - side * (restAngle(shape) + lift - across);
  const [c, s, l] = [Math.cos(angle), Math.sin(angle), way.arm];
  const [turn, turn2] = [-side * rate, -side * bend];
  return {
    at: { x: way.apart + l * c, y: l * s },
    rate: { x: -l * s * turn, y: l * c * turn },
    second: {
      x: -l * (c * turn * turn + s * turn2),
      y: -l * (s * turn * turn - c * turn2),
    },
    along: { x: side * s, y: -side * c },
  };
}

const STEPS = 360;
const middles = new WeakMap<Lift, number>();

/** The middle between the least and the most lift. */
function middleLift({ lift }: CamShape): number {
  const before = middles.get(lift);
  if (before !== undefined) return before;
  const all = Array.from({ length: STEPS }, (_, i) => lift((2 * Math.PI * i) / STEPS)[0]);
  const made = (Math.min(...all) + Math.max(...all)) / 2;
  middles.set(lift, made);
  return made;
}

const middleWay = (shape: CamShape): number =>
  slideWay({ ...shape, lift: () => [middleLift(shape), 0, 0] }, 0);
