/** The working of a figure. */
export * from './working.ts';
export * from './ratio.ts';
export * from './module.ts';
export * from './undercut.ts';
export * from './centre.ts';
export * from './contact.ts';
export * from './branch.ts';
export * from './height.ts';
export * from './lost-motion.ts';
export * from './path-from-drive.ts';
