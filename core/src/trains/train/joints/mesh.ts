import type { MeshJoint } from '../../../document/machine/index.ts';
import { rational } from '../../../ground/rational/index.ts';
import type { Frames } from '../frames.ts';
import type { RateEquation } from '../rate-equation.ts';
import { EVEN, type JointLaw } from './joint-law.ts';
import { one, pairLaw, wheelLaw } from './mean-laws.ts';

/** Two wheels in engagement: ratios are by counts, the sense by how the two stand. */
export const mesh: JointLaw<'mesh'> = {
  ...EVEN,
  mean: (frames, joint) =>
    one(
      joint.type === 'rack'
        ? rackLaw(frames, joint)
        : wheelLaw(frames, joint.id, joint.a, joint.b, reverses(frames, joint)),
    ),
};

/**
 * Whether a mesh turns the sense. External wheels do, rings do not. Bevels and pegs do when both stand on the side to
 * which their axes point (or both on the other), seen from where the axes meet: at the common line of contact
 * ω_a × c = ω_b × c. A right-handed worm turns a wheel on its right, as it points, forwards: its thread moves the
 * teeth by −lead along its axis; a left-handed worm, or a wheel on its left, the other way. Crossed helical wheels
 * follow the worm.
 */
function reverses(frames: Frames, { type, a, b, opposite }: MeshJoint): boolean {
  const turned = opposite === true;
  switch (type) {
    case 'bevel':
    case 'pegs':
      return !turned;
    case 'worm':
    case 'crossed': {
      const left = (frames.wheel(a)?.hand ?? frames.wheel(b)?.hand) === 'left';
      return left !== turned;
    }
    case 'internal':
    case 'reducer':
      return false;
    case 'external':
    case 'rack':
    case 'non-circular':
      return true;
  }
}

/**
 * Teeth of the rack pass as teeth of the pinion do: z·ω − v = 0, v in teeth per turn, forwards on the pinion's
 * right.
 */
function rackLaw(frames: Frames, { id, a, b, opposite }: MeshJoint): RateEquation | 'open' | undefined {
  const slides = (w: string): boolean => frames.member(frames.wheel(w)?.member ?? '')?.kind === 'slide';
  const [rack, pinion] = slides(a) ? [a, b] : [b, a];
  const [wheel, slide, z] = [frames.wheel(pinion), frames.wheel(rack), frames.count(pinion)];
  if (!wheel || !slide || !slides(rack) || slides(pinion)) return undefined;
  if (z === undefined) return 'open';
  return pairLaw(
    frames,
    id,
    [wheel.member, rational(z)],
    [slide.member, rational(opposite === true ? 1n : -1n)],
  );
}
