/** Parts, sheets, patterns, hardware, estimates. */
export * from './batches.ts';
export * from './estimate.ts';
export * from './flat-parts.ts';
export * from './sheets.ts';
export * from './digit-strip.ts';
export * from './patterns.ts';
export * from './part-drawing.ts';
export * from './pieces-needed.ts';
export * from './bevel-mesh.ts';
export * from './flat-part.ts';
