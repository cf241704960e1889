export * from './derived.ts';
export * from './derive.ts';
export * from './aim-state.ts';
export { MACHINE_SUBJECT } from './teeth-findings.ts';
export type { ArmFrame } from './arm-frame.ts';
export { settle } from './settle.ts';
export { type WheelPlane, wheelPlane } from './wheel-plane.ts';
export { leastFeature } from './feature-findings.ts';
export { opposedDiscDeg } from './reducer-findings.ts';
