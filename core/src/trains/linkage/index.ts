/** Linkages found for a wanted motion. */
export * from './find-linkage.ts';
export type { LinkageFound, LinkageNews, LinkageQuery, WantedMotion } from './wanted-motion.ts';
export { couplerPath, type FourBar, lengthsOf, roomOf, standsAt } from './four-bar.ts';
