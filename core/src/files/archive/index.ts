/** Everything as files; long work of making. */
export * from './all-files.ts';
export * from './make-job.ts';
export * from './make-request.ts';
export * from './working-text.ts';
export * from './assembly-step.ts';
export * from './bag-lists.ts';
export { lacksStepOnly } from './part-steps.ts';
