import { degrees, radians } from '../../ground/units/index.ts';
import type { ToothSpec } from './tooth-spec.ts';

/** Transverse module: m_t = m_n / cos β. Source: ISO 21771. 2 at 30°: 2.3094. Nought degrees: the same. */
export const transverseModule = (normalModule: number, helixDeg: number): number =>
  normalModule / Math.cos(radians(helixDeg));

/** Transverse pressure angle in degrees: tan α_t = tan α_n / cos β. Source: ISO 21771. 20° at 30°: 22.796°. */
export const transverseAngleDeg = (normalAngleDeg: number, helixDeg: number): number =>
  degrees(Math.atan(Math.tan(radians(normalAngleDeg)) / Math.cos(radians(helixDeg))));

/**
 * The teeth in the plane across the axis of a helical wheel given in the normal plane: module and angle transverse,
 * depths and shift the same lengths in more modules. `spec.module` is the normal one. A helix of nought leaves it
 * as it is.
 */
export function transverseSpec(spec: ToothSpec, helixDeg: number): ToothSpec {
  if (helixDeg === 0) return spec;
  const cos = Math.cos(radians(helixDeg));
  const { form } = spec;
  return {
    ...spec,
    module: transverseModule(spec.module, helixDeg),
    shift: spec.shift * cos,
    shortening: spec.shortening * cos,
    form: {
      ...form,
      pressureAngleDeg: transverseAngleDeg(form.pressureAngleDeg, helixDeg),
      addendum: form.addendum * cos,
      dedendum: form.dedendum * cos,
      fillet: form.fillet * cos,
      ...(form.tip ? { tip: { ...form.tip, size: form.tip.size * cos } } : {}),
    },
  };
}

/** Lead in mm, the rise of a tooth in a whole turn: π·d / tan β. Infinite for a spur wheel. */
export const leadOf = (pitchDiameter: number, helixDeg: number): number =>
  (Math.PI * pitchDiameter) / Math.tan(radians(helixDeg));

/** Overlap ratio of helical teeth: face width over axial pitch, ε_β = b·sin β / (π·m_n). Source: ISO 21771. */
export const overlapRatio = (faceWidth: number, normalModule: number, helixDeg: number): number =>
  (faceWidth * Math.sin(radians(helixDeg))) / (Math.PI * normalModule);

/** Axial thrust for each unit of tangential force: tan β; none where two helices oppose. */
export const thrustShare = (helixDeg: number, double: boolean): number =>
  double ? 0 : Math.tan(radians(helixDeg));

/**
 * Which way along its own axis a helical wheel is pushed: +1 along it. A right-hand driver that turns positively,
 * like a screw in a nut that will not yield, is pushed forwards; its mate, of the other hand and turning the other
 * way, back.
 */
export function thrustSense(hand: 'left' | 'right', turns: 1 | -1, drives: boolean): 1 | -1 {
  const screw = (hand === 'right' ? 1 : -1) * turns;
  return (drives ? screw : -screw) as 1 | -1;
}
