export * from './types.ts';
export { FORMAT, VERSION, MachineSchema } from './schema/machine.ts';
export { GROUND } from './schema/basic.ts';
export * from './codec.ts';
export * from './integrity.ts';
export * from './lookup.ts';
export * from './tooth-size.ts';
export * from './new-machine.ts';
export * from './edit/index.ts';
