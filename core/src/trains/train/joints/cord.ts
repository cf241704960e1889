import type { JointLaw, JointOf } from './joint-law.ts';
import { swings } from './mean-laws.ts';
import { crankWay } from './crank.ts';
import type { Standing } from './standing.ts';

/**
 * A cord from a pin through a fixed eye to a slide. What the pin takes up is gone from the other side: the slide stands
 * as far from the eye as the length less the way from the pin to the eye. Plain geometry, the cord taken as straight,
 * without stretch, and always drawn tight.
 */
export const cord: JointLaw<'cord'> = {
  mean: (frames, joint) =>
    frames.member(joint.slide)?.kind === 'slide' ? [swings(joint.id, joint.slide)] : undefined,
  leads: joint => [joint.pin.member],
  moves: joint => joint.slide,
  pins: joint => [joint.pin],
  off: (joint, at) => {
    const left = cordLeft(joint, at);
    if (left === undefined) return 0;
    const way = crankWay(joint.eye.along, joint.eye.aside, left, joint.other !== true);
    return (2 * Math.PI * way) / at.pitch(joint.slide);
  },
  closes: (joint, at) => {
    const left = cordLeft(joint, at);
    return left === undefined || left >= Math.abs(joint.eye.aside) - 1e-9;
  },
  transmission: (joint, at) => {
    const left = cordLeft(joint, at);
    return left === undefined || left <= 0
      ? undefined
      : Math.acos(Math.min(1, Math.abs(joint.eye.aside) / left));
  },
  repeats: () => 1,
  memory: false,
};

/** How much of the cord is left between the eye and the slide, mm. */
export function cordLeft(joint: JointOf<'cord'>, at: Standing): number | undefined {
  const [pin, line] = [at.pin(joint.pin), at.line(joint.slide)];
  if (!pin || !line) return undefined;
  const [dx, dy] = [pin.x - line.at.x, pin.y - line.at.y];
  const [c, s] = [Math.cos(line.angle), Math.sin(line.angle)];
  return joint.length - Math.hypot(dx * c + dy * s - joint.eye.along, dy * c - dx * s - joint.eye.aside);
}
