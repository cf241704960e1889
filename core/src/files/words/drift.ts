import { secondsToGain, turnsToOneDegree } from '../../document/period/index.ts';
import { div, type Rational, rational, sign, toNumber } from '../../ground/rational/index.ts';
import { figure, sayTime } from '../../ground/units/index.ts';

/**
 * An error of rate in the output's own terms: "fast by one day in 61 Julian years", "slow by one minute in 12
 * days", or by one degree in so many turns where the drive has no period. `rate` is the wanted one, by size.
 */
export function sayDrift(error: Rational, rate: Rational, driveSeconds: Rational | undefined): string {
  if (sign(error) === 0) return 'exact';
  const way = sign(error) > 0 ? 'fast' : 'slow';
  if (!driveSeconds) {
    const turns = turnsToOneDegree(error, rate);
    return `${way} by 1° in ${figure(turns ? toNumber(turns) : Infinity, 3)} turns of the drive`;
  }
  const unit = unitFor(toNumber(div(driveSeconds, rate)));
  const seconds = secondsToGain(error, rational(unit.seconds));
  return `${way} by one ${unit.name} in ${sayTime(seconds ? toNumber(seconds) : Infinity)}`;
}

/** The unit in which an output of that period is read: days on a moon dial, minutes on a tide dial, seconds below. */
function unitFor(periodSeconds: number): { name: string; seconds: number } {
  if (periodSeconds >= 2 * 86400) return { name: 'day', seconds: 86400 };
  if (periodSeconds >= 7200) return { name: 'minute', seconds: 60 };
  return { name: 'second', seconds: 1 };
}
