import type { Machine, Process } from '../../document/machine/index.ts';

/**
 * A caution for a way of making, by code; its words stand where it is shown. Common practice; local codes and the
 * maker of a tool go first.
 */
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
  | 'strength'
  | 'magnets'
  | 'stored-energy'
  | 'small-parts'
  | 'mains';

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

/** Thinner pins and magnets than this are swallowed easily, mm: common practice, no source. */
const SMALL = 8;

/** The cautions that follow from what a machine is made of and what drives it. */
export function cautionsOf(machine: Pick<Machine, 'toothings' | 'drive'>): readonly Caution[] {
  const found: Caution[] = [];
  if (machine.toothings.some(t => t.form.kind === 'magnetic')) found.push('magnets');
  if (machine.drive?.by === 'clockwork') found.push('stored-energy');
  if (machine.drive?.by === 'motor') found.push('mains');
  if (machine.toothings.some(t => 'pinDiameter' in t.form && t.form.pinDiameter < SMALL))
    found.push('small-parts');
  return found;
}
