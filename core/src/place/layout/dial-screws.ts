import { fixingScrew, type FixingScrew } from '../../document/bought/index.ts';
import { type Dial, GROUND, type Machine } from '../../document/machine/index.ts';
import { type Finding, finding, fix } from '../../ground/result/index.ts';
import { degrees, radians } from '../../ground/units/index.ts';
import { distance, flatten, inside, type Point, polar } from '../../ground/geometry/index.ts';
import { LEAST_BRIDGE, slotEnds } from './plate-holes.ts';
import type { Plate } from './plate-holes.ts';
import { LEAF, SEAT_GAP } from './seats.ts';
import type { LayoutParts } from './solids.ts';

/** A screw that holds a standing dial on the front plate, in the plan. */
export interface DialScrew {
  readonly dial: string;
  readonly at: Point;
  readonly screw: FixingScrew;
}

type Places = Readonly<Record<string, Point | undefined>>;

/** The dials that stand still, each with where its middle is. */
function standingDials(
  { indicators }: Pick<Machine, 'indicators'>,
  at: Places,
): { dial: Dial; middle: Point }[] {
  return indicators.flatMap(i => {
    const middle = i.kind === 'dial' && i.member === GROUND ? at[i.axis ?? ''] : undefined;
    return i.kind === 'dial' && middle ? [{ dial: i, middle }] : [];
  });
}

/** Where the screws of a dial are about its middle, their angles in the plan. */
function screwPlaces({ fixed }: Dial): Point[] {
  if (fixed?.by !== 'screws') return [];
  const { number, circle, atDeg } = fixed;
  return Array.from({ length: number }, (_, i) =>
    polar({ x: 0, y: 0 }, circle / 2, radians(atDeg) + (2 * Math.PI * i) / number),
  );
}

/** The screws of all dials that stand. */
export const dialScrews = (machine: Pick<Machine, 'indicators'>, at: Places): DialScrew[] =>
  standingDials(machine, at).flatMap(({ dial, middle }) => {
    const screw = dial.fixed?.by === 'screws' ? fixingScrew(dial.fixed.screw) : undefined;
    if (!screw) return [];
    return screwPlaces(dial).map(p => ({
      ...{ dial: dial.id, screw },
      at: { x: middle.x + p.x, y: middle.y + p.y },
    }));
  });

/** How far the back of a dial that stands is in front of the plate, mm; nought where it lies on it. */
export function dialGap({ spans, stack }: Pick<LayoutParts, 'spans' | 'stack'>, dial: string): number {
  const seat = spans.seats.get(dial);
  return seat && stack.front ? Math.max(0, seat.low - stack.front.to) : 0;
}

/**
 * The longest screw that ends in the plate, mm: through the dial, what lies between, and the plate; undefined where
 * none is so short or reaches it.
 */
export function screwLength(screw: FixingScrew, gap: number, plate: number): number | undefined {
  const length = screw.lengths.filter(l => l <= LEAF + gap + plate + 1e-9).at(-1);
  return length !== undefined && length > LEAF + gap + screw.diameter / 2 ? length : undefined;
}

/** More than this between a dial and its plate is no joint for glue, mm (common practice, no source). */
const GLUE_GAP = 0.1;
/** Stock of a dial outside the head of a screw, mm (common practice, no source). */
const RIM = 1;

/**
 * Dials that nothing holds before the plates; glued where they do not lie on the plate; screws that lie outside their
 * dial, or of which none is long enough.
 */
export function dialFindings(parts: LayoutParts, plates: readonly Plate[]): Finding[] {
  const front = plates.find(p => p.side === 'front');
  if (!parts.stack.back) return [];
  return standingDials(parts.machine, parts.motion.at).flatMap(({ dial, middle }): Finding[] => {
    const gap = dialGap(parts, dial.id);
    const { fixed } = dial;
    const ways = front ? screwWays(dial, middle, front) : [];
    if (!fixed || !front) {
      // Fixed, it lies on what it now stands before.
      const glue = front && gap - (fixed ? 0 : SEAT_GAP) <= GLUE_GAP ? [fix('glue-dial', dial.id)] : [];
      return [
        finding('dial-floats', 'warn', 'run', [dial.id], { plated: front !== undefined }, [...ways, ...glue]),
      ];
    }
    if (fixed.by === 'glue')
      return gap > GLUE_GAP ? [finding('dial-glued-off', 'warn', 'run', [dial.id], { gap }, ways)] : [];
    const screw = fixingScrew(fixed.screw);
    if (!screw) return [];
    const most = 2 * (dial.radius - screw.head / 2 - RIM);
    const plate = front.band.to - front.band.from;
    return [
      ...(fixed.circle > most + 1e-9
        ? [finding('dial-screw-off', 'stop', 'run', [dial.id], { circle: fixed.circle, most }, ways)]
        : []),
      ...(screwLength(screw, gap, plate) === undefined
        ? [
            finding('dial-screw-short', 'warn', 'run', [dial.id], {
              screw: screw.name,
              needs: LEAF + gap + plate,
            }),
          ]
        : []),
    ];
  });
}

/** Circles that are tried, at most. */
const MOST_TRIED = 60;
/** Where the first screw is tried: beside the top, between the hours. */
const FIRST = (5 * Math.PI) / 12;
/** The screw that is taken where none is named, and how many. */
const [USUAL, NUMBER] = ['M2', 3] as const;

/** The screws that are asked for without figures: just inside the rim of the dial, beside its top. */
export function usualFixing({
  radius,
}: Pick<Dial, 'radius'>): Extract<NonNullable<Dial['fixed']>, { by: 'screws' }> {
  const circle = Math.floor(20 * outermostScrew(radius)) / 10;
  return { by: 'screws', number: NUMBER, circle, atDeg: Math.round(degrees(FIRST)), screw: USUAL };
}

/** How far from the middle of a dial the screws may be, mm. */
const outermostScrew = (radius: number): number => radius - (fixingScrew(USUAL)?.head ?? 0) / 2 - RIM;

/** Screws as far out on a dial as they have room in the plate beside all its holes; none where there is none. */
function screwWays(
  dial: Dial,
  middle: Point,
  { outline, holes }: Plate,
): ReturnType<typeof fix<'screw-dial'>>[] {
  const screw = fixingScrew(USUAL);
  if (!screw) return [];
  const border = flatten(outline, 0.1);
  const others = holes.filter(h => h.for !== dial.id);
  const free = (p: Point): boolean =>
    inside(border, p) &&
    others.every(h => slotEnds(h).every(q => distance(p, q) >= (h.diameter + screw.head) / 2 + LEAST_BRIDGE));
  const outermost = outermostScrew(dial.radius);
  const step = Math.max(1, outermost / MOST_TRIED);
  for (let radius = outermost; radius > screw.head; radius -= step)
    for (let k = 0; k < 24; k++) {
      const first = (k * 2 * Math.PI) / 24 / NUMBER + FIRST;
      const places = Array.from({ length: NUMBER }, (_, i) =>
        polar(middle, radius, first + (2 * Math.PI * i) / NUMBER),
      );
      if (!places.every(free)) continue;
      const circle = Math.floor(20 * radius) / 10;
      return [
        fix('screw-dial', dial.id, {
          number: NUMBER,
          circle,
          atDeg: Math.round(degrees(first)),
          screw: USUAL,
        }),
      ];
    }
  return [];
}
