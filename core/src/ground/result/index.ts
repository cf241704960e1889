/** Answers, findings, problems and mends, each with what it carries. */
export * from './result.ts';
export * from './table.ts';
export * from './finding.ts';
export * from './findings.ts';
export * from './fixes.ts';
export * from './problems.ts';
