export * from './job.ts';
export * from './search-job.ts';
