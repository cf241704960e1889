import { byId } from '../../document/machine/lookup.ts';
import type { Indicator, Machine } from '../../document/machine/types.ts';
import type { Edit } from './patch.ts';

/** Gives the machine another name. */
export const renameMachine =
  (name: string): Edit =>
  machine => ({ ...machine, name });

/** Takes a mode, or joins all where none is named or it is not there. */
export const setMode =
  (id: string): Edit =>
  ({ mode: _, ...machine }) =>
    byId(machine.modes, id) ? { ...machine, mode: id } : machine;

/** Changes the stock that all is laid in. */
export const setStack =
  (change: Partial<Machine['stack']>): Edit =>
  machine => ({ ...machine, stack: { ...machine.stack, ...change } });

/** Adds an indicator after the others. */
export const addIndicator =
  (indicator: Indicator): Edit =>
  machine => ({ ...machine, indicators: [...machine.indicators, indicator] });

/** Forgets a pose. */
export const removePose =
  (id: string): Edit =>
  machine => ({ ...machine, poses: machine.poses.filter(p => p.id !== id) });
