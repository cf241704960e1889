import {
  armLayers,
  type Band,
  cannotBeOnePiece,
  LEAF,
  onePieces,
  wallLayer,
} from '../../place/layout/index.ts';
import { byId, type Machine, processOf } from '../../document/machine/index.ts';
import { type Finding, finding, type Fix, fix } from '../../ground/result/index.ts';
import type { SizeParts } from './part-sizes.ts';

type Parts = Pick<Machine, 'stack' | 'making' | 'processes' | 'process'> &
  Omit<SizeParts, 'states' | 'extents' | 'at'>;

const NEAR = 1e-6;

/** What is said to be one piece with its arbor and cannot be made so, or not be put together. */
export const onePieceFindings = (machine: Parts): Finding[] => [
  ...cannotBeOnePiece(machine).map(id =>
    finding('one-piece-not-cut', 'warn', 'make', [id], { process: processOf(machine, id)?.kind ?? 'tool' }),
  ),
  ...throughPlates(machine),
];

/**
 * A piece that is wider than its arbor on both sides of a plate goes through no hole of it: what it has on the side of
 * fewer parts is to be a part of its own.
 */
function throughPlates(machine: Parts): Finding[] {
  const { laid } = machine;
  return onePieces(machine, laid.pieces).flatMap(one => {
    const wheels = one.wheels.flatMap(id => {
      const wheel = byId(machine.wheels, id);
      return wheel ? [at(wheel.id, laid.stack.layers.get(wheel.layer))] : [];
    });
    const walls = one.walls.map(id => {
      const wheel = byId(machine.wheels, id);
      return at(id, wheel && laid.stack.layers.get(wallLayer(wheel) ?? NaN));
    });
    const bar = one.arm
      ? [at(`arm ${one.arbor}`, laid.stack.layers.get(armLayers(machine).get(one.arbor) ?? NaN))]
      : [];
    const shown = one.shown.map(id => {
      const seat = laid.spans.seats.get(id);
      return at(id, seat && { from: seat.low, to: seat.low + LEAF });
    });
    const wide = [...wheels, ...walls, ...bar, ...shown].flat();
    return laid.plates.flatMap(plate => {
      const above = wide.filter(w => w.band.from >= plate.band.to - NEAR);
      const below = wide.filter(w => w.band.to <= plate.band.from + NEAR);
      if (above.length === 0 || below.length === 0) return [];
      const fewer = [...new Set((above.length <= below.length ? above : below).map(w => w.id))];
      const data = { name: one.name, side: plate.side };
      return [
        finding(
          'one-piece-through-plate',
          'warn',
          'make',
          [one.arbor],
          data,
          fewer.flatMap(id => loose(machine, id)),
        ),
      ];
    });
  });
}

const at = (id: string, band: Band | undefined): { id: string; band: Band }[] => (band ? [{ id, band }] : []);

/** What makes something a part of its own again. */
function loose(machine: Parts, id: string): Fix[] {
  if (byId(machine.indicators, id)) return [fix('press-on', id)];
  return byId(machine.wheels, id)?.role === 'wheel' ? [fix('glue-on', id)] : [];
}
