export * from './cautions.ts';
export * from './parts-list.ts';
