import { indicatorFacts } from '@tesseron/core/ask';
import type { Derived } from '@tesseron/core/state';
import { type Aim, driveWay, type Machine } from '@tesseron/core/machine';
import { type DriveTurns, memberTurns, turnsAfter, turnsAsNumber } from '@tesseron/core/motion';
import { add, mul, type Rational, rational, sub, toNumber } from '@tesseron/core/rational';
import { fail, ok, type Result } from '@tesseron/core/result';
import { groundRate } from '@tesseron/core/train';
import {
  dateFrom,
  fixed,
  parseDate,
  parseWanted,
  sayDate,
  sayPeriod,
  secondsSince2000,
} from '@tesseron/core/units';

/** Seconds that the drive has run, as a double; undefined for a drive without a period. */
export const secondsRun = (driveSeconds: Rational | undefined, turns: DriveTurns): number | undefined =>
  driveSeconds && toNumber(driveSeconds) * turnsAsNumber(turns);

/** The instant of nought turns, seconds from noon of 1 January 2000; undefined for a machine without one. */
export function startSeconds({ start }: Pick<Machine, 'start'>): Rational | undefined {
  const date = start === undefined ? undefined : parseDate(start);
  return date?.ok ? secondsSince2000(date.value) : undefined;
}

/** The date so many seconds after the start, UTC to the minute; undefined without a start, or out of the calendar. */
export function dateAfter(machine: Pick<Machine, 'start'>, seconds: Rational): string | undefined {
  const start = startSeconds(machine);
  const date = start && dateFrom(add(start, seconds));
  return date && sayDate(date);
}

/** Turns with their part to a millionth of a millionth: what is shown is seconds at most. */
const exact = (turns: DriveTurns): Rational =>
  add(rational(turns.whole), rational(BigInt(Math.round(turns.part * 1e12)), 10n ** 12n));

/**
 * Seconds from noon of 1 January 2000 at some turns of the drive; undefined without a start, or for a drive that is
 * no clock.
 */
export function exactSecondsAt(
  machine: Pick<Machine, 'start'>,
  driveSeconds: Rational | undefined,
  turns: DriveTurns,
): Rational | undefined {
  const start = startSeconds(machine);
  return start && driveSeconds && add(start, mul(driveSeconds, exact(turns)));
}

/**
 * The date at some turns of the drive, UTC to the minute; undefined for a drive that is no clock or out of the
 * calendar.
 */
export function dateAt(
  machine: Pick<Machine, 'start'>,
  driveSeconds: Rational | undefined,
  turns: DriveTurns,
): string | undefined {
  return driveSeconds && dateAfter(machine, mul(driveSeconds, exact(turns)));
}

/**
 * The turns of the drive at a date that is typed; exact. A problem for what is no date, or a machine that keeps
 * none.
 */
export function turnsAtDate(
  machine: Pick<Machine, 'start'>,
  driveSeconds: Rational | undefined,
  typed: string,
): Result<DriveTurns> {
  const date = parseDate(typed);
  if (!date.ok) return date;
  if (!driveSeconds) return fail('date-needs-clock');
  const start = startSeconds(machine);
  if (!start) return fail('date-needs-start');
  return ok(turnsAfter(sub(secondsSince2000(date.value), start), driveSeconds));
}

/** What an output shows: turns since rest, where its hand points, and hours or days into its period. */
export interface Reading {
  readonly turns: string;
  readonly degrees: string;
  readonly inPeriod: string | undefined;
}

/**
 * The reading of an aim's arbor against the ground, where it truly stands behind uneven joints; undefined while it has
 * none or nothing fixes its rate.
 */
export function readingOf(aim: Aim, derived: Derived, turns: DriveTurns): Reading | undefined {
  const { machine, train } = derived;
  const rate = aim.member === undefined ? undefined : groundRate(machine, train.rates, aim.member);
  if (!rate) return undefined;
  const mean = memberTurns(rate, turns);
  const off =
    (driveWay(machine) * (indicatorFacts(derived).uneven?.(aim.member ?? '', turns) ?? 0)) / (2 * Math.PI);
  const carry = Math.floor(mean.part + off);
  const [whole, part] = [mean.whole + BigInt(carry), mean.part + off - carry];
  // Seen from the front a drive that turns clockwise carries all hands the other way round.
  const seen = driveWay(machine) < 0 ? (1 - part) % 1 : part;
  const wanted = parseWanted(aim.wanted);
  const forward = rate.num < 0n ? 1 - part : part;
  const inPeriod =
    wanted.ok && wanted.value.kind === 'period'
      ? intoPeriod(toNumber(wanted.value.seconds), forward % 1, sayPeriod(wanted.value.seconds, 6))
      : undefined;
  return { turns: fixed(Number(whole) + part, 3), degrees: `${fixed(seen * 360, 1)}°`, inPeriod };
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
