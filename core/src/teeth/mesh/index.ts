/** Two wheels together: phase, contact, play, rolled. */
export * from './centre-distance.ts';
export * from './contact-ratio.ts';
export * from './internal-contact-ratio.ts';
export * from './phase.ts';
export * from './ring-interference.ts';
export * from './choose-shift.ts';
export * from './roll.ts';
export * from './flank-gap.ts';
export * from './engagement.ts';
export * from './roll-check.ts';
export * from './peg-contact.ts';
export * from './peg-check.ts';
export * from './what-if.ts';
export * from './close-up.ts';
export * from './roll-findings.ts';
