import { radians } from '../../ground/units/index.ts';
import type { InvoluteForm } from '../../document/machine/index.ts';

/** One of two straight bevels; angles in radians, lengths in mm at the large end. */
export interface BevelCone {
  readonly count: number;
  readonly pitchDiameter: number;
  readonly pitchAngle: number;
  readonly faceAngle: number;
  readonly rootAngle: number;
  readonly outsideDiameter: number;
  /** From the apex of the pitch cone to the plane of the outside circle. */
  readonly apexToCrown: number;
  /** Teeth that a full circle of the developed back cone would hold (Tredgold): z / cos δ. */
  readonly virtualCount: number;
}

/** A pair of straight bevels whose pitch cones share an apex. */
export interface BevelPair {
  readonly cones: readonly [BevelCone, BevelCone];
  /** Length of the pitch cones along their side, mm; infinite for parallel shafts. */
  readonly coneDistance: number;
}

/**
 * Pitch angles by tan δ₁ = sin Σ / (z₂/z₁ + cos Σ); cone distance R = d / (2 sin δ); face and root angles by the
 * angles that addendum and dedendum take at that distance; d_a = d + 2h_a·m·cos δ. A shaft angle of nought gives
 * spur wheels. Source:
 * Litvin & Fuentes, Gear Geometry and Applied Theory, ch. 20; Machinery's Handbook, bevel gearing. 20 and 40 at
 * 90°: 26.565°.
 */
export function bevelPair(
  module: number,
  counts: readonly [number, number],
  shaftAngleDeg: number,
  form: Pick<InvoluteForm, 'addendum' | 'dedendum'>,
): BevelPair {
  const sigma = radians(shaftAngleDeg);
  const angle = (own: number, other: number): number =>
    Math.atan2(Math.sin(sigma), other / own + Math.cos(sigma));
  const delta = angle(counts[0], counts[1]);
  const coneDistance = delta === 0 ? Infinity : (module * counts[0]) / (2 * Math.sin(delta));
  const cone = (count: number, pitchAngle: number): BevelCone => {
    const pitchDiameter = module * count;
    const [up, down] = [form.addendum * module, form.dedendum * module];
    return {
      ...{ count, pitchDiameter, pitchAngle },
      faceAngle: pitchAngle + Math.atan(up / coneDistance),
      rootAngle: pitchAngle - Math.atan(down / coneDistance),
      outsideDiameter: pitchDiameter + 2 * up * Math.cos(pitchAngle),
      apexToCrown: coneDistance * Math.cos(pitchAngle) - up * Math.sin(pitchAngle),
      virtualCount: count / Math.cos(pitchAngle),
    };
  };
  return { coneDistance, cones: [cone(counts[0], delta), cone(counts[1], angle(counts[1], counts[0]))] };
}

/**
 * The greatest face width that is usual: a third of the cone distance, and no more than ten modules. Source:
 * Machinery's Handbook (from memory).
 */
export const usualFaceWidth = (coneDistance: number, module: number): number =>
  Math.min(coneDistance / 3, 10 * module);
