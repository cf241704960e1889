/** Long work in slices. */
export * from './job.ts';
export * from './roll-job.ts';
export * from './search-job.ts';
