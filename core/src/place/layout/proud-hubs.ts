import type { Machine, Wheel } from '../../document/machine/index.ts';
import { boreReach } from '../../teeth/body/index.ts';
import { wheelThickness } from './layers.ts';
import type { Band, Stack } from './stack.ts';

/** A hub that stands out of the face of its wheel, on its arbor. Lengths in mm. */
export interface ProudHub {
  readonly wheel: Wheel;
  readonly side: 'front' | 'back';
  readonly height: number;
  readonly radius: number;
  readonly band: Band;
}

/** A hub is twice its bore across, where nothing is said (common practice, no source). */
const HUB_BY_BORE = 2;

/** Across the hub of a wheel, mm: as said, or twice its bore; undefined for a wheel without a bore. */
export const hubAcross = ({ body, bore }: Pick<Wheel, 'body' | 'bore'>): number | undefined =>
  !bore || bore.kind === 'none' ? undefined : (body?.hubDiameter ?? HUB_BY_BORE * 2 * boreReach(bore));

/** Whether a hub stands out of a wheel with a bore. Rings, racks, plates of pins and swung discs have none. */
export const standsOut = (wheel: Wheel): boolean =>
  wheel.body?.proud !== undefined &&
  hubAcross(wheel) !== undefined &&
  (wheel.role === 'wheel' || wheel.role === 'sprocket');

/** The hub that stands out of a wheel, where it is in the machine; undefined where none does. */
export function proudHub(
  { stack }: Pick<Machine, 'stack'>,
  layers: Stack['layers'],
  wheel: Wheel,
): ProudHub | undefined {
  const said = wheel.body?.proud;
  const [band, across] = [layers.get(wheel.layer), hubAcross(wheel)];
  if (!said || !band || across === undefined || !standsOut(wheel)) return undefined;
  const top = band.from + wheelThickness(stack, wheel);
  const { side, height } = said;
  return {
    ...{ wheel, side, height, radius: across / 2 },
    band: side === 'front' ? { from: top, to: top + height } : { from: band.from - height, to: band.from },
  };
}

/** The hubs that stand out of the wheels of a machine, or of one arbor. */
export const proudHubs = (
  machine: Pick<Machine, 'stack' | 'wheels'>,
  { layers }: Pick<Stack, 'layers'>,
  arbor?: string,
): ProudHub[] =>
  machine.wheels.flatMap(w =>
    arbor === undefined || w.member === arbor ? (proudHub(machine, layers, w) ?? []) : [],
  );
