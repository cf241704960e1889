/** Test pieces and what they tell. */
export * from './coupons.ts';
export * from './fitting.ts';
export * from './student.ts';
export * from './wheel-pair.ts';
