import type { Machine } from '../../document/machine/index.ts';
import { fail, ok, type Result } from '../../ground/result/index.ts';
import { bodyOfPeriod, type SkyBody } from '../../document/sky/index.ts';
import { parseWanted } from '../../ground/units/index.ts';
import { toNumber } from '../../ground/rational/index.ts';

/** How distances or sizes are brought to scale: true, by their square roots, or by their logarithms. */
export type Scaling = 'true' | 'roots' | 'logarithms';

/**
 * Mean distances from what they go round, and mean radii, km. Distances of planets: semi-major axes of E. M.
 * Standish's table 1 × 149,597,870.7 km; radii: IAU working group on cartographic coordinates, 2015; moons: the
 * same and J. Meeus, ch. 44. From memory.
 */
const KM: Readonly<Record<string, readonly [distance: number, radius: number]>> = {
  mercury: [57_909_227, 2439.4],
  venus: [108_209_475, 6051.8],
  earth: [149_598_262, 6371],
  mars: [227_943_824, 3389.5],
  jupiter: [778_340_821, 69_911],
  saturn: [1_426_666_422, 58_232],
  uranus: [2_870_658_186, 25_362],
  neptune: [4_498_396_441, 24_622],
  moon: [384_400, 1737.4],
  'moon-phase': [384_400, 1737.4],
  io: [421_800, 1821.5],
  europa: [671_100, 1560.8],
  ganymede: [1_070_400, 2631.2],
  callisto: [1_882_700, 2410.3],
};

/** Mean distance and radius of a body of the sky, km. */
export function bodySize(body: SkyBody): { readonly distance: number; readonly radius: number } {
  const [distance, radius] = KM[body.id] ?? [];
  if (distance === undefined || radius === undefined) throw new Error(`bodySize: ${body.id}`);
  return { distance, radius };
}

/** The body of the sky that an output of a member is to follow. */
export function bodyShownBy(machine: Pick<Machine, 'aims'>, member: string): SkyBody | undefined {
  const aim = machine.aims.find(a => a.member === member);
  const wanted = aim && parseWanted(aim.wanted);
  return wanted?.ok && wanted.value.kind === 'period'
    ? bodyOfPeriod(toNumber(wanted.value.seconds))
    : undefined;
}

/**
 * Puts all bodies whose period is one of the sky's at distances, and gives them sizes, in the proportions of the
 * true ones. The farthest stands `farthest` mm from its axis and the largest has a radius of `largest` mm. Roots
 * keep the order and draw the span together; logarithms put equal ratios at equal steps, the nearest at a quarter
 * of the farthest. Refused where no body is known.
 */
export function inProportion<M extends Pick<Machine, 'aims' | 'indicators'>>(
  machine: M,
  farthest: number,
  largest: number,
  scaling: Scaling,
): Result<M> {
  const known = machine.indicators.flatMap(i => {
    const body = i.kind === 'body' ? bodyShownBy(machine, i.member) : undefined;
    return body ? [{ id: i.id, ...bodySize(body) }] : [];
  });
  if (known.length === 0) return fail('bodies-unknown');
  const distances = scaled(
    known.map(k => k.distance),
    farthest,
    scaling,
  );
  const radii = scaled(
    known.map(k => k.radius),
    largest,
    scaling,
  );
  const indicators = machine.indicators.map(i => {
    const at = known.findIndex(k => k.id === i.id);
    return i.kind === 'body' && at >= 0
      ? { ...i, distance: distances[at] ?? i.distance, radius: radii[at] ?? i.radius }
      : i;
  });
  return ok({ ...machine, indicators });
}

const NEAREST = 0.25;
/** Lengths are set to a hundredth of a millimetre, and never to nothing. */
const round = (x: number): number => Math.max(0.01, Number(x.toFixed(2)));

/** Values brought to a greatest one by a law. */
export function scaled(values: readonly number[], greatest: number, scaling: Scaling): number[] {
  const [least, most] = [Math.min(...values), Math.max(...values)];
  return values.map(v => {
    if (scaling === 'true') return round((greatest * v) / most);
    if (scaling === 'roots') return round(greatest * Math.sqrt(v / most));
    const part = most === least ? 1 : Math.log(v / least) / Math.log(most / least);
    return round(greatest * (NEAREST + (1 - NEAREST) * part));
  });
}
