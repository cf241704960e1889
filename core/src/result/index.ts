export * from './result.ts';
export * from './finding.ts';
