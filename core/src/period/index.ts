export * from './library.ts';
export * from './drift.ts';
