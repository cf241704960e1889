export type { SolidKit } from './kit.ts';
export * from './wheel-solid.ts';
export * from './part-solids.ts';
export * from './bed-file.ts';
export * from './arrange-bed.ts';
