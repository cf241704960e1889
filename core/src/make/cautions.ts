import type { Process } from '../machine/index.ts';

/** A caution for a way of making, by code; its words stand where it is shown. Common practice; local codes and the maker of a tool go first. */
export type Caution =
  | 'laser-chlorine'
  | 'laser-fire'
  | 'eyes'
  | 'fumes'
  | 'hot-parts'
  | 'dust'
  | 'guards'
  | 'no-gloves'
  | 'small-work'
  | 'pinch'
  | 'strength';

const BY_PROCESS: Readonly<Record<Process['kind'], readonly Caution[]>> = {
  laser: ['laser-chlorine', 'laser-fire', 'fumes', 'eyes'],
  printer: ['hot-parts', 'fumes'],
  router: ['guards', 'eyes', 'dust', 'no-gloves', 'small-work'],
  saw: ['guards', 'eyes', 'dust', 'no-gloves', 'small-work'],
};

/** The cautions of a process, and those of every running model. */
export const cautionsFor = (kind: Process['kind']): readonly Caution[] => [
  ...BY_PROCESS[kind],
  'pinch',
  'strength',
];
