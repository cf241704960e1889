export * from './library/index.ts';
export * from './drift.ts';
