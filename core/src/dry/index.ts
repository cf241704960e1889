export * from './compare.ts';
export * from './cutter.ts';
export * from './printer.ts';
