import { type Machine, newMachine } from '../src/document/machine/index.ts';
import type { Stance } from '../src/place/motion/index.ts';
import { stancesAt } from '../src/place/motion/index.ts';
import { derive } from '../src/state/derive/index.ts';

type Part = Machine['members'][number];

/** A drive at the origin, further arbors on axes of their own, and what else there is. Invented. */
export function linkage(
  arbors: Readonly<Record<string, readonly [x: number, y: number]>>,
  others: readonly Part[],
  joints: Machine['joints'],
): Machine {
  const base = newMachine('linkage');
  const drive = base.members.slice(0, 1);
  return {
    ...base,
    axes: [
      { id: 'axis1', frame: 'ground', place: { kind: 'given', x: 0, y: 0 } },
      ...Object.entries(arbors).map(([id, [x, y]]): Machine['axes'][number] => ({
        id: `at-${id}`,
        frame: 'ground',
        place: { kind: 'given', x, y },
      })),
    ],
    members: [
      ...drive,
      ...Object.keys(arbors).map((id): Part => ({ kind: 'arbor', id, name: id, axis: `at-${id}` })),
      ...others,
    ],
    wheels: [],
    joints,
  };
}

/** A slide whose line goes past the drive’s axis, so far to its left, at such an angle. */
export const slideBeside = (id: string, offset = 0, directionDeg = 0): Part => ({
  ...{ kind: 'slide', id, name: id, frame: 'ground', x: 0, y: 0, directionDeg },
  beside: { axis: 'axis1', offset },
});

export const rod = (id: string, length: number): Part => ({ kind: 'link', id, name: id, length });

/** A pin of a member. */
export const pin = (
  member: string,
  radius: number,
  angleDeg = 0,
): { member: string; radius: number; angleDeg: number } => ({
  member,
  radius,
  angleDeg,
});

/** Where things stand when the drive has turned by so many degrees, each time anew. */
export function standing(machine: Machine): (deg: number) => (id: string) => Stance {
  const { moving } = derive(machine);
  return deg => {
    const whole = Math.floor(deg / 360);
    const places = stancesAt(moving, { whole: BigInt(whole), part: deg / 360 - whole });
    return id => {
      const stance = places.get(id);
      if (!stance) throw new Error(`${id} stands nowhere`);
      return stance;
    };
  };
}
