/** The document: schema, limits, kinds, reading, migrating, writing. */
export * from './types.ts';
export { FORMAT, VERSION, MachineSchema } from './schema/machine.ts';
export { GROUND } from './schema/basic.ts';
export { type Limit, LIMITS, MOST } from './schema/limits.ts';
export { soundAfter } from './sound-after.ts';
export * from './codec.ts';
export * from './integrity.ts';
export * from './kinds/index.ts';
export * from './lookup.ts';
export * from './place.ts';
export * from './tooth-size.ts';
export * from './new-machine.ts';
export * from './new-aim.ts';
export * from './teeth-groups.ts';
