export * from './mean-longitude.ts';
