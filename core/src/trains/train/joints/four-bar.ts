import { direction, distance, type Point } from '../../../ground/geometry/index.ts';
import { radians } from '../../../ground/units/index.ts';
import type { JointLaw, JointOf } from './joint-law.ts';
import type { Standing } from './standing.ts';
import { closesTriangle, nearestApex, sharpAngle } from './triangle.ts';
import { type Turned, turnedLaw, turnedOff } from './turned-to.ts';

const turnedOf = (joint: JointOf<'four-bar'>): Turned => ({
  ...{ id: joint.id, pin: joint.pin.member, driven: joint.to.member },
  goes: !joint.round
    ? 'to and fro'
    : joint.other && joint.pin.radius === joint.to.radius
      ? 'against'
      : 'round',
});

/**
 * A rod from a pin to a pin of another arbor. It keeps to the side on which it was put together: with the rod as long
 * as the axes are apart and pins equally far out it stays a parallelogram through its two dead points, or its mirror.
 * Source: Norton, Design of Machinery, position analysis of the four-bar; from memory.
 */
export const fourBar: JointLaw<'four-bar'> = {
  mean: (frames, joint) => turnedLaw(frames, turnedOf(joint)),
  leads: joint => [joint.pin.member],
  moves: joint => joint.to.member,
  pins: joint => [joint.pin, joint.to],
  rods: joint => [joint.rod],
  off: (joint, at) => {
    const found = parts(joint, at);
    if (!found) return 0;
    return turnedOff(turnedOf(joint), at, direction(found.axis, found.end) - radians(joint.to.angleDeg));
  },
  bars: (joint, at) => {
    const found = parts(joint, at);
    return found ? [{ link: joint.rod, centre: found.pin, angle: direction(found.pin, found.end) }] : [];
  },
  closes: (joint, at) => {
    const found = parts(joint, at);
    return !found || closesTriangle(distance(found.pin, found.axis), found.rod, joint.to.radius);
  },
  transmission: (joint, at) => {
    const found = parts(joint, at);
    return found && sharpAngle(found.end, found.pin, found.axis);
  },
  repeats: () => 1,
  memory: false,
};

interface Parts {
  readonly pin: Point;
  /** The axis of the arbor that is turned, and its pin. */
  readonly axis: Point;
  readonly end: Point;
  readonly rod: number;
}

function parts(joint: JointOf<'four-bar'>, at: Standing): Parts | undefined {
  const { to } = joint;
  const [pin, axis, rod] = [at.pin(joint.pin), at.axis(to.member), at.length(joint.rod)];
  if (!pin || !axis || rod === undefined) return undefined;
  return { pin, axis, rod, end: endOf(joint, at, pin, axis, rod) };
}

/** Where the far end of the rod stands. */
function endOf(joint: JointOf<'four-bar'>, at: Standing, pin: Point, axis: Point, rod: number): Point {
  const { to } = joint;
  const own = at.axis(joint.pin.member);
  const even =
    own && joint.pin.radius === to.radius && Math.abs(distance(own, axis) - rod) < 1e-9 * rod
      ? own
      : undefined;
  if (!even) return nearestApex(pin, axis, rod, to.radius, !joint.other);
  const end = { x: pin.x + axis.x - even.x, y: pin.y + axis.y - even.y };
  return joint.other ? mirrored(end, pin, axis) : end;
}

/** A point in the mirror of the line through two others. */
function mirrored(p: Point, a: Point, b: Point): Point {
  const [dx, dy] = [b.x - a.x, b.y - a.y];
  const square = dx * dx + dy * dy;
  if (square === 0) return p;
  const t = ((p.x - a.x) * dx + (p.y - a.y) * dy) / square;
  return { x: 2 * (a.x + t * dx) - p.x, y: 2 * (a.y + t * dy) - p.y };
}
