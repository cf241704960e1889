/** Changes of the document that need nothing but the document. */
export * from './patch.ts';
export * from './aims.ts';
export * from './drive.ts';
export * from './whole.ts';
export * from './searches.ts';
export * from './remove.ts';
export * from './insert-idler.ts';
export * from './insert-layer.ts';
export * from './fix.ts';
export * from './prune.ts';
export * from './own-toothing.ts';
export * from './making.ts';
export * from './shift-together.ts';
export * from './shape-arbor.ts';
