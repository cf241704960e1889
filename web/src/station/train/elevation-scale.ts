import type { Bar, Bracket, Elevation } from './elevation';

/**
 * Where things of an elevation stand on the screen, in pixels: as much as the room gives, and never less than can
 * be read.
 */
export interface Scale {
  /** Width of a column, height of a layer, and of the whole drawing. */
  readonly step: number;
  readonly rise: number;
  readonly width: number;
  readonly height: number;
  /** The line below the lowest layer. */
  readonly floor: number;
  /** How many letters a column holds. */
  readonly letters: number;
  readonly px: (column: number) => number;
  readonly py: (layer: number) => number;
  /** Middle and half height of a bar, where several share a layer. */
  readonly barY: (bar: Bar) => number;
  readonly barHalf: (bar: Bar) => number;
  /** The band of an arm, and where a line of that band stands; undefined: on the ground. */
  readonly armY: (band: number) => number;
  readonly standY: (band: number | undefined) => number;
  /** The name of the i-th arbor of a column. */
  readonly labelY: (i: number) => number;
  /** The row of a sign, from the top. */
  readonly signY: (row: number) => number;
  readonly columnAt: (x: number) => number;
  readonly layerAt: (y: number) => number;
}

const LEFT = 40;
const RIGHT = 16;
const TOP = 34;
/** A row of signs. */
const SIGN = 26;
/** Height of an arbor's name and rate. */
export const LABEL = 29;
const LEAST_STEP = 66;
const MOST_STEP = 220;
const LEAST_RISE = 25;
/** Where wheels of one line share a layer, as sun and ring do. */
const LEAST_SHARED_RISE = 44;
const MOST_RISE = 84;
/** Above so many arms their bands are narrow. */
const MANY_ARMS = 5;

const clamp = (least: number, most: number, value: number): number => Math.min(most, Math.max(least, value));

/** The scale of an elevation for so much room, in pixels. */
export function scaleOf(
  drawing: Elevation,
  room: { readonly width: number; readonly height: number },
): Scale {
  const { columns, brackets, nested, slots, layers, lowest } = drawing;
  const step = clamp(LEAST_STEP, MOST_STEP, (room.width - LEFT - RIGHT) / Math.max(1, columns.length));
  const armRise = brackets.length > MANY_ARMS ? 10 : 18;
  const foot = nested * LABEL + brackets.length * armRise + 26;
  const least = slots > 1 ? LEAST_SHARED_RISE : LEAST_RISE;
  const top = TOP + SIGN * Math.max(0, ...drawing.signs.map(s => s.row + 1));
  const rise = clamp(least, MOST_RISE, (room.height - foot - top) / layers);
  const width = Math.max(room.width - 2, LEFT + step * columns.length + RIGHT);
  const height = Math.max(room.height - 4, rise * layers + foot + top);
  const floor = height - foot;
  const ground = floor + brackets.length * armRise;
  const py = (layer: number): number => floor - (layer - lowest + 0.5) * rise;
  const armY = (band: number): number => floor + 8 + band * armRise;
  return {
    ...{ step, rise, width, height, floor, py, armY },
    letters: Math.max(8, Math.floor(step / 7.4)),
    px: column => LEFT + (column + 0.5) * step,
    barY: b => py(b.layer) + rise * ((b.slot + 0.5) / b.slots - 0.5),
    barHalf: b => Math.min(9, rise / 2 / b.slots - 1.5),
    standY: band => (band === undefined ? ground : armY(band)),
    signY: row => 18 + row * SIGN,
    labelY: i => ground + 22 + i * LABEL,
    columnAt: x => Math.round((x - LEFT) / step - 0.5),
    layerAt: y => Math.round((floor - y) / rise - 0.5) + lowest,
  };
}

/** An arm drawn: from its own line along its band, with a tick under every line that it carries. */
export function bracketPath(bracket: Bracket, { px, armY }: Pick<Scale, 'px' | 'armY'>): string {
  const y = armY(bracket.band);
  const all = [bracket.from, ...bracket.to];
  const ticks = bracket.to.map(x => `M${px(x)} ${y}v-6`).join('');
  return `M${px(bracket.from)} ${y - 6}v6M${px(Math.min(...all))} ${y}H${px(Math.max(...all))}${ticks}`;
}

/** A name shortened in its middle: often only the ends tell names apart. */
export function shortName(name: string, most: number): string {
  if (name.length <= most) return name;
  const tail = Math.floor((most - 1) / 2.6);
  return `${name.slice(0, most - 1 - tail)}…${name.slice(-tail)}`;
}
