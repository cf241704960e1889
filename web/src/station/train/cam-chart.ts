import { type CamMotion, liftOf } from '@tesseron/core/cam';
import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';

/** The room that the axes take, px. */
const ROOM = { left: 46, right: 22, top: 14, bottom: 24 };
/** Places at which the curve is drawn. */
const STEPS = 360;

/** A motion drawn over its turn: the lift, how fast it changes below it in the same room, and where things are. */
export interface CamChart {
  readonly lift: string;
  readonly rate: string;
  readonly degrees: readonly { readonly x: number; readonly text: string }[];
  readonly lifts: readonly { readonly y: number; readonly text: string }[];
  /** Where segments end, or points stand. */
  readonly handles: readonly { readonly x: number; readonly y: number }[];
  readonly zero: number;
  /** The angle and the lift at a place of the chart. */
  readonly at: (x: number, y: number) => readonly [deg: number, lift: number];
  readonly xOf: (deg: number) => number;
}

/** The chart of a motion within so many pixels. */
export function camChart(motion: CamMotion, width: number, height: number): CamChart {
  const lift = liftOf(motion);
  const jets = Array.from({ length: STEPS + 1 }, (_, i) => lift((2 * Math.PI * i) / STEPS));
  const lifts = jets.map(j => j[0]);
  // The end of the turn is its beginning: what stands there is drawn as it is come to.
  const last = lift(2 * Math.PI - 1e-9);
  lifts[STEPS] = last[0];
  const [least, most] = [Math.min(0, ...lifts), Math.max(...lifts)];
  const span = most - least || 1;
  const x = scaleLinear([0, 360], [ROOM.left, Math.max(ROOM.left + 1, width - ROOM.right)]);
  const y = scaleLinear(
    [least - span * 0.06, most + span * 0.1],
    [Math.max(ROOM.top + 1, height - ROOM.bottom), ROOM.top],
  );
  const fastest = Math.max(1e-9, ...jets.map(j => Math.abs(j[1])));
  const middle = (ROOM.top + height - ROOM.bottom) / 2;
  const reach = (height - ROOM.top - ROOM.bottom) / 2;
  const drawn = (of: (i: number) => number): string =>
    line<number>()
      .x(i => x((360 * i) / STEPS))
      .y(of)(Array.from({ length: STEPS + 1 }, (_, i) => i)) ?? '';
  return {
    lift: drawn(i => y(lifts[i] ?? 0)),
    rate: drawn(i => middle - (reach * (jets[i]?.[1] ?? 0)) / fastest),
    degrees: [0, 60, 120, 180, 240, 300, 360].map(deg => ({ x: x(deg), text: `${deg}°` })),
    lifts: y.ticks(5).map(v => ({ y: y(v), text: String(v).replace('-', '−') })),
    handles: handlesOf(motion).map(([deg, at]) => ({ x: x(deg), y: y(at) })),
    zero: y(0),
    at: (px, py) => [x.invert(px), y.invert(py)],
    xOf: deg => x(deg),
  };
}

function handlesOf(motion: CamMotion): (readonly [number, number])[] {
  if (motion.kind === 'points') return [...motion.points];
  if (motion.kind !== 'segments') return [];
  let at = 0;
  return motion.segments.map(s => {
    at += s.overDeg;
    return [at, s.to] as const;
  });
}
