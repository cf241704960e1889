import { rational } from '../../../ground/rational/index.ts';
import type { Frames } from '../frames.ts';
import { pairLaw, swings } from './mean-laws.ts';
import type { JointLaws } from './joint-law.ts';
import type { Standing } from './standing.ts';
import { wrapped } from './triangle.ts';

/** An arbor that is turned by a pin: it swings, or goes round with the arbor of the pin or against it. */
export interface Turned {
  readonly id: string;
  /** The member that carries the pin, and the arbor that is turned. */
  readonly pin: string;
  readonly driven: string;
  readonly goes: 'to and fro' | 'round' | 'against';
}

/** Its mean law: nought where it swings, else turn for turn. Undefined where the pin goes round with no arbor. */
export function turnedLaw(frames: Frames, { id, pin, driven, goes }: Turned): JointLaws {
  if (frames.member(driven)?.kind !== 'arbor') return undefined;
  if (goes === 'to and fro') return [swings(id, driven)];
  if (frames.member(pin)?.kind !== 'arbor') return undefined;
  const e = pairLaw(frames, id, [pin, rational(goes === 'round' ? 1n : -1n)], [driven, rational(-1n)]);
  return e && [{ ...e, uneven: true }];
}

/**
 * The δ of that law when the arbor stands turned by `angle` against the ground: its own angle in its frame where it
 * swings, else by how much the other is ahead. Between −π and π, as each is uneven by less than half a turn.
 */
export function turnedOff({ pin, driven, goes }: Turned, at: Standing, angle: number): number {
  const own = angle - at.frameAngle(driven);
  if (goes === 'to and fro') return wrapped(own);
  return wrapped(goes === 'round' ? at.angle(pin) - angle : -at.angle(pin) - angle);
}
