/** Points, arcs, outlines, roots, triangle meshes. */
export * from './point.ts';
export * from './path.ts';
export * from './measure.ts';
export * from './border.ts';
export * from './root.ts';
export * from './sample.ts';
export * from './line.ts';
export * from './sound-facets.ts';
export * from './tri-mesh.ts';
export * from './stroke-letters.ts';
export * from './cylinder.ts';
export * from './inside.ts';
