/** Questions asked on demand: sky events, drift courses, torque. */
export * from './drift-course.ts';
export * from './drift-share.ts';
export * from './indicator-facts.ts';
export * from './sky-events.ts';
export * from './sky-reading.ts';
export * from './torque.ts';
export * from './uneven-sky.ts';
export * from './wheel-figures.ts';
