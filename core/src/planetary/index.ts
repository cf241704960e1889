export * from './set.ts';
export * from './assembly.ts';
export * from './search.ts';
