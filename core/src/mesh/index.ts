export * from './centre-distance.ts';
export * from './contact-ratio.ts';
export * from './phase.ts';
export * from './roll.ts';
