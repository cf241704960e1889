/** Writers and readers of files; they know no machine. */
export * from './file-formats.ts';
export * from './svg.ts';
export * from './csv.ts';
export * from './dxf.ts';
export * from './drawn-lines.ts';
export * from './read-dxf.ts';
export * from './read-svg.ts';
export * from './border.ts';
export * from './stl.ts';
export * from './threemf.ts';
export * from './tiles.ts';
export * from './pdf.ts';
export { bossOf, type Prism, writeStep } from './step.ts';
export * from './step-assembly.ts';
export * from './read-mesh.ts';
export * from './zip.ts';
export * from './list-pdf.ts';
