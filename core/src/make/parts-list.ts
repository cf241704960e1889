import { boreReach } from '../body/index.ts';
import type { Derived } from '../derive/index.ts';
import type { Table } from '../drawing/index.ts';
import { byId, circleCount } from '../machine/index.ts';
import { wheelThickness } from '../layout/index.ts';

/** The wheels of a machine as a table: what to make, how many teeth, what size. Lengths in mm. */
export function partsList(derived: Derived): Table {
  const { machine } = derived;
  const rows = machine.wheels.map(w => {
    const d = derived.wheels[w.id]?.dimensions;
    const hole = w.bore && w.bore.kind !== 'none' ? w.bore : undefined;
    const bore = hole ? round(2 * boreReach(hole)) : 0;
    return [
      w.name,
      byId(machine.members, w.member)?.name ?? '',
      circleCount(w) ?? '',
      derived.modules[w.toothing] ?? '',
      w.shift ?? 0,
      d ? round(2 * d.pitchRadius) : '',
      d ? round(2 * d.tipRadius) : '',
      d ? round(2 * d.rootRadius) : '',
      bore,
      wheelThickness(machine.stack, w),
      w.layer + 1,
      byId(machine.toothings, w.toothing)?.name ?? '',
    ];
  });
  return {
    columns: [
      'part',
      'arbor',
      'teeth',
      'module mm',
      'profile shift',
      'pitch diameter mm',
      'outside diameter mm',
      'root diameter mm',
      'bore mm',
      'thickness mm',
      'layer',
      'toothing',
    ],
    rows,
  };
}

const round = (x: number): number => Math.round(x * 10000) / 10000;
