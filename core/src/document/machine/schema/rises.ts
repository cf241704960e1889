/** By what law a cam's follower goes from one lift to the next. */
export const RISES = ['uniform', 'harmonic', 'cycloidal', '3-4-5', 'modified trapezoid'] as const;
