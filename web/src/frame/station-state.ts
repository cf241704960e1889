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
  train: ({ machine }) => machine.wheels.length > 0 || machine.joints.length > 0,
  teeth: ({ machine }) => machine.wheels.length > 0,
  plan: ({ machine }) => machine.wheels.length > 0 || machine.joints.length > 0,
  run: ({ machine }) => machine.wheels.length > 0 || machine.joints.length > 0,
  make: ({ machine }) => machine.wheels.length > 0,
  bench: ({ machine }) => machine.wheels.length > 0,
};

/** Whether a station has anything that it looked at: without, what it finds nothing wrong with is not judged. */
const JUDGED: { readonly [K in StationName]: (derived: Derived) => boolean } = {
  aims: ({ machine, aims }) => machine.aims.some(a => aims[a.id]?.wanted !== undefined),
  counts: ({ machine, aims }) => machine.aims.some(a => aims[a.id]?.error !== undefined),
  train: ({ train }) => Object.keys(train.rates).length > 1,
  teeth: ({ meshes }) => Object.values(meshes).some(m => m.engagement !== undefined || m.pair !== undefined),
  plan: ({ machine, positions, wheels }) =>
    machine.axes.every(a => positions.at[a.id] !== undefined) && Object.keys(wheels).length > 0,
  run: ({ machine }) => machine.indicators.length > 0,
  make: ({ wheels }) => Object.values(wheels).some(w => w.outline.ok),
  bench: () => false,
};

/** A station as the route says it when it has found nothing. */
export const quiet = (station: StationName, derived: Derived): 'fine' | 'not judged' | 'not begun' =>
  !begun(station, derived) ? 'not begun' : JUDGED[station](derived) ? 'fine' : 'not judged';

/** Whether there is anything yet for a station to work on. */
export const begun = (station: StationName, derived: Derived): boolean => BEGUN[station](derived);
