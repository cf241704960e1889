export * from './plant-train.ts';
export * from './describe-candidate.ts';
