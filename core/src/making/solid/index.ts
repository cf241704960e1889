/** Bodies, beds, the machine in space. */
export type { SolidKit } from './kit.ts';
export type { SolidFacts } from './solid-facts.ts';
export * from './wheel-solid.ts';
export * from './part-solids.ts';
export * from './bed-plates.ts';
export * from './extra-parts.ts';
export * from './one-piece-body.ts';
export * from './print-in-place.ts';
export * from './space-scene.ts';
export * from './coupon-bodies.ts';
export * from './space-item.ts';
export * from './space-hubs.ts';
