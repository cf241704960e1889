/** All outputs at once, in four schools. */
export * from './query.ts';
export * from './search.ts';
export { type BranchChoices, planOf } from './plan.ts';
