/** What is bought by published series, with its sizes and its sources. */
export * from './ball-bearings.ts';
export * from './clips.ts';
export * from './dowels.ts';
export * from './magnets.ts';
export * from './screws.ts';
