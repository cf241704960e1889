/** Planetary sets: ratios, assembly, counts. */
export * from './choice.ts';
export * from './set.ts';
export * from './assembly.ts';
export * from './search.ts';
export * from './interference.ts';
export * from './two-ring.ts';
export * from './ring-outside.ts';
export * from './shared-shifts.ts';
