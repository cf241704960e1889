export * from './positions.ts';
export * from './layers.ts';
export * from './phases.ts';
export * from './clearance.ts';
export * from './copied-axes.ts';
export * from './assembly-findings.ts';
