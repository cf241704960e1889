/** The document: schema, limits, kinds, reading, migrating, writing. */
export * from './types.ts';
export { FORMAT, VERSION } from './format.ts';
export { MachineSchema } from './schema/machine.ts';
export { GROUND } from './ground.ts';
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
export * from './usual-rim.ts';
export * from './set-wheels.ts';
export * from './screw-boss.ts';
