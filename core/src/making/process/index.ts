/** Processes: compensation, cautions, usual values. */
export * from './cautions.ts';
export * from './drill-size.ts';
export * from './compensation.ts';
export * from './usual.ts';
export * from './kept-apart.ts';
