/** What is derived, as types, and the stage that keeps it. */
export * from './derived.ts';
export * from './stage.ts';
export * from './aim-state.ts';
export * from './arm-frame.ts';
export * from './pair.ts';
export * from './mesh-overlap.ts';
export * from './wheel-in-plan.ts';
