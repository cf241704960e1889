export * from './nest.ts';
