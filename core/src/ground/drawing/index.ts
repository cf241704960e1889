/** A drawing and a table, as data. */
export * from './drawing.ts';
export * from './table.ts';
