import { factsOf, type Joint, jointEnds, type Machine } from '@tesseron/core/machine';

/** A joint that is no mesh, over the columns that it ties, in a row of its own above the layers. */
export interface JointSign {
  readonly id: string;
  readonly kind: Joint['kind'];
  readonly called: string;
  readonly from: number;
  readonly to: number;
  readonly row: number;
}

/** The sign of every kind, about its middle, of 18 by 18 pixels. */
export const SIGNS: { readonly [K in Exclude<Joint['kind'], 'mesh' | 'chain'>]: string } = {
  crank: 'M-8 4a4 4 0 1 1 4 -4M-4 0L4 4M1 1h8v6h-8Z',
  yoke: 'M-8 0a4 4 0 1 1 0.1 1M3 -8v16M7 -8v16M3 -8h4M3 8h4',
  slot: 'M-8 6a4 4 0 1 1 4 -4M-4 2L8 -7M-2 6L9 -3',
  'four-bar': 'M-8 7L-5 -5L6 -8L8 7M-8 7h0.1M8 7h0.1',
  'two rods': 'M-8 7L0 -7L8 7M-1.5 -7h3',
  cam: 'M0 8C-7 8 -8 -1 -3 -3C-2 -8 4 -8 4 -3C8 0 7 8 0 8Z',
  cord: 'M-8 7L0 -6L6 0M0 -6m-2 0a2 2 0 1 1 4 0a2 2 0 1 1 -4 0M3 1h6v6h-6Z',
  drum: 'M-8 -2a6 6 0 1 1 12 0a6 6 0 1 1 -12 0M4 -2V3M1 3h6v5h-6Z',
  universal: 'M-8 -4h5v8h-5M8 -4h-5v8h5M-3 -4L3 4M-3 4L3 -4',
  friction: 'M-8 0a4 4 0 1 1 8 0a4 4 0 1 1 -8 0M0 0a4 4 0 1 1 8 0a4 4 0 1 1 -8 0',
  slip: 'M-8 3c3 -8 5 -8 8 -3s5 5 8 -3',
  clutch: 'M-8 -7h6v5h3v4h-3v5h-6M8 -7h-4v14h4',
  ratchet: 'M-8 6v-7l5 7v-7l5 7v-7l5 7M2 -7l4 5',
  intermittent: 'M0 -8V8M-8 0H8M-5 -5a7 7 0 0 1 10 0M-5 5a7 7 0 0 0 10 0',
  'pins in holes': 'M-7 0a7 7 0 1 1 14 0a7 7 0 1 1 -14 0M-3 -3h0.1M3 -3h0.1M-3 3h0.1M3 3h0.1',
};

/** Signs in as few rows as keep them apart; what hangs in no column has none. */
export function jointSigns(
  machine: Machine,
  columnOf: ReadonlyMap<string, string>,
  place: ReadonlyMap<string, number>,
): JointSign[] {
  const members = new Map(machine.wheels.map(w => [w.id, w.member] as const));
  const taken: [number, number][][] = [];
  return machine.joints.flatMap((j): JointSign[] => {
    if (j.kind === 'mesh' || j.kind === 'chain') return [];
    const at = jointEnds(j).flatMap(([kind, id]) => {
      const x = place.get(columnOf.get(kind === 'wheel' ? (members.get(id) ?? '') : id) ?? '');
      return x === undefined ? [] : [x];
    });
    if (at.length === 0) return [];
    const [from, to] = [Math.min(...at), Math.max(...at)];
    const free = taken.findIndex(row => row.every(([a, b]) => to < a || from > b));
    const row = free === -1 ? taken.length : free;
    taken[row] = [...(taken[row] ?? []), [from, to]];
    return [{ id: j.id, kind: j.kind, called: factsOf(j).called, from, to, row }];
  });
}
