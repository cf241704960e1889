/** Planetary sets that are kept one: changed, followed, found, let go. */
export * from './stage-parts.ts';
export * from './change-set.ts';
export * from './follow-sets.ts';
export * from './one-piece-carriers.ts';
export * from './read-places.ts';
export * from './set-facts.ts';
export * from './set-search.ts';
export * from './set-kept.ts';
export * from './set-stages.ts';
export * from './change-reducer.ts';
export * from './reducer-choices.ts';
export * from './reducer-parts.ts';
export * from './reducer-sizes.ts';
