import { type FoldQuery, type LayoutParts, layoutParts } from '../../place/layout/index.ts';
import type { Derived } from '../state/index.ts';
import { distancesOf } from './mesh-state.ts';

/** What the layout of a machine is reckoned from, for looking further than its state says. */
export const layoutOf = ({ machine, train, positions, extents }: Derived): LayoutParts =>
  layoutParts(
    machine,
    { rates: train.rates, uneven: new Set(Object.keys(train.responses)), at: positions.at },
    extents,
  );

/** A question to the folding of a machine's train. */
export function foldQuery(
  derived: Derived,
  ask: Pick<FoldQuery, 'starts' | 'wanted' | 'seed' | 'pillarsStay'>,
): FoldQuery {
  const { machine, train, extents, stages, meshes } = derived;
  return {
    ...{ machine, rates: train.rates, uneven: Object.keys(train.responses), extents, ...ask },
    distances: distancesOf(machine, stages.modules.value, meshes),
  };
}
