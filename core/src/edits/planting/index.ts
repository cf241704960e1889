/** What a search found, planted in a machine as arbors, wheels and meshes. */
export * from './plant-train.ts';
export * from './settled-layers.ts';
export * from './builder.ts';
export * from './describe-candidate.ts';
export * from './plant-branches.ts';
export * from './search-query.ts';
export * from './branch-outputs.ts';
export * from './plant-planetary.ts';
export * from './kept-plan.ts';
