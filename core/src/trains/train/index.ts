/** Laws of joints, exact rates, how motion comes to every member. */
export * from './frames.ts';
export * from './equations.ts';
export * from './rate-equation.ts';
export * from './solve.ts';
export * from './joints/index.ts';
export * from './train-rates.ts';
export * from './ground-rate.ts';
export * from './drive-flow.ts';
export * from './play-shares.ts';
