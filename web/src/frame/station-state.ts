import type { Derived } from '@tesseron/core/state';
import type { Finding, Severity, StationName } from '@tesseron/core/result';

const ORDER: readonly Severity[] = ['stop', 'warn', 'note'];
const SAID: Readonly<Record<Severity, (n: number) => string>> = {
  stop: n => `${n} to mend`,
  warn: n => `${n} to look at`,
  note: n => `${n} ${n === 1 ? 'note' : 'notes'}`,
};

/** The worst severity among findings, and how many there are of it, in words. */
export function countBySeverity(findings: readonly Finding[]): { worst: Severity; text: string } {
  const worst = ORDER.find(s => findings.some(f => f.severity === s)) ?? 'note';
  return { worst, text: SAID[worst](findings.filter(f => f.severity === worst).length) };
}

/** What a station needs before it is begun. */
const BEGUN: { readonly [K in StationName]: (derived: Derived) => boolean } = {
  aims: ({ machine }) => machine.aims.length > 0,
  counts: ({ machine }) => machine.aims.some(a => a.member !== undefined),
  train: ({ machine }) => machine.wheels.length > 0,
  teeth: ({ machine }) => machine.wheels.length > 0,
  plan: ({ machine }) => machine.wheels.length > 0,
  run: ({ machine }) => machine.wheels.length > 0,
  make: ({ machine }) => machine.wheels.length > 0,
  bench: ({ machine }) => machine.wheels.length > 0,
};

/** Whether there is anything yet for a station to work on. */
export const begun = (station: StationName, derived: Derived): boolean => BEGUN[station](derived);
