/** Parallel pins as they are bought: across, and the lengths they come in, mm. */
export interface Dowel {
  readonly diameter: number;
  readonly lengths: readonly number[];
}

const LENGTHS = [
  ...[2, 3, 4, 5, 6, 8, 10, 12, 14, 16, 18, 20, 22, 24, 26, 28, 30, 32, 35, 40, 45, 50, 55, 60],
  ...[65, 70, 75, 80, 85, 90, 95, 100, 120, 140, 160, 180, 200],
];
const between = (from: number, to: number): readonly number[] => LENGTHS.filter(l => l >= from && l <= to);

/** Parallel pins, tolerance m6 or h8. Source: ISO 2338:1997, diameters and lengths (from memory). */
export const DOWELS: readonly Dowel[] = [
  { diameter: 1, lengths: between(4, 10) },
  { diameter: 1.2, lengths: between(4, 12) },
  { diameter: 1.5, lengths: between(4, 16) },
  { diameter: 2, lengths: between(6, 20) },
  { diameter: 2.5, lengths: between(6, 24) },
  { diameter: 3, lengths: between(8, 30) },
  { diameter: 4, lengths: between(8, 40) },
  { diameter: 5, lengths: between(10, 50) },
  { diameter: 6, lengths: between(12, 60) },
  { diameter: 8, lengths: between(14, 80) },
  { diameter: 10, lengths: between(18, 95) },
  { diameter: 12, lengths: between(22, 140) },
];

/** By how much a bought pin may be shorter than is drawn, mm (our choice). */
const SHORTER = 0.5;

/**
 * The parallel pin for one that is drawn so thick and long, mm: of that diameter, the longest that is no longer, if it
 * is hardly shorter; undefined where none is bought so.
 */
export function dowelFor(diameter: number, length: number): { diameter: number; length: number } | undefined {
  const dowel = DOWELS.find(d => Math.abs(d.diameter - diameter) < 1e-6);
  const longest = dowel?.lengths.filter(l => l <= length + 1e-6).at(-1);
  return dowel && longest !== undefined && length - longest <= SHORTER
    ? { diameter, length: longest }
    : undefined;
}
