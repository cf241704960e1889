export * from './patch.ts';
export * from './remove.ts';
export * from './insert-idler.ts';
export * from './fix.ts';
export * from './prune.ts';
export * from './making.ts';
