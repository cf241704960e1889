import {
  byId,
  type Dial,
  driveWay,
  freeId,
  type Hand,
  type Indicator,
  type Machine,
  type Reads,
  type Ring,
} from '../../document/machine/index.ts';
import { type Rational, sign, toNumber } from '../../ground/rational/index.ts';
import { groundRate } from '../../trains/train/index.ts';
import { parseWanted } from '../../ground/units/index.ts';

/** Dials that makers start from. */
export const DIAL_STARTS = ['12 hours', '24 hours', '60', 'days', 'degrees', 'months', 'plain'] as const;
export type DialStart = (typeof DIAL_STARTS)[number];

const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];

/** The rings of a dial of that radius; a track at its rim and numerals within it. `days` counts those of a period. */
export function startRings(start: DialStart, radius: number, days = 30): Ring[] {
  const r = (part: number): number => Number((radius * part).toFixed(2));
  const track = (divisions: number, long: number): Ring => ({
    outer: r(0.96),
    inner: r(0.88),
    divisions,
    long,
  });
  const numbers = (ring: Ring, count: number, first: number, step: number, height: number): Ring => ({
    ...ring,
    numerals: {
      radius: r(0.76),
      height: r(height),
      writes: { kind: 'numbers', count, first, step },
      stand: 'upright',
    },
  });
  switch (start) {
    case '12 hours': {
      const ring = numbers(track(60, 5), 12, 12, 1, 0.13);
      return [withTwelve(ring)];
    }
    case '24 hours':
      return [numbers(track(96, 4), 24, 0, 1, 0.085)];
    case '60':
      return [numbers(track(60, 5), 12, 0, 5, 0.12)];
    case 'days': {
      const whole = Math.max(1, Math.floor(days));
      const step = whole > 40 ? 10 : whole > 12 ? 5 : 1;
      // Days do not divide their period: lines at whole days would end uneven, so the track is in tenths of it.
      return [numbers(track(10 * step, step), 10, 0, step, 0.1)].map(ring => named(ring, dayNames(days)));
    }
    case 'degrees':
      return [numbers(track(72, 6), 12, 0, 30, 0.1)];
    case 'months':
      return [
        {
          ...track(12, 1),
          numerals: {
            ...{ radius: r(0.78), height: r(0.1), stand: 'outward' },
            writes: { kind: 'names', names: MONTHS, between: true },
          },
        },
      ];
    case 'plain':
      return [track(60, 5)];
  }
}

/** Tenths of a period, in days with a decimal. */
const dayNames = (days: number): string[] =>
  Array.from({ length: 10 }, (_, i) => String(Number(((days * i) / 10).toFixed(days < 20 ? 2 : 1))));

const named = (ring: Ring, names: string[]): Ring =>
  ring.numerals ? { ...ring, numerals: { ...ring.numerals, writes: { kind: 'names', names } } } : ring;

/** Hours from twelve: 12, 1, 2 … 11. */
const withTwelve = (ring: Ring): Ring =>
  named(ring, ['12', ...Array.from({ length: 11 }, (_, i) => String(i + 1))]);

/** How an indicator on a member is best read: by the period that its output is to keep; else by turns. */
export function usualReads(machine: Pick<Machine, 'aims' | 'drive'>, member: string): Reads {
  const aim = machine.aims.find(a => a.member === member);
  const text =
    aim?.wanted ??
    (machine.drive?.member === member && machine.drive.speed.kind === 'period'
      ? machine.drive.speed.text
      : '');
  const wanted = parseWanted(text);
  if (!wanted.ok || wanted.value.kind !== 'period') return { kind: 'turns' };
  const full = text.replace(/±.*$/, '').trim();
  return toNumber(wanted.value.seconds) > 2 * 86400 ? { kind: 'days', full } : { kind: 'clock', full };
}

/** The dial to start from, for what a full turn of a hand is. */
export function usualStart(reads: Reads): DialStart {
  const seconds = reads.kind === 'clock' || reads.kind === 'days' ? parseWanted(reads.full) : undefined;
  const full = seconds?.ok && seconds.value.kind === 'period' ? toNumber(seconds.value.seconds) : 0;
  if (full === 43200) return '12 hours';
  if (full === 86400) return '24 hours';
  if (full === 3600 || full === 60) return '60';
  return reads.kind === 'days' ? 'days' : 'plain';
}

/** The way that a dial must count for what turns before it to count upwards. */
export function senseFor(
  machine: Pick<Machine, 'axes' | 'members' | 'drive'>,
  rates: Readonly<Record<string, Rational>>,
  member: string,
): Dial['sense'] {
  const rate = groundRate(machine, rates, member);
  return rate && sign(rate) * driveWay(machine) > 0 ? 'counter-clockwise' : 'clockwise';
}

/** A new hand upon a dial of its own that stands behind it, both named after the member. */
export function withHandAndDial(
  machine: Machine,
  rates: Readonly<Record<string, Rational>>,
  member: string,
  radius: number,
): { readonly machine: Machine; readonly hand: string; readonly dial: string } {
  const arbor = byId(machine.members, member);
  if (arbor?.kind !== 'arbor') throw new Error(`withHandAndDial: ${member} is no arbor`);
  const name = (machine.aims.find(a => a.member === member)?.name ?? arbor.name).slice(0, 100);
  const reads = usualReads(machine, member);
  const start = usualStart(reads);
  const period = reads.kind === 'days' ? parseWanted(reads.full) : undefined;
  const days = period?.ok && period.value.kind === 'period' ? toNumber(period.value.seconds) / 86400 : 30;
  const dial: Dial = {
    ...{ kind: 'dial', id: freeId(machine, 'dial'), name: `${name}, dial`, settingDeg: 90 },
    ...{ member: 'ground', axis: arbor.axis, radius, sense: senseFor(machine, rates, member) },
    ...{ rings: startRings(start, radius, days), windows: [] },
  };
  const hand: Hand = {
    ...{ kind: 'hand', id: freeId(machine, 'hand'), name, member, settingDeg: 90 },
    ...{ radius: Number((radius * 0.86).toFixed(2)), shape: 'tapered', dial: dial.id, reads },
  };
  return {
    machine: { ...machine, indicators: [...machine.indicators, dial, hand] },
    hand: hand.id,
    dial: dial.id,
  };
}

/** A new indicator of another kind on a member. */
export function newIndicator(
  machine: Machine,
  kind: 'hand' | 'dial' | 'globe' | 'body',
  member: string,
  radius: number,
): Indicator {
  const name = (
    machine.aims.find(a => a.member === member)?.name ??
    byId(machine.members, member)?.name ??
    ''
  ).slice(0, 100);
  const common = { id: freeId(machine, kind), name, member, settingDeg: 0 };
  switch (kind) {
    case 'hand':
      return {
        ...common,
        kind,
        settingDeg: 90,
        radius,
        shape: 'tapered',
        reads: usualReads(machine, member),
      };
    case 'dial':
      return {
        ...common,
        kind,
        settingDeg: 90,
        radius,
        sense: 'clockwise',
        rings: startRings('plain', radius),
        windows: [],
      };
    case 'globe':
      return { ...common, kind, radius: radius / 4 };
    case 'body':
      return { ...common, kind, radius: radius / 12, distance: radius };
  }
}
