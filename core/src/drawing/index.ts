export * from './drawing.ts';
export * from './table.ts';
