import type { BallBearing } from '../../document/bought/index.ts';
import { circle, type Path, type Point, polar } from '../../ground/geometry/index.ts';
import type { Band } from './stack.ts';

/** A hole in a plate, mm. A slot runs from its middle so far both ways in a direction (radians). */
export interface PlateHole {
  /** A number from 1, the same in both plates. */
  readonly number: number;
  /** The arbor that turns or stands in it; of a pillar, or a rod through lugs, its id. */
  readonly for: string;
  readonly kind: 'bearing' | 'rod' | 'pillar' | 'lug' | 'hanger' | 'bracket' | 'column' | 'screw';
  readonly at: Point;
  readonly diameter: number;
  /** The ball bearing that is pressed into it. */
  readonly seat?: BallBearing;
  readonly slot: { readonly travel: number; readonly direction: number } | undefined;
  /** Of a keyhole: the neck that goes up from the round, into which the shank of the screw slides. */
  readonly neck?: { readonly width: number; readonly length: number };
}

/** A plate: its outline in the plan, and its holes. */
export interface Plate {
  readonly side: 'back' | 'front';
  readonly band: Band;
  readonly outline: Path;
  readonly holes: readonly PlateHole[];
}

/**
 * Stock between two holes, or a hole and the edge, below which it is likely to break out, mm (common practice, no
 * source).
 */
export const LEAST_BRIDGE = 2;

/**
 * Across a hole for something, by how much wider it is than that, mm; a press fit larger than what is pressed leaves a
 * hole of a tenth of it.
 */
export const holeAcross = (across: number, wider: number): number => Math.max(0.1 * across, across + wider);

/** The middles of the two ends of a slot or a keyhole; of a round hole its middle alone. */
export const slotEnds = ({ at, slot, neck }: PlateHole): Point[] =>
  slot
    ? [polar(at, slot.travel, slot.direction), polar(at, -slot.travel, slot.direction)]
    : neck
      ? [at, { x: at.x, y: at.y + neck.length }]
      : [at];

/** A slot with round ends, counter-clockwise. */
export function slotPath(hole: PlateHole): Path {
  const [head, tail] = slotEnds(hole) as [Point, Point];
  const [r, along] = [hole.diameter / 2, hole.slot?.direction ?? 0];
  const [left, right] = [along + Math.PI / 2, along - Math.PI / 2];
  return {
    start: polar(tail, r, right),
    segments: [
      { kind: 'line', to: polar(head, r, right) },
      { kind: 'arc', to: polar(head, r, left), centre: head, ccw: true },
      { kind: 'line', to: polar(tail, r, left) },
      { kind: 'arc', to: polar(tail, r, right), centre: tail, ccw: true },
    ],
    closed: true,
  };
}

/** How wide a screw's head is for its thread, and what head and shank want to pass, mm (common practice, no source). */
const HEAD = 2;
const PASS = 0.4;

/** A keyhole for a screw: its head goes through the round, and its shank up into the neck. mm. */
export const keyhole = ({ x, y }: Point, screw: number): PlateHole & Required<Pick<PlateHole, 'neck'>> => ({
  ...{ number: 0, for: 'hanger', kind: 'hanger', at: { x, y }, slot: undefined },
  diameter: HEAD * screw + PASS,
  neck: { width: screw + PASS, length: HEAD * screw },
});

/** A round for the head of a screw with a neck upwards for its shank, whose end is round; counter-clockwise. */
function keyholePath({ at, diameter }: PlateHole, { width, length }: NonNullable<PlateHole['neck']>): Path {
  const [half, r] = [width / 2, diameter / 2];
  const rise = Math.sqrt(r * r - half * half);
  const top = { x: at.x, y: at.y + length };
  const start = { x: at.x + half, y: at.y + rise };
  return {
    start,
    segments: [
      { kind: 'line', to: { x: at.x + half, y: top.y } },
      { kind: 'arc', to: { x: at.x - half, y: top.y }, centre: top, ccw: true },
      { kind: 'line', to: { x: at.x - half, y: at.y + rise } },
      { kind: 'arc', to: start, centre: at, ccw: true },
    ],
    closed: true,
  };
}

/** The line of a hole as it is cut: round, a slot or a keyhole. */
export const holePath = (hole: PlateHole): Path =>
  hole.slot ? slotPath(hole) : hole.neck ? keyholePath(hole, hole.neck) : circle(hole.at, hole.diameter / 2);
