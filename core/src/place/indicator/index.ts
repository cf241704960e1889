/** Hands, dials, globes, bodies and how they read. */
export * from './body-arm.ts';
export * from './balance.ts';
export * from './body-arm-of.ts';
export * from './pointing.ts';
export * from './reading.ts';
export * from './numerals.ts';
export * from './window-path.ts';
export * from './dial-figure.ts';
export * from './hand-figure.ts';
export * from './indicator-findings.ts';
export * from './indicator-figure.ts';
