import type { Joint, Pin } from '../../document/machine/types.ts';
import { type Edit, patch } from './patch.ts';

/** Changes every pin of a joint that stands on a turning member. */
export const changePins = (id: string, change: (pin: Pin) => Pin): Edit =>
  patch('joints', id, joint => withPins(joint, change));

/** A joint with its pins changed. */
export function withPins(joint: Joint, change: (pin: Pin) => Pin): Joint {
  switch (joint.kind) {
    case 'crank':
    case 'yoke':
    case 'slot':
    case 'cord':
      return { ...joint, pin: change(joint.pin) };
    case 'four-bar':
      return { ...joint, pin: change(joint.pin), to: change(joint.to) };
    case 'two rods':
      return { ...joint, a: change(joint.a), b: change(joint.b) };
    case 'mesh':
    case 'chain':
    case 'friction':
    case 'drum':
    case 'cam':
    case 'universal':
    case 'pins in holes':
    case 'ratchet':
    case 'slip':
    case 'clutch':
    case 'intermittent':
      return joint;
  }
}
