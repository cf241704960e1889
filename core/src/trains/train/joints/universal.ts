import { radians } from '../../../ground/units/index.ts';
import type { JointLaw } from './joint-law.ts';
import { equalLaw } from './mean-laws.ts';

const FULL = 2 * Math.PI;

/**
 * Angle of the driven shaft of a universal joint when the driving one, whose fork starts square to the plane of the
 * bend, has turned by θ: tan φ = tan θ · cos β, so it runs ahead and behind by up to δ with tan δ = (1 − cos
 * β)/(2√cos β), twice a turn. Radians. Source: Machinery's Handbook, universal joints; from memory.
 */
export function universalAngle(theta: number, bend: number): number {
  const whole = FULL * Math.round(theta / FULL);
  const rest = theta - whole;
  return whole + Math.atan2(Math.sin(rest) * Math.cos(bend), Math.cos(rest));
}

/** Two bent shafts: alike in the mean, each along its own line; within a turn by where the driving fork stands. */
export const universal: JointLaw<'universal'> = {
  mean: (frames, joint) => {
    const e = equalLaw(frames, joint.id, joint.a, joint.b);
    return e && [{ ...e, uneven: true }];
  },
  leads: joint => [joint.a],
  moves: joint => joint.b,
  off: (joint, at) => {
    const [theta, fork] = [at.coordinate(joint.a), radians(joint.forkDeg ?? 0)];
    const bend = radians(joint.bendDeg ?? 0);
    return theta - (universalAngle(theta + fork, bend) - universalAngle(fork, bend));
  },
  repeats: () => 0.5,
  memory: false,
};
