import type { Indicator } from './types.ts';

/** A boss through which a grub screw goes: how high, and its wall round the arbor, mm (common practice, no source). */
export const SCREW_BOSS = { height: 6, wall: 4 };

/** Whether a hand, or the arm of a body, is held by a grub screw. */
export const screwedOn = (i: Indicator): boolean =>
  (i.kind === 'hand' || (i.kind === 'body' && i.distance > 0)) && i.hold === 'grub screw';
