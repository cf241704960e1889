import { axisOfWheel, byId, freeId, GROUND, type Machine } from '../../document/machine/index.ts';
import { bounds, type Point, polar } from '../../ground/geometry/index.ts';
import { derive } from '../../state/derive/index.ts';
import { shoulderOf } from '../../place/layout/index.ts';
import type { Derived } from '../../state/state/index.ts';

type Pillar = NonNullable<Machine['layout']['plates']>['pillars'][number];

const DIAMETER = 6;
/** Room left round what turns, and between pillars, mm: common practice, no source. */
const ROOM = 2;
const STEP = 4;
const ANGLES = 24;
/** Directions that differ by less count as the same. */
const SPREAD = Math.PI / 6;
/** Places that are tried on the machine before it is placed beside everything. */
const MOST_TRIED = 6;

/** What a pillar must keep away from: a circle that a wheel sweeps, copies and arms all the way round. */
interface Swept {
  readonly at: Point;
  readonly reach: number;
}

function swept({ machine, positions, wheels, layout, stages }: Derived): Swept[] {
  const extents = stages.extents.value;
  return machine.axes.flatMap((axis): Swept[] => {
    const at = positions.at[axis.id];
    if (!at) return [];
    const own = machine.wheels.filter(w => axisOfWheel(machine, w) === axis.id);
    const rods = [...layout.sizes].flatMap(([id, size]) => {
      const member = byId(machine.members, id);
      return member?.kind === 'arbor' && member.axis === axis.id ? [size.diameter / 2] : [];
    });
    const tips = own.map(w => extents[w.id]?.outer ?? wheels[w.id]?.dimensions.tipRadius ?? 0);
    const reach = Math.max(2, ...rods, ...tips);
    const arm = byId(machine.members, axis.frame === GROUND ? undefined : axis.frame);
    const centre = arm?.kind === 'arbor' ? positions.at[arm.axis] : undefined;
    if (!centre) return [{ at, reach }];
    return [{ at: centre, reach: Math.hypot(at.x - centre.x, at.y - centre.y) + reach }];
  });
}

/**
 * A new pillar between the plates, where it strikes nothing: seen from the middle of the machine in another direction
 * than the pillars that are there, and as near as that allows. Places are tried on the machine itself; where none of
 * the best will do it stands beside everything.
 */
export function newPillar(derived: Derived): Pillar {
  const { machine } = derived;
  const there = machine.layout.plates?.pillars ?? [];
  const away = swept(derived);
  const id = freeId(machine, 'pillar');
  const box = bounds([{ x: 0, y: 0 }, ...away.map(s => s.at)]);
  const middle = { x: (box.minX + box.maxX) / 2, y: (box.minY + box.maxY) / 2 };
  const far = Math.max(20, ...away.map(s => Math.hypot(s.at.x - middle.x, s.at.y - middle.y) + s.reach));
  const clear = (p: Point): boolean =>
    away.every(s => Math.hypot(p.x - s.at.x, p.y - s.at.y) >= s.reach + shoulderOf(DIAMETER) / 2 + ROOM) &&
    there.every(
      q => Math.hypot(p.x - q.x, p.y - q.y) >= (shoulderOf(q.diameter) + shoulderOf(DIAMETER)) / 2 + ROOM,
    );
  const towards = (p: Point): number => Math.atan2(p.y - middle.y, p.x - middle.x);
  /** In how many steps of 30° the nearest pillar is seen beside it. */
  const beside = (p: Point): number => {
    const angles = there.map(q => turnBetween(towards(p), towards(q)));
    return Math.floor(Math.min(Math.PI, ...angles) / SPREAD + 1e-9);
  };
  const places: { p: Point; r: number; steps: number }[] = [];
  for (let r = STEP; r <= far + DIAMETER + 2 * STEP; r += STEP)
    for (let k = 0; k < ANGLES; k++) {
      const exact = polar(middle, r, (2 * Math.PI * k) / ANGLES);
      const p = { x: Math.round(exact.x), y: Math.round(exact.y) };
      if (clear(p)) places.push({ p, r, steps: beside(p) });
    }
  places.sort((p, q) => q.steps - p.steps || p.r - q.r);
  const at = (p: Point): Pillar => ({ id, x: p.x, y: p.y, diameter: DIAMETER });
  const good = places.slice(0, MOST_TRIED).find(({ p }) => strikesNothing(derived, at(p)));
  const outside = {
    x: Math.ceil(middle.x + far) + (there.length + 1) * (DIAMETER + ROOM),
    y: Math.round(middle.y),
  };
  return at(good?.p ?? outside);
}

/** The turn between two directions, from 0 to half a turn, radians. */
const turnBetween = (a: number, b: number): number => Math.abs(Math.atan2(Math.sin(a - b), Math.cos(a - b)));

function strikesNothing(derived: Derived, pillar: Pillar): boolean {
  const { machine } = derived;
  const { plates } = machine.layout;
  if (!plates) return true;
  const tried = { ...machine, layout: { ...machine.layout, plates: withPillar(plates, pillar) } };
  return !derive(tried, derived, derived.chordError).findings.some(f => f.subjects.includes(pillar.id));
}

const withPillar = (plates: NonNullable<Machine['layout']['plates']>, pillar: Pillar): typeof plates => ({
  ...plates,
  pillars: [...plates.pillars, pillar],
});
