import { newAim } from '../../document/machine/new-aim.ts';
import type { Aim } from '../../document/machine/types.ts';
import { type Edit, patch } from './patch.ts';

/** Changes some fields of an aim. */
export const setAim = (id: string, change: Partial<Omit<Aim, 'id'>>): Edit =>
  patch('aims', id, a => ({ ...a, ...change }));

/** Says from which arm an aim is seen; undefined: it stands on the ground. */
export const setSeenFrom = (id: string, seenFrom: Aim['seenFrom']): Edit =>
  patch('aims', id, ({ seenFrom: _, ...a }) => (seenFrom ? { ...a, seenFrom } : a));

/** Adds an aim after the others. */
export const addAim =
  (aim: Aim): Edit =>
  machine => ({ ...machine, aims: [...machine.aims, aim] });

/** Adds aims by name and what is wanted, in that order. */
export const addAims =
  (listed: readonly { readonly name: string; readonly wanted: string }[]): Edit =>
  machine =>
    listed.reduce((m, { name, wanted }) => addAim(newAim(m, name, wanted))(m), machine);

/** Lets all outputs turn the same way. */
export const setAllSenses =
  (sense: Aim['sense']): Edit =>
  machine => ({ ...machine, aims: machine.aims.map(a => ({ ...a, sense })) });
