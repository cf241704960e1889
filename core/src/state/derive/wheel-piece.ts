import { circleCount, processOf, teethOutside, type Wheel } from '../../document/machine/index.ts';
import { dividesInto, fitAllowance, pieceOf, type WheelPiece } from '../../teeth/body/index.ts';
import { fusedParts, onePieces } from '../../place/layout/index.ts';
import type { Result } from '../../ground/result/index.ts';
import type { Derived } from '../state/index.ts';
import { dividesFlat } from '../judge/index.ts';
import { wheelPlane } from './wheel-plane.ts';

type Facts = Parameters<typeof wheelPlane>[0] & Pick<Derived, 'layout'>;

/**
 * The piece of a wheel that is made in several; undefined for one that is made whole: that is not divided, not evenly,
 * has teeth of more than a plane figure, or is one piece with its arbor.
 */
export function wheelPiece(derived: Facts, wheel: Wheel): Result<WheelPiece> | undefined {
  const { divided } = wheel;
  const count = circleCount(wheel);
  const state = derived.wheels[wheel.id];
  const { machine, layout } = derived;
  const outside = teethOutside(machine, wheel);
  if (!divided || !state || !dividesFlat(state) || count === undefined) return undefined;
  if (!dividesInto(wheel, divided.pieces, outside && circleCount(outside))) return undefined;
  if (fusedParts(onePieces(machine, layout.pieces)).has(wheel.id)) return undefined;
  const plane = wheelPlane(derived, wheel);
  if (!plane.ok) return plane;
  const play = fitAllowance('sliding', processOf(machine, wheel.id)?.fits) / 2;
  return pieceOf(plane.value, count, divided, play);
}
