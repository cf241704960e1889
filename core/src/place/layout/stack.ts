import type { Machine } from '../../document/machine/index.ts';
import { armLayers } from './arms.ts';
import { linkPlates } from './link-plates.ts';
import { wheelThickness } from './layers.ts';
import { outputPlates } from './reducer-layers.ts';
import { wallLayer } from './walls.ts';

/** From one height to another along the axes, mm. */
export interface Band {
  readonly from: number;
  readonly to: number;
}

/**
 * The heights of all layers and plates, mm from the underside of the lowest; a layer is as thick as its thickest
 * wheel.
 */
export interface Stack {
  readonly layers: ReadonlyMap<number, Band>;
  readonly lowest: number;
  readonly highest: number;
  readonly back: Band | undefined;
  readonly front: Band | undefined;
  /** From the underside of the lowest to the top of the highest. */
  readonly height: number;
}

type Parts = Pick<Machine, 'stack' | 'layout' | 'wheels' | 'members' | 'axes' | 'joints'>;

/** Layers of what is as thick as the usual sheet: arms, walls, output plates, cams, cranks, rods and slides. */
const layersOfSheet = (machine: Parts): number[] => [
  ...armLayers(machine).values(),
  ...machine.wheels.flatMap(w => wallLayer(w) ?? []),
  ...outputPlates(machine).map(p => p.layer),
  ...linkPlates(machine).map(p => p.layer),
];

/** Piles up layers and plates with the air gap between them. An empty machine has one empty layer. */
export function stackOf(machine: Parts): Stack {
  const { gap, thickness } = machine.stack;
  const { plates } = machine.layout;
  const thick = new Map<number, number>();
  for (const w of machine.wheels)
    thick.set(w.layer, Math.max(thick.get(w.layer) ?? 0, wheelThickness(machine.stack, w)));
  for (const layer of layersOfSheet(machine)) thick.set(layer, Math.max(thick.get(layer) ?? 0, thickness));
  const used = [...thick.keys()];
  const lowest = used.length > 0 ? Math.min(...used) : 0;
  const highest = used.length > 0 ? Math.max(...used) : 0;
  const backAt = Math.min(highest, Math.max(lowest, plates?.back ?? lowest));
  const frontAt = Math.min(highest, Math.max(lowest, plates?.front ?? highest));
  const layers = new Map<number, Band>();
  let [back, front]: (Band | undefined)[] = [undefined, undefined];
  let z = 0;
  const lay = (height: number): Band => {
    const band = { from: z, to: z + height };
    z = band.to + gap;
    return band;
  };
  for (let layer = lowest; layer <= highest; layer++) {
    if (plates && layer === backAt) back = lay(plates.thickness);
    layers.set(layer, lay(thick.get(layer) ?? thickness));
    if (plates && !plates.plank && layer === frontAt) front = lay(plates.thickness);
  }
  return { layers, lowest, highest, back, front, height: z - gap };
}

/** Whether two bands share some height. */
export const overlap = (a: Band, b: Band): boolean => Math.min(a.to, b.to) - Math.max(a.from, b.from) > 1e-9;
