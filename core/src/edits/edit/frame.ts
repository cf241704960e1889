import { bearingsFor, type BallBearing } from '../../document/bought/index.ts';
import { bounds, distance, flatten, inside, distanceToBorder } from '../../ground/geometry/index.ts';
import { byId, type Machine } from '../../document/machine/index.ts';
import type { Derived } from '../../state/state/index.ts';
import { keyhole, LEAST_BRIDGE, type Plate, slotEnds } from '../../place/layout/index.ts';
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
  const from = layout.stack.back?.from ?? 0;
  const out = from - Math.min(from, ...[...layout.spans.of.values()].map(s => s.whole.from));
  const thickest = Math.max(4, ...(machine.layout.plates?.pillars ?? []).map(p => p.diameter));
  return setPlates({
    feet: { height: Math.max(10, Math.ceil(out + MORE)), diameter: Math.ceil(thickest + 6) },
  });
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
