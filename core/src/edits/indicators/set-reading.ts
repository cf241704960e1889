import { byId, type Indicator, type Machine, type Reads } from '../../document/machine/index.ts';
import { advance, type DriveTurns } from '../../place/motion/index.ts';
import { isZero, parseDecimal, toNumber } from '../../ground/rational/index.ts';
import { fail, ok, type Result } from '../../ground/result/index.ts';
import { nextCrossing } from '../../document/sky/index.ts';
import { dialOf, type IndicatorFacts, pointingOf, showingOf } from '../../place/indicator/pointing.ts';
import { fullSeconds } from '../../place/indicator/reading.ts';

/** A reading as typed, in full turns: below one, but for turns, which count on. */
export function parseReading(reads: Reads | undefined, typed: string): Result<number> {
  const text = typed.trim().replace('−', '-');
  if (reads?.kind === 'names') {
    const at = reads.names.findIndex(n => n.toLowerCase() === text.toLowerCase());
    return at < 0
      ? fail('reading-name', { text, names: reads.names.join(', ') })
      : ok(at / reads.names.length);
  }
  const value = reads?.kind === 'clock' ? clockSeconds(text) : number(text.replace(/[^\d.eE+-].*$/, ''));
  if (value === undefined)
    return fail(reads?.kind === 'clock' ? 'reading-clock' : 'reading-number', { text });
  if (reads?.kind === 'turns') return ok(value);
  const full = fullOf(reads);
  if (!(value >= 0 && value < full)) return fail('reading-beyond', { text, full });
  return ok(value / full);
}

/**
 * What a full turn stands for, in the figure that is typed: seconds for a clock, days, the unit of a scale, or
 * degrees.
 */
function fullOf(reads: Reads | undefined): number {
  const seconds = fullSeconds(reads);
  if (seconds !== undefined) return reads?.kind === 'clock' ? seconds : seconds / 86400;
  const most = reads?.kind === 'scale' ? parseDecimal(reads.full) : undefined;
  return most?.ok ? toNumber(most.value) : 360;
}

function number(text: string): number | undefined {
  const value = parseDecimal(text);
  return value.ok ? toNumber(value.value) : undefined;
}

/** 8:20, 08:20:15 or 08:20:15.5 in seconds. */
function clockSeconds(text: string): number | undefined {
  const read = /^(\d{1,3}):(\d{1,2})(?::(\d{1,2}(?:\.\d{1,9})?))?$/.exec(text);
  if (!read) return undefined;
  const [h, m, s] = [Number(read[1]), Number(read[2]), Number(read[3] ?? 0)];
  return m > 59 || s >= 60 ? undefined : h * 3600 + m * 60 + s;
}

/**
 * The turns of the drive nearest to those it has made at which an indicator reads so: all else turns along. Refused for
 * what stands, and for a reading that is none.
 */
export function turnsForReading(
  facts: IndicatorFacts,
  indicator: Indicator,
  typed: string,
  now: DriveTurns,
): Result<DriveTurns> {
  const wanted = parseReading(indicator.reads, typed);
  if (!wanted.ok) return wanted;
  const showing = showingOf(facts, indicator);
  const at = pointingOf(facts, indicator, now);
  if (!showing || !at || isZero(showing.rate)) return fail('reading-stands', { name: indicator.name });
  const apart =
    indicator.reads?.kind === 'turns'
      ? wanted.value - (Number(at.whole) + at.part)
      : shortWay(wanted.value - at.part);
  const rate = toNumber(showing.rate);
  const by = apart / rate;
  if (!facts.uneven || indicator.reads?.kind === 'turns') return ok(advance(now, by));
  // What turns unevenly reads so a little sooner or later: looked for within half a turn of it either way.
  const [half, degrees] = [0.5 / Math.abs(rate), 360 * wanted.value];
  const reads = (t: number): number => 360 * (pointingOf(facts, indicator, advance(now, t))?.part ?? 0);
  return ok(advance(now, nextCrossing(reads, degrees, by - half, by + half, half / STEPS) ?? by));
}

/** How finely half a turn is looked through. */
const STEPS = 200;

/** The same difference by whole turns, from −½ to ½. */
const shortWay = (turns: number): number => turns - Math.round(turns);

/**
 * Sets one indicator on its arbor so that it reads so after those turns, and leaves everything else: what a maker
 * does who loosens a hand. A hand without a dial cannot be, as nothing tells where its nought is.
 */
export function setIndicatorTo<M extends Machine>(
  facts: IndicatorFacts & { readonly machine: M },
  id: string,
  part: number,
  turns: DriveTurns,
): Result<M> {
  const indicator = byId(facts.machine.indicators, id);
  const at = indicator && pointingOf(facts, indicator, turns);
  if (!indicator || !at) return fail('reading-stands', { name: indicator?.name ?? id });
  const hasNought = indicator.kind === 'hand' ? dialOf(facts.machine, indicator) : indicator.kind !== 'dial';
  const showing = showingOf(facts, indicator);
  if (!hasNought || !showing) return fail('reading-no-dial', { name: indicator.name });
  // Turned on its arbor it is seen to turn: what that adds to the reading is what any turn that is seen adds.
  const settingDeg = round(indicator.settingDeg + 360 * showing.perSeen * shortWay(part - at.part));
  return ok({
    ...facts.machine,
    indicators: facts.machine.indicators.map(i => (i.id === id ? { ...i, settingDeg } : i)),
  });
}

const round = (deg: number): number => {
  const turned = ((deg % 360) + 360) % 360;
  return Number(turned.toFixed(6)) % 360;
};
