export * from './angle.ts';
export * from './place.ts';
