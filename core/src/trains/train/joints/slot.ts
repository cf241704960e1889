import { direction } from '../../../ground/geometry/index.ts';
import { radians } from '../../../ground/units/index.ts';
import type { JointLaw, JointOf } from './joint-law.ts';
import { type Turned, turnedLaw, turnedOff } from './turned-to.ts';

const turnedOf = (joint: JointOf<'slot'>): Turned => ({
  ...{ id: joint.id, pin: joint.pin.member, driven: joint.driven },
  goes: joint.round ? 'round' : 'to and fro',
});

/**
 * A pin in the slot of an arm: the arm points from its own axis to the pin. It swings as a quick return where its axis
 * lies outside the pin's circle, and goes round with it, ahead and behind once a turn, where it lies inside (the pin
 * and slot of the uneven month: Freeth and others, Nature 444, 2006).
 */
export const slot: JointLaw<'slot'> = {
  mean: (frames, joint) => turnedLaw(frames, turnedOf(joint)),
  leads: joint => [joint.pin.member],
  moves: joint => joint.driven,
  pins: joint => [joint.pin],
  off: (joint, at) => {
    const [pin, axis] = [at.pin(joint.pin), at.axis(joint.driven)];
    return pin && axis ? turnedOff(turnedOf(joint), at, direction(axis, pin) - radians(joint.slotDeg)) : 0;
  },
  transmission: () => Math.PI / 2,
  repeats: () => 1,
  memory: false,
};
