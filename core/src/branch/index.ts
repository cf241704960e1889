export * from './query.ts';
export * from './search.ts';
