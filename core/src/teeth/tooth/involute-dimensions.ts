import { radians } from '../../ground/units/index.ts';
import { inv } from './involute-function.ts';
import type { ToothSpec } from './tooth-spec.ts';

/** The circles and thicknesses of an external involute wheel; radii and lengths in mm, angles in radians. */
export interface InvoluteDimensions {
  readonly pressureAngle: number;
  readonly pitchRadius: number;
  readonly baseRadius: number;
  /** The tip as it is made: where flanks would meet below the theoretical tip circle, their meeting point. */
  readonly tipRadius: number;
  readonly theoreticalTipRadius: number;
  readonly rootRadius: number;
  /** Arc thickness of the tooth along the pitch circle, play taken. */
  readonly thickness: number;
  /** Half the angle that the tooth takes at the base circle (where both flanks start, extended). */
  readonly halfAngleAtBase: number;
  /** Arc thickness at the tip circle; nought for a pointed tooth. */
  readonly tipThickness: number;
}

/**
 * Diameters by ISO 21771: d = m·z; d_b = d·cos α; d_a = d + 2m(h_a + x + k); d_f = d − 2m(h_f − x);
 * thickness s = m(π/2 + 2x·tan α) less the thinning. m = 2, z = 20, 20°: d_a = 44, d_f = 35.
 */
export function involuteDimensions(spec: ToothSpec): InvoluteDimensions {
  const { form, module: m, count, shift } = spec;
  const pressureAngle = radians(form.pressureAngleDeg);
  const pitchRadius = (m * count) / 2;
  const baseRadius = pitchRadius * Math.cos(pressureAngle);
  const theoreticalTipRadius = pitchRadius + m * (form.addendum + shift + spec.shortening);
  const rootRadius = pitchRadius - m * (form.dedendum - shift);
  const thickness = m * (Math.PI / 2 + 2 * shift * Math.tan(pressureAngle)) - spec.thinning;
  const halfAngleAtBase = thickness / (2 * pitchRadius) + inv(pressureAngle);
  const tipRadius = Math.min(theoreticalTipRadius, pointedRadius(baseRadius, halfAngleAtBase));
  const tipThickness = Math.max(0, 2 * tipRadius * halfAngleAt(tipRadius, baseRadius, halfAngleAtBase));
  return {
    pressureAngle,
    pitchRadius,
    baseRadius,
    tipRadius,
    theoreticalTipRadius,
    rootRadius,
    thickness,
    halfAngleAtBase,
    tipThickness: tipRadius < theoreticalTipRadius ? 0 : tipThickness,
  };
}

/** Half the angle of the tooth at a radius at or above the base circle: ψ_b − inv(arccos(r_b / r)). */
export function halfAngleAt(radius: number, baseRadius: number, halfAngleAtBase: number): number {
  return halfAngleAtBase - inv(Math.acos(Math.min(1, baseRadius / radius)));
}

/** The radius at which the two flanks of a tooth would meet: inv(arccos(r_b / r)) = ψ_b. */
function pointedRadius(baseRadius: number, halfAngleAtBase: number): number {
  if (halfAngleAtBase <= 0) return baseRadius;
  let low = 0;
  let high = Math.PI / 2 - 1e-9;
  for (let i = 0; i < 100; i++) {
    const middle = (low + high) / 2;
    if (inv(middle) < halfAngleAtBase) low = middle;
    else high = middle;
  }
  return baseRadius / Math.cos(low);
}
