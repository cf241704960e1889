import {
  absolute,
  compare,
  div,
  isZero,
  mul,
  type Rational,
  rational,
  toNumber,
} from '../../ground/rational/index.ts';
import type { AimState } from '../state/index.ts';

/** How an output drifts as time goes on: a straight line, as long as the drive is true. */
export interface DriftCourse {
  /** Degrees gained in a day, signed, exact. */
  readonly perDay: Rational;
  /** Degrees by which the wanted figure itself is uncertain, a day; undefined for one that is exact. */
  readonly unsurePerDay: Rational | undefined;
  /** Whether its error is smaller than the figure is known (conventions 3). */
  readonly asGoodAsKnown: boolean;
  /** The drift that is allowed, degrees, and the seconds until it is reached; never reached: undefined. */
  readonly allowed: Rational;
  readonly leavesAfter: Rational | undefined;
  /** A round interval, in seconds, in which it is worth resetting: the longest that stays within what is allowed. */
  readonly resetEvery: number | undefined;
}

const DAY = rational(86400n);
const JULIAN_YEAR = 31557600;
/** Intervals that a maker would keep, in seconds. */
const INTERVALS = [
  ...[1, 2, 5, 10, 20, 50, 100, 200, 500, 1000].map(years => years * JULIAN_YEAR),
  ...[1, 2, 7, 14, 30, 60, 90, 180].map(days => days * 86400),
  ...[1, 2, 3, 6, 12].map(hours => hours * 3600),
].sort((a, b) => b - a);

/**
 * The course of an output whose drive has a period: error × wanted turns in a day × 360° (conventions 2). Undefined
 * for one without a train, a period or a wanted rate.
 */
export function driftCourse(state: AimState, driveSeconds: Rational | undefined): DriftCourse | undefined {
  const { error, wanted, toleranceDegrees, uncertainty } = state;
  if (!error || !wanted || !toleranceDegrees || !driveSeconds || isZero(driveSeconds)) return undefined;
  const degreesADay = mul(mul(absolute(wanted), rational(360n)), div(DAY, absolute(driveSeconds)));
  const perDay = mul(error, degreesADay);
  const leavesAfter = isZero(perDay) ? undefined : mul(div(toleranceDegrees, absolute(perDay)), DAY);
  const good = uncertainty !== undefined && compare(absolute(error), uncertainty) <= 0;
  const until = leavesAfter && toNumber(leavesAfter);
  return {
    ...{ perDay, leavesAfter, allowed: toleranceDegrees, asGoodAsKnown: good },
    unsurePerDay: uncertainty && mul(uncertainty, degreesADay),
    resetEvery: until === undefined ? undefined : INTERVALS.find(i => i <= until),
  };
}
