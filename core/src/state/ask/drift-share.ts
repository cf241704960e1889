import type { Machine } from '../../document/machine/index.ts';
import { add, type Rational, rational, sub, toNumber } from '../../ground/rational/index.ts';
import { type DriveFlow, wayTo } from '../../trains/train/index.ts';
import type { AimState } from '../state/index.ts';

/**
 * How much of an output's error was there before its own train: what it takes over from the output it is driven
 * from.
 */
export interface DriftShare {
  /** The nearest output on the way from the drive. */
  readonly from: string;
  /** Relative errors, exact: all of it, what comes from there, and what its own train adds. */
  readonly whole: Rational;
  readonly before: Rational;
  readonly own: Rational;
}

/**
 * Whose error it is in a cascade, where an output is driven from another: 1 + e = (1 + e before)(1 + e own). For
 * small errors own is what is left, e − e before; here it is exact: own = (e − e before) / (1 + e before).
 * Undefined for one that is driven from no other.
 */
export function driftShare(
  machine: Pick<Machine, 'aims' | 'drive' | 'members'>,
  aims: Readonly<Record<string, AimState>>,
  flow: DriveFlow,
  aimId: string,
): DriftShare | undefined {
  const aim = machine.aims.find(a => a.id === aimId);
  const whole = aims[aimId]?.error;
  if (aim?.member === undefined || !whole || machine.drive === undefined) return undefined;
  if (wayTo(flow, aim.member, machine.drive.member) === undefined) return undefined;
  const seen = new Set<string>([aim.member]);
  for (let at = flow.into[aim.member]?.from; at !== undefined && !seen.has(at); at = flow.into[at]?.from) {
    seen.add(at);
    const other = machine.aims.find(a => a.member === at && a.id !== aimId);
    const before = other && aims[other.id]?.error;
    if (!other || !before) continue;
    const one = add(rational(1n), before);
    const left = sub(whole, before);
    return { from: other.id, whole, before, own: rational(left.num * one.den, left.den * one.num) };
  }
  return undefined;
}

/** The two shares of a course that is `perYear` degrees in a year. */
export function sharesOf(
  { whole, before, own }: DriftShare,
  perYear: number,
): { before: number; own: number } {
  const all = toNumber(whole);
  if (all === 0) return { before: 0, own: 0 };
  return { before: (perYear * toNumber(before)) / all, own: (perYear * toNumber(own)) / all };
}
