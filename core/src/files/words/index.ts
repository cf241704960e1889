/** Findings, problems and readings as sentences. */
export * from './problem.ts';
export * from './finding.ts';
export * from './fix-words.ts';
export type { FindingWords } from './finding-words.ts';
export * from './caution.ts';
export * from './drift.ts';
export * from './names.ts';
export * from './search.ts';
export * from './rate.ts';
export * from './say-reading.ts';
export * from './say-set.ts';
