import type { Machine, Wheel } from '../../document/machine/index.ts';

/** Thickness of a wheel, mm: its own, or the stock's. */
export const wheelThickness = (stack: Machine['stack'], wheel: Wheel): number =>
  wheel.thickness ?? stack.thickness;

/** The lowest layers, from 0 up, in which no wheel lies yet. */
export function freeLayers(machine: Machine, count: number): number[] {
  const used = new Set(machine.wheels.map(w => w.layer));
  const free: number[] = [];
  for (let layer = 0; free.length < count; layer++) if (!used.has(layer)) free.push(layer);
  return free;
}
