import { GROUND, type Indicator, type Machine, SCREW_BOSS, screwedOn } from '../../document/machine/index.ts';
import type { Line } from './lines.ts';

/** Thickness of hands, dials and the arms of bodies, mm, where nothing says it (common practice, no source). */
export const LEAF = 1.6;
/** Air between two of them on one line, and before the front of the machine, mm (common practice, no source). */
export const SEAT_GAP = 0.4;

/** How much of its radius a ball is cut flat by where it sits (common practice, no source). */
export const BALL_FLAT = 0.1;

/** Where something that shows sits on its arbor: from one height to another, mm; of a body the middle of its ball. */
export interface Seat {
  readonly low: number;
  readonly high: number;
  /** Where the next one may begin: above a boss that stands on it. */
  readonly top: number;
  readonly ball: number | undefined;
}

/** On one arbor dials lie lowest, then the arms of bodies, hands, and a globe on its end. */
const RANK: { readonly [K in Indicator['kind']]: number } = { dial: 0, body: 1, hand: 2, globe: 3 };

/** The axis of what stands on the ground, or of the arbor that turns it. */
const isOn = (line: Line, i: Indicator): boolean =>
  i.kind === 'dial' && i.member === GROUND
    ? line.arbors.some(a => a.axis === i.axis) || line.axis === i.axis
    : line.arbors.some(a => a.id === i.member);

/** How far from its line something that shows reaches, mm. */
const reachOf = (i: Indicator): number => (i.kind === 'body' ? i.distance : i.radius);

/**
 * The seats of all that shows on one line, above the front of the machine: standing dials first, then arbor by arbor,
 * the outermost lowest, so that each inner one stands out past the one round it by what sits on it. What reaches beyond
 * a ball that lies lower passes over it. `order`: arbors, the outermost first.
 */
export function seatsOn(
  { indicators }: Pick<Machine, 'indicators'>,
  line: Line,
  order: readonly string[],
  front: number,
): Map<string, Seat> {
  const rank = (i: Indicator): number => (i.member === GROUND ? -1 : order.indexOf(i.member));
  const own = indicators
    .filter(i => isOn(line, i))
    .sort((a, b) => rank(a) - rank(b) || RANK[a.kind] - RANK[b.kind]);
  const seats = new Map<string, Seat>();
  const balls: { readonly from: number; readonly top: number }[] = [];
  let z = front;
  for (const i of own) {
    const over = balls.filter(b => reachOf(i) > b.from).map(b => b.top);
    // What is fixed to the plate lies on it.
    const lies = i.kind === 'dial' && i.fixed !== undefined && i.member === GROUND && z === front;
    const low = Math.max(z, ...over) + (lies ? 0 : SEAT_GAP);
    const round = (2 - BALL_FLAT) * i.radius;
    const high = low + (i.kind === 'globe' ? round : LEAF);
    const lift = i.kind === 'body' ? (i.lift ?? 0) : 0;
    const ball = i.kind === 'body' ? high + lift + (1 - BALL_FLAT) * i.radius : undefined;
    const top = high + (screwedOn(i) ? SCREW_BOSS.height : 0);
    seats.set(i.id, { low, high, top, ball });
    if (i.kind === 'body') balls.push({ from: i.distance - i.radius, top: high + lift + round });
    if (i.kind === 'body' && i.weight)
      balls.push({ from: i.weight.distance - i.weight.diameter / 2, top: high + i.weight.height });
    z = top;
  }
  return seats;
}
