export * from './svg.ts';
export * from './csv.ts';
export * from './dxf.ts';
export * from './drawn-lines.ts';
export * from './read-dxf.ts';
export * from './read-svg.ts';
export * from './border.ts';
