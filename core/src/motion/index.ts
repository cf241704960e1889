export * from './angle.ts';
export * from './place.ts';
export * from './copies.ts';
