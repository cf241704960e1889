/** Periods with source and uncertainty; drift. */
export * from './library/index.ts';
export * from './drift.ts';
export * from './body-list.ts';
