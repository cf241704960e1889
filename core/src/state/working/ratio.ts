import type { Stage } from '../../counting/search/index.ts';
import { driftDegrees, periodError, ppm, rateError } from '../../document/period/index.ts';
import {
  mul,
  ONE,
  type Rational,
  rational,
  toDecimal,
  toFraction,
  toNumber,
  toSignificant,
} from '../../ground/rational/index.ts';
import { figure, sayPeriod, type Span } from '../../ground/units/index.ts';
import type { Working } from './working.ts';

/** What the working of a ratio needs: the train, what was wanted, and the stretch of the drift. */
export interface RatioWorking {
  readonly stages: readonly Stage[];
  /** Wanted rate by size. */
  readonly wanted: Rational;
  readonly driveSeconds: Rational | undefined;
  readonly driveMetres?: Rational | undefined;
  readonly span: Span | undefined;
  readonly spanText: string;
}

/** How a train's ratio, error and drift are worked out. */
export function ratioWorking({
  stages,
  wanted,
  driveSeconds,
  driveMetres,
  span,
  spanText,
}: RatioWorking): Working {
  const achieved = stages.reduce((r, s) => mul(r, rational(s.driving, s.driven)), ONE);
  const error = rateError(achieved, wanted);
  const drift = span && driftDegrees(error, wanted, span, { seconds: driveSeconds, metres: driveMetres });
  const product = `${stages.map(s => s.driving).join(' · ')} / (${stages.map(s => s.driven).join(' · ')})`;
  const steps = [
    `i = ${product} = ${toFraction(achieved)} = ${toDecimal(achieved, 12)}`,
    `e = i / w − 1 = ${figure(toNumber(ppm(error)), 4)} ppm`,
  ];
  if (driveSeconds)
    steps.push(`error of the period = −e / (1 + e) = ${figure(toNumber(ppm(periodError(error))), 4)} ppm`);
  if (drift) steps.push(`drift = e · wanted turns in ${spanText} · 360° = ${figure(toNumber(drift), 4)}°`);
  return {
    title: 'Ratio, error and drift',
    formula: 'i = Π driving / Π driven;  e = i / w − 1;  drift = e · turns · 360°',
    values: [
      { symbol: 'w', meaning: 'wanted turns per turn of the drive', value: sayWanted(wanted) },
      ...(driveSeconds
        ? [{ symbol: 'T', meaning: 'period of the drive', value: sayPeriod(driveSeconds) }]
        : []),
      ...stages.map((s, n) => ({
        symbol: `stage ${n + 1}`,
        meaning: 'driving / driven',
        value: `${s.driving} / ${s.driven}`,
      })),
    ],
    steps,
    result: `${toFraction(achieved)}, ${figure(toNumber(ppm(error)), 4)} ppm`,
    source:
      'A train’s rate is the product of driving over the product of driven counts (Willis, ' +
      'Principles of Mechanism, 1841); errors as defined here.',
  };
}

const sayWanted = (wanted: Rational): string => {
  const whole = toFraction(wanted);
  return whole.length <= 24 ? `${whole} = ${toSignificant(wanted, 12)}` : toSignificant(wanted, 12);
};
