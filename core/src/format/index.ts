export * from './svg.ts';
export * from './csv.ts';
