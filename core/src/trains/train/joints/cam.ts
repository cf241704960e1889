import type { JointLaw } from './joint-law.ts';
import { swings } from './mean-laws.ts';

const FULL = 2 * Math.PI;
const turned = (angle: number): number => angle - FULL * Math.floor(angle / FULL);

/** Lift of a follower at an angle of its cam, between the stated points, round the turn. Radians, mm. */
export function camLift(theta: number, lift: readonly (readonly [number, number])[]): number {
  const at = (turned(theta) * 180) / Math.PI;
  const points = [...lift].sort((a, b) => a[0] - b[0]);
  const [first, last] = [points[0], points.at(-1)];
  if (!first || !last) return 0;
  const after = points.findIndex(p => p[0] > at);
  const [from, to] =
    after === -1
      ? [last, [first[0] + 360, first[1]] as const]
      : after === 0
        ? [[last[0] - 360, last[1]] as const, first]
        : [points[after - 1] ?? first, points[after] ?? last];
  const span = to[0] - from[0];
  return span === 0 ? from[1] : from[1] + ((to[1] - from[1]) * (at - from[0])) / span;
}

/** A cam lifts a slide along its line, by how far the cam has turned. */
export const cam: JointLaw<'cam'> = {
  mean: (frames, joint) =>
    frames.member(joint.follower)?.kind === 'slide' ? [swings(joint.id, joint.follower)] : undefined,
  leads: joint => [joint.cam],
  moves: joint => joint.follower,
  off: (joint, at) => (FULL * camLift(at.coordinate(joint.cam), joint.lift)) / at.pitch(joint.follower),
  repeats: () => 1,
  memory: false,
};
