export * from './positions.ts';
export * from './layers.ts';
export * from './phases.ts';
export * from './clearance.ts';
