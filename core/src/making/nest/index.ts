/** Parts on sheets. */
export * from './nest.ts';
