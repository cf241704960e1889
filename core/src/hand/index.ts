export * from './drive-new.ts';
export * from './axes-by-hand.ts';
export * from './key-together.ts';
export * from './layers-by-hand.ts';
export * from './hold.ts';
export * from './replace-stage.ts';
export * from './delete-with.ts';
export * from './mesh-kind.ts';
