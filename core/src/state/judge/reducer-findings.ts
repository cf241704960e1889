import { byId, type Machine, type Wheel } from '../../document/machine/index.ts';
import { outputPlates, type PinPlate } from '../../place/layout/index.ts';
import { type Finding, finding, fix } from '../../ground/result/index.ts';
import { holeOf } from './body-findings.ts';
import type { WheelState } from '../state/index.ts';
import { boreReach } from '../../teeth/body/index.ts';

/** A ring of holes for output pins in a reducer's disc; mm. */
interface OutputRing {
  readonly holes: number;
  /** Each the pin and twice the eccentricity across. */
  readonly radius: number;
  readonly circleRadius: number;
  /** The first disc of its output plate, whose turn the pins of the plate follow. */
  readonly first: string;
}

/** The rings of holes of a disc, by the joints that carry its output. */
export function outputRings(
  machine: Pick<Machine, 'wheels' | 'joints' | 'toothings'>,
  wheel: Wheel,
): OutputRing[] {
  const toothing = byId(machine.toothings, wheel.toothing);
  const form = toothing?.form;
  const eccentricity = form?.kind === 'reducer' ? form.eccentricity : 0;
  const play = (toothing?.play ?? 0) / 2;
  return outputPlates(machine).flatMap(({ discs, joint: { pins, pinDiameter, circle } }) =>
    discs.some(d => d.id === wheel.id)
      ? [
          {
            ...{ holes: pins, radius: pinDiameter / 2 + eccentricity + play },
            ...{ circleRadius: circle / 2, first: discs[0].id },
          },
        ]
      : [],
  );
}

/** Least wall of a disc, as a part of its pins' diameter (common practice, no source). */
const LEAST_WALL = 0.25;

/** Walls of a reducer's disc: from its output holes to the lobes' roots, to each other and to the bore. */
export function reducerFindings(
  machine: Pick<Machine, 'wheels' | 'joints' | 'toothings'>,
  wheel: Wheel,
  { teeth, dimensions }: WheelState,
): Finding[] {
  if (teeth.family !== 'reducer disc') return [];
  const hole = holeOf(wheel);
  const least = LEAST_WALL * teeth.spec.pinDiameter;
  return outputRings(machine, wheel).flatMap(({ holes, radius, circleRadius }) => {
    const walls = [
      ['the lobes', dimensions.rootRadius - circleRadius - radius],
      ['each other', 2 * circleRadius * Math.sin(Math.PI / holes) - 2 * radius],
      ['the bore', circleRadius - radius - (hole ? boreReach(hole) : 0)],
    ] as const;
    const [to, wall] = walls.reduce((m, w) => (w[1] < m[1] ? w : m));
    if (wall >= least) return [];
    return [finding('disc-wall', wall <= 0 ? 'stop' : 'warn', 'teeth', [wheel.id], { wall, least, to })];
  });
}

/**
 * How a second disc stands opposite the first on a double eccentric: turned by half a turn it is the same part when
 * the ring has an even number of pins; otherwise its lobes are cut half a lobe further round against the holes.
 * Degrees of the lobes against the holes.
 */
export const opposedDiscDeg = (lobes: number, pins: number): number => (pins % 2 === 0 ? 0 : 180 / lobes);

/** A plate of pins must lie in the layer behind the first of its discs; told once, at the mesh of that one. */
export function pinPlateFinding({ wheel, rolling }: PinPlate, mesh: string): Finding | undefined {
  const [nearest] = [...rolling].sort((a, b) => a.disc.layer - b.disc.layer);
  const disc = nearest?.disc.layer ?? 0;
  if (nearest?.mesh !== mesh || wheel.layer === disc - 1) return undefined;
  const data = { plate: wheel.layer, disc };
  return finding('pins-not-behind', 'stop', 'plan', [wheel.id], data, [
    fix('pins-behind', wheel.id, disc - 1),
  ]);
}
