import type { Aim } from '../../document/machine/index.ts';
import { type DriveTurns, memberTurns } from '../../place/motion/index.ts';
import { absolute, toNumber } from '../../ground/rational/index.ts';
import { ahead, bodyOfPeriod, meanLongitude, type SkyBody } from '../../document/sky/index.ts';
import { groundRate } from '../../trains/train/index.ts';
import { parseWanted } from '../../ground/units/index.ts';
import type { Derived } from '../state/index.ts';

/** What an output shows of a body of the sky, and where that body is by its mean motion. Degrees. */
export interface SkyReading {
  readonly aim: string;
  readonly body: SkyBody;
  readonly shown: number;
  readonly mean: number;
  /** Shown less mean, from −180 to 180. */
  readonly error: number;
  /** How much the error grows in a Julian year. */
  readonly perYear: number;
  /** Whether the date lies within the years for which the mean motion is good. */
  readonly inRange: boolean;
}

const YEAR = 365.25;

/** The body of the sky whose period an output is to show, if it is one. */
export function bodyOf(aim: Aim): SkyBody | undefined {
  const wanted = parseWanted(aim.wanted);
  return wanted.ok && wanted.value.kind === 'period' && !aim.seenFrom
    ? bodyOfPeriod(toNumber(wanted.value.seconds))
    : undefined;
}

/**
 * Outputs against the sky: each set to the mean longitude of its body at the start, and turned from there by the train.
 * `startDays` counts from noon of 1 January 2000; a turn of the drive takes `turnSeconds`.
 */
export function skyReadings(
  { machine, train }: Pick<Derived, 'machine' | 'train'>,
  startDays: number,
  turnSeconds: number,
  turns: DriveTurns,
): SkyReading[] {
  const passed = ((Number(turns.whole) + turns.part) * turnSeconds) / 86400;
  return machine.aims.flatMap(aim => {
    const body = bodyOf(aim);
    const rate = aim.member === undefined ? undefined : groundRate(machine, train.rates, aim.member);
    if (!body || !rate) return [];
    const { part } = memberTurns(absolute(rate), turns);
    const shown = (meanLongitude(body, startDays) + 360 * part) % 360;
    const mean = meanLongitude(body, startDays + passed);
    const turnedPerYear = ((360 * Math.abs(toNumber(rate)) * 86400) / turnSeconds) * YEAR;
    const year = 2000 + (startDays + passed) / YEAR;
    return [
      {
        ...{ aim: aim.id, body, shown, mean, error: ahead(shown, mean) },
        perYear: turnedPerYear - body.perDay * YEAR,
        inRange: year >= body.from && year <= body.to,
      },
    ];
  });
}
