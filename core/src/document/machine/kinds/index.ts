export * from './can.ts';
export * from './forms.ts';
export { factsOf, type JointEnd, jointEnds, type JointFacts, type JointKind, JOINTS } from './joints.ts';
export * from './indicators.ts';
export * from './meshes.ts';
export * from './sizes.ts';
