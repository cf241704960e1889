import { div, floor, fraction, type Rational, toNumber } from '../../ground/rational/index.ts';
import type { DriveTurns } from './angle.ts';

/** Exact turns as whole ones and a part. */
export const exactTurns = (turns: Rational): DriveTurns => ({
  whole: floor(turns),
  part: toNumber(fraction(turns)),
});

/**
 * The turns that a drive of that period has made after so many seconds, before or after its start; exact to the
 * last step.
 */
export const turnsAfter = (seconds: Rational, driveSeconds: Rational): DriveTurns =>
  exactTurns(div(seconds, driveSeconds));

/** Turns as a decimal with twelve places, as it is kept in a pose: read again by `parseDecimal`. */
export function turnsText({ whole, part }: DriveTurns): string {
  const places = part.toFixed(12);
  const carried = places.startsWith('1')
    ? { whole: whole + 1n, places: '0.000000000000' }
    : { whole, places };
  // A part counts upwards also below nought: −1 and 0.25 is −0.75.
  if (carried.whole >= 0n || /^0\.0*$/.test(carried.places))
    return `${carried.whole}${carried.places.slice(1)}`;
  const up = (1 - part).toFixed(12);
  return up.startsWith('1') ? `${carried.whole}.000000000000` : `-${-(carried.whole + 1n)}${up.slice(1)}`;
}
