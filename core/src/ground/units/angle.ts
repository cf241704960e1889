/** Radians of an angle in degrees. */
export const radians = (degrees: number): number => (degrees * Math.PI) / 180;

/** Degrees of an angle in radians. */
export const degrees = (rad: number): number => (rad * 180) / Math.PI;

/** The same angle in (−π, π]. */
export function wrapAngle(rad: number): number {
  const turn = 2 * Math.PI;
  const r = rad - turn * Math.floor(rad / turn);
  return r > Math.PI ? r - turn : r;
}

/** The cosine of an angle in degrees. */
export const cosDeg = (deg: number): number => Math.cos(radians(deg));
