/** Mean motions of Sun, Moon and planets. */
export * from './mean-longitude.ts';
export * from './orbit.ts';
export * from './elongation.ts';
export * from './moon-phase.ts';
export * from './crossing.ts';
export * from './equation-of-time.ts';
export * from './sun-times.ts';
