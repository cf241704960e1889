/** Bores, webs, marks. */
export * from './bore.ts';
export * from './web.ts';
export * from './mark.ts';
export * from './running-fit.ts';
