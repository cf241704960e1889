import { bearingsFor, type BallBearing } from '../../document/bought/index.ts';
import {
  bounds,
  centroid,
  distance,
  distanceToBorder,
  flatten,
  inside,
  type Point,
  polar,
} from '../../ground/geometry/index.ts';
import { byId, type Machine } from '../../document/machine/index.ts';
import type { Derived } from '../../state/state/index.ts';
import {
  keyhole,
  LEAST_BRIDGE,
  leastBase,
  outBelow,
  type Plate,
  slotEnds,
  spigotOf,
} from '../../place/layout/index.ts';
import { type Edit, setPlates } from '../change/index.ts';

type Plates = NonNullable<Machine['layout']['plates']>;

/** Cuts the plates to another shape; a border of its own begins as the rectangle about what they were. */
export function shapePlates({ machine, layout }: Derived, shape: Plates['shape']): Edit {
  const [plate] = layout.plates;
  if (shape !== 'a border' || machine.layout.plates?.border || !plate) return setPlates({ shape });
  const box = bounds(flatten(plate.outline, 0.1));
  const border = {
    ...{
      kind: 'rectangle' as const,
      x: tenth((box.minX + box.maxX) / 2),
      y: tenth((box.minY + box.maxY) / 2),
    },
    ...{ width: Math.ceil(box.maxX - box.minX), height: Math.ceil(box.maxY - box.minY) },
  };
  return setPlates({ shape, border });
}

/** A single plate in which rods stand, without pillars and feet; or two plates again. */
export const onPlank = (on: boolean): Edit =>
  setPlates(on ? { plank: true, pillars: [], feet: undefined } : { plank: undefined });

/** How much higher feet are than what reaches out below, and how much wider than the pillars, mm. */
const MORE = 2;

/** Puts feet under the back plate, high enough for what reaches out there; or takes them away. */
export function standOnFeet({ machine, layout }: Derived, on: boolean): Edit {
  if (!on) return setPlates({ feet: undefined });
  const out = outBelow(layout);
  const thickest = Math.max(4, ...(machine.layout.plates?.pillars ?? []).map(p => p.diameter));
  return setPlates({
    base: undefined,
    feet: { height: Math.max(10, Math.ceil(out + MORE)), diameter: Math.ceil(thickest + 6) },
  });
}

/** Without a figure: how thick the board is, how thick and how high the column, mm (our choice). */
const [BOARD, COLUMN, HIGH] = [12, 16, 60];

/**
 * Puts the machine on a column and a round base, in place of feet: as near the middle of the back plate as the column
 * has room, high enough for what reaches out below, and wide enough not to tip; or takes both away.
 */
export function standOnBase({ machine, layout }: Derived, on: boolean): Edit {
  const back = layout.plates.find(p => p.side === 'back');
  if (!on || !back) return setPlates({ base: undefined });
  const place = columnPlace(back);
  const column = { height: Math.max(HIGH, Math.ceil(outBelow(layout) + MORE)), diameter: COLUMN };
  const base = { ...place, across: 1, thickness: BOARD, column };
  const plates = { ...(machine.layout.plates as Plates), base };
  const least = leastBase({ layout: { ...machine.layout, plates } }, layout.stack, back);
  const box = bounds(flatten(back.outline, 0.1));
  const usual = Math.max(box.maxX - box.minX, box.maxY - box.minY) / 2;
  return setPlates({ feet: undefined, base: { ...base, across: 5 * Math.ceil(Math.max(least, usual) / 5) } });
}

/** The place nearest the middle of the back plate that is free for a column; the middle where none is. */
function columnPlace({ outline, holes }: Plate): Point {
  const border = flatten(outline, 0.05);
  const middle = centroid(border);
  const room = COLUMN / 2 + LEAST_BRIDGE;
  const free = (at: Point): boolean =>
    inside(border, at) &&
    distanceToBorder(border, at) >= spigotOf(COLUMN) / 2 + LEAST_BRIDGE &&
    holes.every(h => slotEnds(h).every(p => distance(p, at) >= h.diameter / 2 + room));
  const box = bounds(border);
  const far = Math.hypot(box.maxX - box.minX, box.maxY - box.minY) / 2;
  for (let r = 0; r < far; r += Math.max(2, far / 100))
    for (let i = 0; i < 24; i++) {
      const at = polar(middle, r, (i * Math.PI) / 12);
      if (free(at)) return { x: tenth(at.x), y: tenth(at.y) };
    }
  return { x: tenth(middle.x), y: tenth(middle.y) };
}

/** The screw on which a machine hangs, mm (common practice, no source). */
const SCREW = 4;

/**
 * Gives the back plate a keyhole: the highest place above its middle where enough stock stays round it, above all holes
 * where there is none; or takes it away.
 */
export function hangOnWall({ layout }: Derived, on: boolean): Edit {
  const back = layout.plates.find(p => p.side === 'back');
  if (!on || !back) return setPlates({ hanger: undefined });
  const box = bounds(flatten(back.outline, 0.1));
  const x = tenth((box.minX + box.maxX) / 2);
  for (let y = Math.floor(box.maxY); y > (box.minY + box.maxY) / 2; y--)
    if (hasRoom(back, x, y)) return setPlates({ hanger: { x, y, screw: SCREW } });
  const top = Math.max(...back.holes.map(h => h.at.y + h.diameter / 2));
  return setPlates({ hanger: { x, y: Math.ceil(top + 2 * SCREW + LEAST_BRIDGE), screw: SCREW } });
}

/** Whether a keyhole, its round and the end of its neck, has enough stock on all sides. */
function hasRoom({ outline, holes }: Plate, x: number, y: number): boolean {
  const border = flatten(outline, 0.05);
  const hole = keyhole({ x, y }, SCREW);
  const others = holes.filter(h => h.kind !== 'hanger');
  const radii = [hole.diameter / 2, hole.neck.width / 2];
  return slotEnds(hole).every((at, i) => {
    const room = (radii[i] ?? 0) + LEAST_BRIDGE;
    return (
      inside(border, at) &&
      distanceToBorder(border, at) >= room &&
      others.every(h => slotEnds(h).every(p => distance(p, at) >= h.diameter / 2 + room))
    );
  });
}

const tenth = (x: number): number => Math.round(10 * x) / 10;

/** An arbor that turns in the plates: how thick it is there, what it turns in, and the bearings for it. mm. */
export interface BearingChoice {
  readonly arbor: string;
  readonly name: string;
  readonly across: number;
  readonly now: string | undefined;
  readonly choices: readonly BallBearing[];
}

/** All arbors that turn in the plates themselves, in the order of their holes. */
export function bearingChoices({ machine, layout }: Derived): BearingChoice[] {
  const seen = new Set<string>();
  return layout.plates.flatMap(p =>
    p.holes.flatMap((h): BearingChoice[] => {
      const arbor = byId(machine.members, h.for);
      const across = layout.sizes.get(h.for)?.diameter;
      if (h.kind !== 'bearing' || arbor?.kind !== 'arbor' || across === undefined || seen.has(h.for))
        return [];
      seen.add(h.for);
      const { id, name, bearing } = arbor;
      return [{ arbor: id, name, across, now: bearing, choices: bearingsFor(across) }];
    }),
  );
}
