import type { Machine, Process } from '../../document/machine/index.ts';
import { type Estimate, estimate } from './student.ts';

/** What can be read off a coupon. */
export type Reading = 'comb' | 'outside' | 'hole' | 'first layer' | 'press' | 'sliding' | 'free';

/** The part of a profile that a reading decides. */
export type Fitted = 'kerf' | 'outlineGrowth' | 'holeShrink' | 'flare' | 'press' | 'sliding' | 'free';

/** Strips of the kerf comb. */
export const STRIPS = 10;

/**
 * What one reading says, from what was drawn (`nominal`) and what was measured (`value`), mm:
 * the strips of a comb, pushed together, are short by one kerf each; an outside is too wide by twice its growth; a
 * hole is too small by its shrinkage; a first layer is wider than the next ones by twice its flare; the hole that
 * fits is larger than the rod by what the fit leaves.
 */
const SAYS: Readonly<
  Record<Reading, { readonly field: Fitted; readonly of: (nominal: number, value: number) => number }>
> = {
  comb: { field: 'kerf', of: (nominal, value) => (nominal - value) / STRIPS },
  outside: { field: 'outlineGrowth', of: (nominal, value) => (value - nominal) / 2 },
  hole: { field: 'holeShrink', of: (nominal, value) => nominal - value },
  'first layer': { field: 'flare', of: (nominal, value) => (value - nominal) / 2 },
  press: { field: 'press', of: (nominal, value) => value - nominal },
  sliding: { field: 'sliding', of: (nominal, value) => value - nominal },
  free: { field: 'free', of: (nominal, value) => value - nominal },
};

const isReading = (what: string): what is Reading => what in SAYS;

/** What the readings of a process say of its profile, each with how sure it is. */
export function fittedFrom(
  machine: Pick<Machine, 'measurements'>,
  process: Pick<Process, 'id'>,
): Partial<Readonly<Record<Fitted, Estimate>>> {
  const found = new Map<Fitted, number[]>();
  for (const m of machine.measurements) {
    if (m.subject !== process.id || !isReading(m.what) || m.nominal === undefined) continue;
    const { field, of } = SAYS[m.what];
    found.set(field, [...(found.get(field) ?? []), of(m.nominal, m.value)]);
  }
  return Object.fromEntries([...found].map(([field, values]) => [field, estimate(values)]));
}

const FITS: ReadonlySet<Fitted> = new Set(['press', 'sliding', 'free']);
/** Figures of a profile are kept to a hundredth of a millimetre's tenth: finer than any of them is known. */
const rounded = (x: number): number => Math.round(x * 1000) / 1000 + 0;

/** A profile with what its readings say; what was never measured stays as it was. */
export function withFitted(process: Process, fitted: ReturnType<typeof fittedFrom>): Process {
  let fits = process.fits;
  let changed: Process = process;
  for (const [field, { value }] of Object.entries(fitted) as [Fitted, Estimate][]) {
    if (FITS.has(field)) fits = { ...fits, [field]: rounded(value) };
    else
      changed = {
        ...changed,
        [field]: field === 'kerf' || field === 'flare' ? Math.max(0, rounded(value)) : rounded(value),
      };
  }
  return fits ? { ...changed, fits } : changed;
}
