/** The search for tooth counts. */
export * from './query.ts';
export * from './stock.ts';
export * from './read-train.ts';
export * from './candidate.ts';
export * from './search.ts';
export type { SearchProgress } from './weigh.ts';
export * from './ladder.ts';
export * from './relax.ts';
export * from './goals.ts';
export * from './ways.ts';
export { differentCounts } from './different.ts';
