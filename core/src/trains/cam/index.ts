/** Cams: the motion of their followers, their outlines, what they press, and rolling them. */
export * from './rise.ts';
export * from './cam-motion.ts';
export * from './cam-shape.ts';
export * from './cam-contact.ts';
export * from './cam-outline.ts';
export * from './cam-facts.ts';
export * from './cam-rolled.ts';
export * from './cam-speed.ts';
export { type Jet, periodicSpline } from './periodic-spline.ts';
