import type { Machine, Wheel } from '../machine/index.ts';

/** Height of the lower face of a wheel, mm: its layer times the height of one layer. */
export const wheelHeight = (stack: Machine['stack'], wheel: Wheel): number =>
  wheel.layer * (stack.thickness + stack.gap);

/** Thickness of a wheel, mm: its own, or the stock's. */
export const wheelThickness = (stack: Machine['stack'], wheel: Wheel): number =>
  wheel.thickness ?? stack.thickness;

/** The lowest layer above all wheels; 0 for a machine without any. */
export const nextLayer = (machine: Machine): number =>
  machine.wheels.reduce((top, w) => Math.max(top, w.layer + 1), 0);
