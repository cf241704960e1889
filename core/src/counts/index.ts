export * from './query.ts';
export * from './candidate.ts';
export * from './search.ts';
