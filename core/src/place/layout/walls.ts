import type { Machine, Wheel } from '../../document/machine/index.ts';

/** The layer in which the wall of a ring lies that closes it on one side; undefined for a ring without one. */
export const wallLayer = ({ mount, layer, role }: Wheel): number | undefined =>
  mount?.kind === 'wall' && role === 'ring' ? layer + (mount.side === 'front' ? 1 : -1) : undefined;

/** The rings of an arbor that have a wall, with its layer. */
export const wallsOf = (
  machine: Pick<Machine, 'wheels'>,
  arbor: string,
): { readonly wheel: Wheel; readonly layer: number }[] =>
  machine.wheels.flatMap(wheel => {
    const layer = wheel.member === arbor ? wallLayer(wheel) : undefined;
    return layer === undefined ? [] : [{ wheel, layer }];
  });
