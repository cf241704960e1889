import type { Machine } from '../../document/machine/index.ts';
import { wheelThickness } from './layers.ts';
import type { PinPlate } from './reducer-layers.ts';
import type { Stack } from './stack.ts';

/** How far the pins of a reducer's ring stand out of their plate: to the far side of the last disc, mm. */
export function pinReach(
  machine: Pick<Machine, 'stack'>,
  { layers }: Pick<Stack, 'layers'>,
  { wheel, rolling }: PinPlate,
): number {
  const face = (layers.get(wheel.layer)?.from ?? 0) + wheelThickness(machine.stack, wheel);
  const ends = rolling.map(
    ({ disc }) => (layers.get(disc.layer)?.from ?? 0) + wheelThickness(machine.stack, disc),
  );
  return Math.max(0, ...ends.map(to => to - face));
}
