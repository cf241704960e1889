import { joinFrom, rowFrom } from '../core/src/edits/edit/index.ts';
import type { Machine } from '../core/src/document/machine/index.ts';
import { must } from '../core/src/ground/result/index.ts';
import { derive } from '../core/src/state/derive/index.ts';
import { sixtyWheels } from './sixty-wheels.ts';

/** A machine for measuring: sixty wheels, six cranks with slides, six four-bars, and a row of twenty cams. */
export function linkedWheels(): Machine {
  let machine: Machine = { ...sixtyWheels(), name: 'Sixty wheels, linked' };
  const { at } = derive(machine).positions;
  for (let i = 0; i < 6; i++) {
    const join = (kind: 'crank' | 'four-bar', arbor: number): Machine =>
      must(joinFrom({ kind, from: `arbor${arbor}`, radius: 12 + i, at })(machine)).machine;
    machine = join('crank', 2 + 2 * i);
    machine = join('four-bar', 3 + 2 * i);
  }
  const { machine: one, made } = must(joinFrom({ kind: 'cam', from: 'arbor1', radius: 24, at })(machine));
  return must(rowFrom(made, { count: 20, phaseDeg: 18, dx: 0, dy: 0, layers: 2, at })(one)).machine;
}
