/** A cutter and a printer that stand in for the real ones. */
export * from './compare.ts';
export * from './cutter.ts';
export * from './printer.ts';
