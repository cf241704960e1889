/** Bores, webs, marks. */
export * from './lugs.ts';
export * from './divide.ts';
export * from './bolts.ts';
export * from './bore.ts';
export * from './web.ts';
export * from './mark.ts';
export * from './running-fit.ts';
