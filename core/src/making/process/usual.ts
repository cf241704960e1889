import type { Material, Process } from '../../document/machine/index.ts';

/** What a process leaves between parts where nothing is said, mm: common practice, no source. */
const GAP: Readonly<Record<Process['kind'], number>> = { laser: 2, router: 3, saw: 4, printer: 4 };

/** Stock between parts on a sheet beside what is cut away, or room between bodies on a bed, mm. */
export const gapOf = (process: Process): number => process.gap ?? GAP[process.kind];

/** mm of cut a second, of a printer mm³ a second: common practice, no source; measure your own. */
const RATE: Readonly<Record<Process['kind'], number>> = { laser: 10, router: 12, saw: 3, printer: 6 };

/** How fast a process works. */
export const rateOf = (process: Process): number => process.rate ?? RATE[process.kind];

/** A sheet of stock, mm, and how many of it there are; without a number as many as are needed. */
export type Sheet = Material['sheets'][number];

/** The sheet that is taken when no material says one: common practice, no source. */
const SHEET: Readonly<Record<Process['kind'], Sheet>> = {
  laser: { width: 600, height: 400 },
  router: { width: 600, height: 400 },
  saw: { width: 400, height: 300 },
  printer: { width: 220, height: 220 },
};

/** The sheets that parts of a process are laid on: those of its material, the bed of a printer, or usual ones. */
export function sheetsOf(process: Process, material: Material | undefined): readonly Sheet[] {
  if (process.kind === 'printer') {
    const bed = bedOf(process);
    return [{ width: bed.width, height: bed.depth }];
  }
  return material && material.sheets.length > 0 ? material.sheets : [SHEET[process.kind]];
}

/** The room on a printer’s bed, mm; where nothing is said, of a common size (common practice, no source). */
export const bedOf = (process: Process): NonNullable<Process['bed']> =>
  process.bed ?? { width: 220, depth: 220, height: 250 };
