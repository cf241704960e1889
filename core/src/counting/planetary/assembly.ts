import { gcd } from '../../ground/rational/index.ts';
import type { PlanetarySet } from './set.ts';

/** Where the planets of a set can stand, and whether they touch. Angles in degrees from the first planet. */
export interface Assembly {
  /** Whether equally spaced planets go together: (sun + ring) / planets is whole. */
  readonly equal: boolean;
  readonly anglesDeg: readonly number[];
  /** Numbers of planets from 2 up that go together equally spaced and do not touch. */
  readonly fits: readonly number[];
  /** Least gap between the tips of two neighbouring planets in modules; below 0 they strike. */
  readonly gap: number;
  /** Whether every planet is at the same place in its teeth when it meets the sun: then wear repeats. */
  readonly hunting: boolean;
}

/**
 * Planets go together at multiples of 360°/(sun + ring) from the first (Müller, Die Umlaufgetriebe, 1971; Machinery's
 * Handbook, planetary gearing; from memory). Equal spacing needs (sun + ring)/n whole; otherwise each takes the nearest
 * of those places. Two neighbours at an angle φ are 2a·sin(φ/2) apart, a = (sun + planet)/2, and reach planet/2 + 1
 * each, all in modules.
 */
export function assemblyOf(set: PlanetarySet): Assembly {
  const places = set.sun + set.ring;
  const anglesDeg = Array.from(
    { length: set.planets },
    (_, k) => (Math.round((k * places) / set.planets) * 360) / places,
  );
  const fits = Array.from({ length: 11 }, (_, i) => i + 2).filter(
    n => places % n === 0 && gapAt(set, 360 / n) > 0,
  );
  return {
    equal: places % set.planets === 0,
    anglesDeg,
    fits,
    gap: leastGap(set, anglesDeg),
    hunting:
      gcd(BigInt(set.sun), BigInt(set.planet)) === 1n && gcd(BigInt(set.ring), BigInt(set.planet)) === 1n,
  };
}

function leastGap(set: PlanetarySet, anglesDeg: readonly number[]): number {
  if (anglesDeg.length < 2) return Infinity;
  const steps = anglesDeg.map((a, i) => (anglesDeg[i + 1] ?? 360) - a);
  return Math.min(...steps.map(step => gapAt(set, step)));
}

/** Gap between the tips of two planets that stand so many degrees apart, in modules. */
export function gapAt({ sun, planet }: PlanetarySet, stepDeg: number): number {
  return (sun + planet) * Math.sin((stepDeg * Math.PI) / 360) - planet - 2;
}
