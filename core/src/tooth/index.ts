export * from './tooth-spec.ts';
export * from './involute-function.ts';
export * from './involute-dimensions.ts';
export * from './involute-fillet.ts';
export * from './involute-outline.ts';
export * from './undercut.ts';
