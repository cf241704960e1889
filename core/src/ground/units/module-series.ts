/**
 * Modules for cylindrical gears from 1 mm up, ISO 54:1996, series I (from memory).
 */
const ISO_54_I = [1, 1.25, 1.5, 2, 2.5, 3, 4, 5, 6, 8, 10, 12, 16, 20, 25, 32, 40, 50];
/** Series II of ISO 54:1996 (from memory). */
const ISO_54_II = [1.125, 1.375, 1.75, 2.25, 2.75, 3.5, 4.5, 5.5, 6.5, 7, 9, 11, 14, 18, 22, 28, 36, 45];
/** Modules below 1 mm, DIN 780-1:1977, series 1 (from memory). */
const DIN_780 = [0.05, 0.06, 0.08, 0.1, 0.12, 0.16, 0.2, 0.25, 0.3, 0.4, 0.5, 0.6, 0.7, 0.8, 0.9];

/** Standard modules in mm, ascending: DIN 780-1 below 1 mm, ISO 54 series I and II from there up. */
export const STANDARD_MODULES: readonly number[] = [...DIN_780, ...ISO_54_I, ...ISO_54_II].sort(
  (a, b) => a - b,
);
