/** Hands and dials made and set, bodies in proportion. */
export * from './new-indicator.ts';
export * from './set-reading.ts';
export * from './set-to-date.ts';
export * from './set-alone.ts';
export * from './proportions.ts';
export * from './arms.ts';
