export * from './angle.ts';
export * from './stance.ts';
export * from './copies.ts';
export * from './uneven.ts';
export * from './moving.ts';
