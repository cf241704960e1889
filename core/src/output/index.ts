export * from './wheel-drawing.ts';
export * from './plan-drawing.ts';
export * from './file-name.ts';
export * from './bevel-drawings.ts';
export * from './drilling.ts';
