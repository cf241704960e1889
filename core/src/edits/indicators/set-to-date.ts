import { byId, type Indicator, type Machine } from '../../document/machine/index.ts';
import type { DriveTurns } from '../../place/motion/index.ts';
import { toNumber } from '../../ground/rational/index.ts';
import { bodyOfPeriod, meanLongitude } from '../../document/sky/index.ts';
import { parseWanted } from '../../ground/units/index.ts';
import type { IndicatorFacts } from '../../place/indicator/pointing.ts';
import { fullSeconds } from '../../place/indicator/reading.ts';
import { setIndicatorTo } from './set-reading.ts';

/** A machine whose hands were set, which were, and which could not be. */
export interface HandsSet<M> {
  readonly machine: M;
  readonly set: readonly string[];
  readonly left: readonly string[];
}

const DAY = 86400;

/**
 * What an indicator should read at an instant, in full turns; `seconds` counts from noon of 1 January 2000, UTC. A
 * clock by the time of day, where a day holds whole turns of it; a body of the sky, by the period it is read in or
 * that its output is to keep, by its mean longitude. Undefined for one of which nothing is known.
 */
export function truePart(
  machine: Pick<Machine, 'aims'>,
  indicator: Indicator,
  seconds: number,
): number | undefined {
  const full = fullSeconds(indicator.reads);
  if (
    full !== undefined &&
    indicator.reads?.kind === 'clock' &&
    Math.abs(DAY / full - Math.round(DAY / full)) < 1e-9
  ) {
    const turns = (seconds + DAY / 2) / full;
    return turns - Math.floor(turns);
  }
  const aim = machine.aims.find(a => a.member === indicator.member && !a.seenFrom);
  const wanted = aim && parseWanted(aim.wanted);
  const period =
    full ?? (wanted?.ok && wanted.value.kind === 'period' ? toNumber(wanted.value.seconds) : undefined);
  const body = period === undefined ? undefined : bodyOfPeriod(period);
  return body && meanLongitude(body, seconds / DAY) / 360;
}

/**
 * Sets every hand, globe and body of which it is known what it should read at an instant, after those turns of the
 * drive.
 */
export function setHandsTo<M extends Machine>(
  facts: IndicatorFacts & { readonly machine: M },
  seconds: number,
  turns: DriveTurns,
): HandsSet<M> {
  let { machine } = facts;
  const [set, left]: [string[], string[]] = [[], []];
  for (const { id, kind } of machine.indicators) {
    if (kind === 'dial') continue;
    const indicator = byId(machine.indicators, id);
    const part = indicator && truePart(machine, indicator, seconds);
    const next = part === undefined ? undefined : setIndicatorTo({ ...facts, machine }, id, part, turns);
    if (next?.ok) machine = next.value;
    (next?.ok ? set : left).push(id);
  }
  return { machine, set, left };
}
