/** Positions in time, uneven joints, recurrence. */
export * from './angle.ts';
export * from './stance.ts';
export * from './copies.ts';
export * from './stands.ts';
export * from './moving-slides.ts';
export * from './joint-course.ts';
export * from './traced-paths.ts';
export * from './link-figure.ts';
export * from './cam-figure.ts';
export * from './moving.ts';
export * from './recurrence.ts';
export * from './turns-for.ts';
export * from './true-motion.ts';
export * from './speeds.ts';
export * from './by-hand.ts';
export * from './loop.ts';
export * from './tooth-step.ts';
