/** What is judged of what is derived: findings with their mends. */
export { armFindings } from './arm-findings.ts';
export * from './body-findings.ts';
export { dividesFlat } from './split-findings.ts';
export * from './closure.ts';
export * from './contact-fixes.ts';
export * from './drive-findings.ts';
export * from './feature-findings.ts';
export * from './form-findings.ts';
export * from './involute-findings.ts';
export * from './make-findings.ts';
export * from './reducer-findings.ts';
export * from './ring-findings.ts';
export * from './teeth-facts.ts';
export * from './teeth-findings.ts';
export * from './untold.ts';
export * from './assembled.ts';
export * from './in-place-findings.ts';
export * from './crossing-findings.ts';
