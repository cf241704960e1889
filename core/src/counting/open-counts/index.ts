/** Open counts filled towards the outputs. */
export * from './blank.ts';
export * from './blank-system.ts';
export * from './sum-rules.ts';
export * from './finder.ts';
export * from './fill.ts';
export * from './blank-aims.ts';
export * from './fill-limits.ts';
