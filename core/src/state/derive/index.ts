/** Everything a screen shows, stage by stage. */
export * from './derive.ts';
export { sizedAs } from './sized-as.ts';
export { settle } from './settle.ts';
export { type WheelPlane, wheelPlane } from './wheel-plane.ts';
export * from './layout-of.ts';
export { wheelPiece } from './wheel-piece.ts';
