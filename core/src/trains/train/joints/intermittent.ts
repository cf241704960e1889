import { rational } from '../../../ground/rational/index.ts';
import type { JointLaw, JointOf } from './joint-law.ts';
import { pairLaw } from './mean-laws.ts';
import type { Standing } from './standing.ts';

const FULL = 2 * Math.PI;

/**
 * How far an external Geneva wheel of n slots has turned, against its driver, when the driver has turned by θ, the pin
 * entering its slot at 90° − 180°/n before the line of centres (θ = 180°): tan β = λ sin α / (1 − λ cos α), λ =
 * sin(π/n) (Machinery's Handbook, Geneva motion; from memory). Radians, in whole steps and parts of one.
 */
export function genevaAngle(theta: number, slots: number): number {
  const reach = Math.PI / 2 - Math.PI / slots;
  const cycle = Math.floor(theta / FULL);
  const alpha = theta - cycle * FULL - Math.PI;
  const lambda = Math.sin(Math.PI / slots);
  const half = Math.PI / slots;
  const beta =
    Math.abs(alpha) >= reach
      ? Math.sign(alpha) * half
      : Math.atan2(lambda * Math.sin(alpha), 1 - lambda * Math.cos(alpha));
  return cycle * 2 * half + beta + half;
}

/**
 * How far a wheel has turned that is moved evenly by `step` of a turn during the last `during` of each turn of its
 * driver. Radians.
 */
export function stepAngle(theta: number, step: number, during: number): number {
  const cycle = Math.floor(theta / FULL);
  const part = theta / FULL - cycle;
  return FULL * step * (cycle + Math.max(0, (part - (1 - during)) / during));
}

/** A carry, a half gear, a Geneva wheel: so much of a turn for each turn of the driver, in a part of that turn. */
export const intermittent: JointLaw<'intermittent'> = {
  mean: (frames, joint) => {
    const [steps, of] = joint.step;
    const sign = joint.type === 'counter carry' ? -1 : 1;
    const [driver, driven] = [rational(sign * steps), rational(of)];
    const e = pairLaw(frames, joint.id, [joint.driver, driver], [joint.driven, driven]);
    return e && [{ ...e, uneven: true }];
  },
  leads: joint => [joint.driver],
  moves: joint => joint.driven,
  off: stepsOff,
  repeats: () => 1,
  memory: false,
};

function stepsOff(joint: JointOf<'intermittent'>, at: Standing): number {
  const theta = at.coordinate(joint.driver);
  const [steps, of] = joint.step;
  const step = steps / of;
  const mean = step * theta;
  if (joint.type === 'geneva' && steps === 1 && of >= 3) return -of * (genevaAngle(theta, of) - mean);
  const during = joint.type === 'half gear' ? 0.5 : Math.min(1, step);
  const sign = joint.type === 'counter carry' ? 1 : -1;
  return sign * of * (stepAngle(theta, step, during) - mean);
}
