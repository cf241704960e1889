import workerpool from 'workerpool';

/**
 * For tests that run side by side: their processes get two minutes to end, not one second. On a slow machine one that is
 * killed before has not written what it covered.
 */
const { pool } = workerpool;
workerpool.pool = (script, options) => pool(script, { ...options, workerTerminateTimeout: 120_000 });
