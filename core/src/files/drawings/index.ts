/** Machine to drawing. */
export * from './wheel-drawing.ts';
export * from './plan-drawing.ts';
export * from './file-name.ts';
export * from './bevel-drawings.ts';
export * from './drilling.ts';
export * from './indicator-drawing.ts';
export * from './side-scene.ts';
export * from './side-frame.ts';
export * from './side-drawing.ts';
export * from './cam-table.ts';
export * from './traced-drawing.ts';
