import { ahead } from './mean-longitude.ts';
import type { Place3 } from './orbit.ts';

/** A planet as it is seen from the Earth. Degrees. */
export interface SeenFromEarth {
  /** Its longitude less the Sun’s, from −180 to 180: positive east of the Sun, an evening star. */
  readonly elongation: number;
  /** The part of its disc that is lit, from 0 to 1. */
  readonly lit: number;
}

const deg = (rad: number): number => (rad * 180) / Math.PI;

/**
 * Elongation in longitude and lit part of a planet, both places from the Sun. Lit: k = (1 + cos i) / 2 with cos i =
 * (r² + Δ² − R²) / 2rΔ (Meeus, ch. 41).
 */
export function seenFromEarth(planet: Place3, earth: Place3): SeenFromEarth {
  const [x, y, z] = [planet.x - earth.x, planet.y - earth.y, planet.z - earth.z];
  const [r, delta, big] = [norm(planet), Math.hypot(x, y, z), norm(earth)];
  const cos = (r * r + delta * delta - big * big) / (2 * r * delta);
  const sun = deg(Math.atan2(-earth.y, -earth.x));
  return { elongation: ahead(deg(Math.atan2(y, x)), sun), lit: (1 + cos) / 2 };
}

const norm = (p: Place3): number => Math.hypot(p.x, p.y, p.z);
