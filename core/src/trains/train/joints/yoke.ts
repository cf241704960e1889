import type { JointLaw } from './joint-law.ts';
import { swings } from './mean-laws.ts';

/**
 * A pin in a slot square across a slide: the slide stands where the pin does along its line, a sine without error.
 * Source: Norton, Design of Machinery, the Scotch yoke; from memory.
 */
export const yoke: JointLaw<'yoke'> = {
  mean: (frames, joint) =>
    frames.member(joint.slide)?.kind === 'slide' ? [swings(joint.id, joint.slide)] : undefined,
  leads: joint => [joint.pin.member],
  moves: joint => joint.slide,
  pins: joint => [joint.pin],
  off: (joint, at) => {
    const [pin, line] = [at.pin(joint.pin), at.line(joint.slide)];
    if (!pin || !line) return 0;
    const way = (pin.x - line.at.x) * Math.cos(line.angle) + (pin.y - line.at.y) * Math.sin(line.angle);
    return (2 * Math.PI * way) / at.pitch(joint.slide);
  },
  transmission: () => Math.PI / 2,
  repeats: () => 1,
  memory: false,
};
