/** Exact fractions, whole numbers, chance with a seed. */
export * from './integer.ts';
export * from './rational.ts';
export * from './decimal.ts';
export * from './continued-fraction.ts';
export * from './seeded.ts';
