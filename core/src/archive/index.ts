export * from './all-files.ts';
export * from './working-text.ts';
