import type { Derived } from '@tesseron/core/derive';
import type { Aim, Machine } from '@tesseron/core/machine';
import { type DriveTurns, memberTurns, turnsAsNumber } from '@tesseron/core/motion';
import { type Rational, toNumber } from '@tesseron/core/rational';
import { groundRate } from '@tesseron/core/train';
import { fixed, parseWanted, sayPeriod } from '@tesseron/core/units';

/** Seconds that the drive has run, as a double; undefined for a drive without a period. */
export const secondsRun = (driveSeconds: Rational | undefined, turns: DriveTurns): number | undefined =>
  driveSeconds && toNumber(driveSeconds) * turnsAsNumber(turns);

/** The date at some turns of the drive, UTC to the minute; undefined for a drive that is no clock or out of the calendar. */
export function dateAt(
  machine: Machine,
  driveSeconds: Rational | undefined,
  turns: DriveTurns,
): string | undefined {
  const seconds = secondsRun(driveSeconds, turns);
  if (seconds === undefined || machine.start === undefined) return undefined;
  const date = new Date(Date.parse(machine.start) + seconds * 1000);
  return Number.isNaN(date.getTime()) ? undefined : date.toISOString().slice(0, 16).replace('T', ' ');
}

/** What an output shows: turns since rest, where its hand points, and hours or days into its period. */
export interface Reading {
  readonly turns: string;
  readonly degrees: string;
  readonly inPeriod: string | undefined;
}

/** The reading of an aim's arbor against the ground; undefined while it has none or nothing fixes its rate. */
export function readingOf(aim: Aim, derived: Derived, turns: DriveTurns): Reading | undefined {
  const { machine, train } = derived;
  const rate = aim.member === undefined ? undefined : groundRate(machine, train.rates, aim.member);
  if (!rate) return undefined;
  const { whole, part } = memberTurns(rate, turns);
  const wanted = parseWanted(aim.wanted);
  const forward = rate.num < 0n ? 1 - part : part;
  const inPeriod =
    wanted.ok && wanted.value.kind === 'period'
      ? intoPeriod(toNumber(wanted.value.seconds), forward % 1, sayPeriod(wanted.value.seconds, 6))
      : undefined;
  return { turns: fixed(Number(whole) + part, 3), degrees: `${fixed(part * 360, 1)}°`, inPeriod };
}

const UNITS = [
  { from: 2 * 86400, seconds: 86400, name: 'd' },
  { from: 2 * 3600, seconds: 3600, name: 'h' },
  { from: 120, seconds: 60, name: 'min' },
  { from: 0, seconds: 1, name: 's' },
];

function intoPeriod(seconds: number, part: number, whole: string): string {
  const unit = UNITS.find(u => seconds >= u.from);
  return unit ? `${fixed((seconds * part) / unit.seconds, 2)} ${unit.name} of ${whole}` : whole;
}
