import { type Point, rotate } from '../../ground/geometry/index.ts';
import { type CamJoint, type CamLine, camOutline, type CamShape } from '../../trains/cam/index.ts';
import { camAt } from '../../trains/train/index.ts';
import { AT_REST } from './angle.ts';
import { type Moving, standsAt } from './moving.ts';

/** A cam as it is drawn and made: its lines about its axis, turning with its member. mm. */
export interface CamFigure {
  readonly joint: CamJoint;
  readonly shape: CamShape;
  readonly lines: readonly { readonly line: CamLine; readonly points: readonly Point[] }[];
}

/** Places round a turn at which cams are drawn; those that are made have more. */
const DRAWN = 360;
const outlines = new WeakMap<CamShape, Readonly<Record<string, CamFigure['lines']>>>();

/** Which lines a cam has, by what keeps its follower on it. */
export const camLines = ({ kept, touch }: CamJoint): readonly CamLine[] => {
  if (touch.kind !== 'roller') return ['cam'];
  if (kept.kind === 'groove') return ['cam', 'far wall'];
  return kept.kind === 'second cam' ? ['cam', 'second cam'] : ['cam'];
};

/** The figures of a machine's cams; those whose follower has no place, or does not reach, are left out. */
export function camFigures(moving: Moving, steps = DRAWN): CamFigure[] {
  const stands = standsAt(moving, AT_REST);
  return moving.machine.joints.flatMap((joint): CamFigure[] => {
    if (joint.kind !== 'cam') return [];
    const at = camAt(joint, stands);
    if (!at) return [];
    // The cam lies in its own frame as it would against the follower's at no turn.
    const spin = at.base - stands.frameAngle(joint.follower);
    const key = `${steps} ${spin} ${camLines(joint).join()}`;
    const known = outlines.get(at.shape)?.[key];
    const lines =
      known ??
      camLines(joint).map(line => ({
        line,
        points: camOutline(at.shape, line, steps).map(p => rotate(p, spin)),
      }));
    if (!known) outlines.set(at.shape, { ...outlines.get(at.shape), [key]: lines });
    return [{ joint, shape: at.shape, lines }];
  });
}
