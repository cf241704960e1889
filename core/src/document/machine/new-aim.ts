import { freeId } from './lookup.ts';
import type { Aim, Machine } from './types.ts';

/** An aim as it starts: with the drive, a degree in a Julian year; in a hundred turns where the drive has no period. */
export function newAim(machine: Machine, name: string, wanted: string): Aim {
  const free = machine.drive?.speed.kind === 'free';
  return {
    id: freeId(machine, 'aim'),
    name: name.slice(0, 120),
    wanted,
    sense: 'with the drive',
    tolerance: { amount: '1', over: free ? '100 turns' : '1 Julian year' },
    frame: 'ground',
  };
}
