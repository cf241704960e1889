import { direction, distance } from '../../../ground/geometry/index.ts';
import { radians } from '../../../ground/units/index.ts';
import { armAngle, camContact, camShape, type CamShape, reaches, slideWay } from '../../cam/index.ts';
import type { JointLaw, JointOf } from './joint-law.ts';
import { swings } from './mean-laws.ts';
import type { Standing } from './standing.ts';
import { type Turned, turnedLaw, turnedOff } from './turned-to.ts';

const turnedOf = (joint: JointOf<'cam'>): Turned => ({
  ...{ id: joint.id, pin: joint.cam, driven: joint.follower, goes: 'to and fro' },
});

/** A cam moves a slide along its line, or swings an arm, by how far it has turned in the follower's frame. */
export const cam: JointLaw<'cam'> = {
  mean: (frames, joint) =>
    frames.member(joint.follower)?.kind === 'slide'
      ? [swings(joint.id, joint.follower)]
      : turnedLaw(frames, turnedOf(joint)),
  leads: joint => [joint.cam],
  moves: joint => joint.follower,
  pins: joint =>
    joint.arm && joint.touch.kind !== 'flat'
      ? [{ member: joint.follower, radius: joint.arm.length, angleDeg: joint.arm.angleDeg }]
      : [],
  off: (joint, at) => {
    const found = camAt(joint, at);
    if (!found) return 0;
    const { shape, theta, base } = found;
    if (found.foot !== undefined)
      return (2 * Math.PI * (found.foot + slideWay(shape, theta))) / at.pitch(joint.follower);
    return turnedOff(turnedOf(joint), at, base + armAngle(shape, theta) - radians(joint.arm?.angleDeg ?? 0));
  },
  closes: (joint, at) => {
    const found = camAt(joint, at);
    return !found || reaches(found.shape);
  },
  transmission: (joint, at) => {
    const found = camAt(joint, at);
    return found && Math.PI / 2 - camContact(found.shape, found.theta).pressure;
  },
  repeats: () => 1,
  memory: false,
};

/** A cam as it stands: its shape, how far it has turned against it, and where the shape's x points. */
export interface CamAt {
  readonly shape: CamShape;
  readonly theta: number;
  /** Radians against the ground. */
  readonly base: number;
  /** Of a slide: the foot of the cam's axis on its line, mm from where its way is measured. */
  readonly foot: number | undefined;
}

/** Undefined where a thing stands nowhere known, or an arm has no length or no distance from the cam. */
export function camAt(joint: JointOf<'cam'>, at: Standing): CamAt | undefined {
  const axis = at.axis(joint.cam);
  if (!axis) return undefined;
  const own = at.angle(joint.cam) - at.frameAngle(joint.follower);
  const line = at.line(joint.follower);
  if (line) {
    const [dx, dy] = [axis.x - line.at.x, axis.y - line.at.y];
    const [c, s] = [Math.cos(line.angle), Math.sin(line.angle)];
    const shape = shapeOf(joint, { kind: 'slide', offset: dx * s - dy * c });
    return { shape, theta: own, base: line.angle, foot: dx * c + dy * s };
  }
  const pivot = at.axis(joint.follower);
  if (!pivot || !joint.arm) return undefined;
  const apart = distance(axis, pivot);
  if (apart < 1e-9) return undefined;
  const way = { kind: 'arm', apart, arm: joint.arm.length, side: joint.other ? -1 : 1 } as const;
  return { shape: shapeOf(joint, way), theta: own, base: direction(axis, pivot), foot: undefined };
}

const shapes = new WeakMap<object, { readonly key: string; readonly shape: CamShape }>();

/** The shape of a joint, made again only when its follower goes otherwise. */
function shapeOf(joint: JointOf<'cam'>, way: CamShape['way']): CamShape {
  const key = JSON.stringify(way);
  const known = shapes.get(joint);
  if (known?.key === key) return known.shape;
  const shape = camShape(joint, way);
  shapes.set(joint, { key, shape });
  return shape;
}
