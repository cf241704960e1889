import {
  absolute,
  compare,
  div,
  mul,
  ONE,
  type Rational,
  rational,
  sub,
} from '../../ground/rational/index.ts';
import type { DriveFacts, Span } from '../../ground/units/index.ts';

/**
 * Error of a rate against the wanted one: achieved / wanted − 1, exact; positive is fast (conventions 2).
 * Both rates carry their sign. Throws RangeError for a wanted rate of nought.
 */
export const rateError = (achieved: Rational, wanted: Rational): Rational => sub(div(achieved, wanted), ONE);

/** The error of the period that goes with an error e of the rate: −e/(1 + e) (conventions 2). */
export const periodError = (e: Rational): Rational =>
  div({ num: -e.num, den: e.den }, { num: e.num + e.den, den: e.den });

/** An error in parts per million, exact. */
export const ppm = (e: Rational): Rational => mul(e, rational(1000000n));

/**
 * Drift in degrees after a span: error × wanted turns in that span × 360° (conventions 2), signed, exact.
 * A span in time needs the drive's period, one of a way how far it rolls in a turn; undefined without.
 */
export function driftDegrees(
  error: Rational,
  wantedRate: Rational,
  span: Span,
  drive: DriveFacts,
): Rational | undefined {
  const turns = driveTurns(span, drive);
  if (!turns) return undefined;
  return mul(mul(error, absolute(wantedRate)), mul(turns, rational(360n)));
}

/** Turns of the drive in a span; undefined for a time when its speed is free, for a way when it does not roll. */
export function driveTurns(span: Span, drive: DriveFacts): Rational | undefined {
  switch (span.kind) {
    case 'turns':
      return span.turns;
    case 'time':
      return drive.seconds && div(span.seconds, drive.seconds);
    case 'way':
      return drive.metres && div(span.metres, drive.metres);
  }
}

/**
 * Seconds until an output with an error of rate has gained or lost so many seconds of its own reading: t = unit /
 * |e|.
 */
export function secondsToGain(error: Rational, unitSeconds: Rational): Rational | undefined {
  return error.num === 0n ? undefined : div(unitSeconds, absolute(error));
}

/** Turns of the drive until an output is out by one degree: 1/(360 |e| rate). Undefined when there is no error. */
export function turnsToOneDegree(error: Rational, wantedRate: Rational): Rational | undefined {
  if (error.num === 0n) return undefined;
  return div(ONE, mul(rational(360n), mul(absolute(error), absolute(wantedRate))));
}

/** Whether a drift is within a tolerance in degrees, either way; exact. */
export const withinTolerance = (drift: Rational, toleranceDegrees: Rational): boolean =>
  compare(absolute(drift), toleranceDegrees) <= 0;

/** The error of rate, by size, that drifts by so many degrees over a span: degrees / (360 · wanted turns in it). */
export function errorForDrift(
  degrees: Rational,
  wantedRate: Rational,
  span: Span,
  drive: DriveFacts,
): Rational | undefined {
  const turns = driveTurns(span, drive);
  return turns && div(degrees, mul(mul(turns, absolute(wantedRate)), rational(360n)));
}
