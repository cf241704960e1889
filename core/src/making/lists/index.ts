/** What a machine takes: parts, what is bought, what no file makes. */
export * from './parts-list.ts';
export * from './hardware.ts';
export * from './not-made.ts';
