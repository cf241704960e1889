import type { SizeBy, Toothing, ToothSize } from '../../document/machine/index.ts';
import type { Derived, WheelState } from '../state/index.ts';

const tidy = (x: number, places = 4): number => Number(x.toFixed(places));

/** Half of a ring's outside, across the rim as it is made. */
const ringRadius = ({ teeth, dimensions }: WheelState): number | undefined =>
  'rim' in teeth ? dimensions.rootRadius + teeth.rim : undefined;

/**
 * The size that a toothing has now, said in another way: by a module or pitch, or by what a wheel or mesh (`at`)
 * measures, mm. Undefined where that has no such measure.
 */
export function sizedAs(by: SizeBy, at: string, toothing: Toothing, derived: Derived): ToothSize | undefined {
  const cos = Math.cos(((toothing.helixDeg ?? 0) * Math.PI) / 180);
  const normal = (derived.modules[toothing.id] ?? 1) * cos;
  const state = derived.wheels[at];
  switch (by) {
    case 'module':
      return { by, module: tidy(normal) };
    case 'diametral pitch':
      return { by, pitch: tidy(25.4 / normal) };
    case 'circular pitch':
      return { by, pitch: tidy(Math.PI * normal) };
    case 'outside diameter': {
      const made = state?.teeth.family === 'involute ring' ? ringRadius(state) : undefined;
      const radius = made ?? state?.involute?.theoreticalTipRadius ?? state?.dimensions.tipRadius;
      return radius ? { by, wheel: at, diameter: tidy(2 * radius, 3) } : undefined;
    }
    case 'root diameter': {
      const radius = state?.dimensions.rootRadius;
      return radius ? { by, wheel: at, diameter: tidy(2 * radius, 3) } : undefined;
    }
    case 'centre distance': {
      const distance = derived.meshes[at]?.theoreticalDistance;
      return distance ? { by, joint: at, distance: tidy(distance, 3) } : undefined;
    }
  }
}
