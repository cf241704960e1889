import { type BallBearing, bearingsFor } from '../../document/bought/index.ts';
import type { Machine } from '../../document/machine/index.ts';
import { type Finding, finding, fix } from '../../ground/result/index.ts';
import { centroid, distanceToBorder, flatten, inside, type Point } from '../../ground/geometry/index.ts';
import { baseFindings, baseOf, outBelow } from './base.ts';
import { convexHull } from './hull.ts';
import { footReach, pillarsOf } from './pillars.ts';
import type { Plate } from './plate-holes.ts';
import type { LayoutParts } from './solids.ts';
import { standingRods } from './standing-rods.ts';
import type { Band, Stack } from './stack.ts';

/** A round thing that stands in a plate or under it: a ball bearing, or a foot on the end of a pillar. mm. */
export interface Fitting {
  readonly kind: 'foot' | 'bearing' | 'column' | 'base';
  /** The arbor that turns in a bearing, the pillar on which a foot is; of a column or base its kind. */
  readonly id: string;
  readonly at: Point;
  readonly outer: number;
  /** Across its hole; of a foot the blind one, `deep` from its top; of a column its turned ends. */
  readonly inner: number;
  readonly deep: number;
  readonly band: Band;
  readonly bearing: BallBearing | undefined;
}

/** How far within the ground between the feet the middle of a plate must lie, mm (our choice). */
const LEAST_STAND = 3;

/** The least wall of a foot round the end of its pillar, mm (common practice, no source). */
export const FOOT_WALL = 2;

/**
 * The fittings of a machine. A bearing lies flush with the inner face of its plate, and stands out of the outer face
 * where it is wider than the plate is thick. Feet stand on the ends of the pillars, below the back plate; so does a
 * column, on a base.
 */
export const fittingsOf = (
  machine: Pick<Machine, 'layout'>,
  stack: Pick<Stack, 'back' | 'front'>,
  plates: readonly Plate[],
): Fitting[] => [...plates.flatMap(bearingsIn), ...feetOf(machine, stack), ...standOf(machine, stack)];

/** From the inner face outwards, as deep as the bearing is wide. */
export const bearingBand = ({ side, band }: Pick<Plate, 'side' | 'band'>, width: number): Band =>
  side === 'back' ? { from: band.to - width, to: band.to } : { from: band.from, to: band.from + width };

const bearingsIn = (plate: Plate): Fitting[] =>
  plate.holes.flatMap(h =>
    h.seat
      ? [
          {
            ...{ kind: 'bearing', id: h.for, at: h.at, outer: h.seat.outside, inner: h.seat.bore },
            ...{ deep: h.seat.width, band: bearingBand(plate, h.seat.width), bearing: h.seat },
          },
        ]
      : [],
  );

function feetOf(machine: Pick<Machine, 'layout'>, stack: Pick<Stack, 'back' | 'front'>): Fitting[] {
  const feet = machine.layout.plates?.feet;
  const { back } = stack;
  if (!feet || !back) return [];
  return pillarsOf(machine, stack).map(p => ({
    ...{ kind: 'foot', id: p.id, at: p.at, outer: feet.diameter, inner: p.diameter, bearing: undefined },
    ...{ deep: footReach(feet.height), band: { from: back.from - feet.height, to: back.from } },
  }));
}

/** The column under the back plate and the board on which it stands. */
function standOf(machine: Pick<Machine, 'layout'>, stack: Pick<Stack, 'back' | 'front'>): Fitting[] {
  const base = baseOf(machine, stack);
  if (!base) return [];
  const { at, across, board, column, columnAcross, spigot } = base;
  const common = { at, deep: 0, bearing: undefined };
  return [
    { ...common, kind: 'column', id: 'column', outer: columnAcross, inner: 0, band: column },
    { ...common, kind: 'base', id: 'base', outer: across, inner: spigot, band: board },
  ];
}

/**
 * Bearings whose bore is not for the arbor, or whose hole is a slot; feet without pillars, too short for what reaches
 * out below, or too thin round the ends of the pillars.
 */
export const fittingFindings = (parts: LayoutParts, plates: readonly Plate[]): Finding[] => [
  ...bearingFindings(parts, plates),
  ...unusedBearings(parts, plates),
  ...footFindings(parts, plates),
  ...baseFindings(parts, plates),
  ...plankFindings(parts),
];

/** How many times as far as it is sunk into a plank a rod may stand out of it (common practice, no source). */
const OUT_BY_DEPTH = 5;

/** A plank in which its rods stand not deep enough for how far they stand out. */
function plankFindings({ machine, stack, spans, crossing }: LayoutParts): Finding[] {
  const { back, front } = stack;
  if (!back || front) return [];
  const out = Math.max(0, ...standingRods(machine, spans, stack, crossing).map(r => r.band.to - back.to));
  const deep = back.to - back.from;
  const least = Math.ceil((2 * out) / OUT_BY_DEPTH) / 2;
  return deep < least
    ? [
        finding('plank-too-thin', 'warn', 'plan', [], { deep, out, least }, [
          fix('set-plate-thickness', '', least),
        ]),
      ]
    : [];
}

function bearingFindings({ sizes }: LayoutParts, plates: readonly Plate[]): Finding[] {
  const told = new Set<string>();
  return plates.flatMap(plate =>
    plate.holes.flatMap((h): Finding[] => {
      const across = sizes.get(h.for)?.diameter;
      if (!h.seat || across === undefined || told.has(h.for)) return [];
      told.add(h.for);
      const found: Finding[] = [];
      const { name, bore } = h.seat;
      const fitting = bearingsFor(across);
      if (!fitting.some(b => b.name === name)) {
        const other = fitting[0];
        const mends = [...(other ? [fix('take-bearing', h.for, other.name)] : []), fix('no-bearing', h.for)];
        found.push(finding('bearing-bore', 'stop', 'plan', [h.for], { name, bore, arbor: across }, mends));
      }
      if (h.slot)
        found.push(finding('bearing-in-slot', 'warn', 'plan', [h.for], {}, [fix('no-bearing', h.for)]));
      return found;
    }),
  );
}

/** Bearings of arbors that turn in no plate: those within others, and those that reach none. */
const unusedBearings = ({ machine }: LayoutParts, plates: readonly Plate[]): Finding[] =>
  machine.members.flatMap(m =>
    m.kind === 'arbor' &&
    m.bearing !== undefined &&
    !plates.some(p => p.holes.some(h => h.for === m.id && h.seat))
      ? [finding('bearing-unused', 'warn', 'plan', [m.id], { name: m.bearing }, [fix('no-bearing', m.id)])]
      : [],
  );

function footFindings({ machine, stack, spans }: LayoutParts, plates: readonly Plate[]): Finding[] {
  const feet = machine.layout.plates?.feet;
  if (!feet || !stack.back) return [];
  const pillars = pillarsOf(machine, stack);
  if (pillars.length === 0) return [finding('feet-without-pillars', 'warn', 'plan', [], {})];
  const found: Finding[] = [];
  const out = outBelow({ stack, spans });
  if (out > feet.height)
    found.push(
      finding('feet-too-short', 'warn', 'plan', [], { height: feet.height, out }, [
        fix('set-feet-height', '', Math.ceil(out + 1)),
      ]),
    );
  const least = Math.max(...pillars.map(p => p.diameter)) + 2 * FOOT_WALL;
  if (feet.diameter < least)
    found.push(
      finding('feet-too-thin', 'warn', 'plan', [], { across: feet.diameter, least }, [
        fix('set-feet-across', '', Math.ceil(least)),
      ]),
    );
  const plate = plates.find(p => p.side === 'back');
  if (
    plate &&
    !standsOver(
      plate,
      pillars.map(p => p.at),
    )
  )
    found.push(finding('feet-tip', 'warn', 'plan', [], { feet: pillars.length }));
  return found;
}

/** Whether the middle of a plate lies over the ground between some feet, with a little on all sides. */
function standsOver({ outline }: Plate, feet: readonly Point[]): boolean {
  const middle = centroid(flatten(outline, 0.1));
  const hull = convexHull(feet);
  return hull.length > 2 && inside(hull, middle) && distanceToBorder(hull, middle) > LEAST_STAND;
}
