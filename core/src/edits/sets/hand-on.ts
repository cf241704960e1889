import type { Machine } from '../../document/machine/index.ts';

/** What hangs on one arbor goes over to another: outputs, hands, and all wheels but these. */
export const handOn = (machine: Machine, from: string, to: string, but: ReadonlySet<string>): Machine => ({
  ...machine,
  aims: machine.aims.map(a => (a.member === from ? { ...a, member: to } : a)),
  indicators: machine.indicators.map(i => (i.member === from ? { ...i, member: to } : i)),
  wheels: machine.wheels.map(w => (w.member === from && !but.has(w.id) ? { ...w, member: to } : w)),
});
