export * from './cautions.ts';
export * from './compensation.ts';
export * from './parts-list.ts';
