import { flatten } from '../../ground/geometry/index.ts';
import { backConeHalf } from './bevel-patterns.ts';
import type { TeethSpec } from './teeth-spec.ts';

/** How deep below the roots the ring lies from which the flat back begins, modules. */
export const BELOW_ROOTS = 0.1;

/** Height of a cone's apex over the flat back that begins `root` from the back cone's apex, mm. */
export const apexOver = (root: number, coneDistance: number, pitchAngle: number): number =>
  coneDistance / Math.cos(pitchAngle) - root * Math.sin(pitchAngle);

/** Height of the apex of a bevel's cone over its bed face, mm; undefined for other teeth. */
export function bevelApex(teeth: TeethSpec | undefined, chordError: number): number | undefined {
  if (teeth?.family !== 'bevel') return undefined;
  const half = backConeHalf(teeth.spec, teeth.cone, chordError);
  if (!half.ok) return undefined;
  const near = Math.min(
    ...flatten({ ...half.value, closed: false }, chordError).map(p => Math.hypot(p.x, p.y)),
  );
  const coneDistance = teeth.cone.pitchDiameter / 2 / Math.sin(teeth.cone.pitchAngle);
  return apexOver(near - BELOW_ROOTS * teeth.spec.module, coneDistance, teeth.cone.pitchAngle);
}
