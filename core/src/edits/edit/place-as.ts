import { direction, distance, type Point } from '../../ground/geometry/index.ts';
import {
  type Axis,
  axesOfMesh,
  byId,
  type Machine,
  meshes,
  placeHangsOn,
} from '../../document/machine/index.ts';
import { type Attempt, setAxisPlace } from '../change/index.ts';
import { fail } from '../../ground/result/index.ts';
import { degrees, radians } from '../../ground/units/index.ts';
import { gone, sound } from './sound.ts';
import { pivotOf } from './swing-axis.ts';

export type PlaceKind = Axis['place']['kind'];

/**
 * Places an axis in another way, so that it stays where it stands as far as that way lets it: what it is placed by is
 * taken from the meshes it is in and the axes beside it, and can be chosen afterwards. Refused where there is no
 * such mesh or axis, or where it would hang on itself.
 */
export function placeAs(axisId: string, kind: PlaceKind, at: Readonly<Record<string, Point>>): Attempt {
  return machine => {
    const axis = byId(machine.axes, axisId);
    const here = at[axisId];
    if (!axis || !here) return gone(axisId);
    const near = neighbours(machine, axis).filter(n => at[n.axis]);
    const others = machine.axes.filter(
      a => a.id !== axisId && a.frame === axis.frame && !hangsOn(machine, a, axisId),
    );
    for (const place of candidates(machine, axis, kind, near, others, at, here)) {
      const placed = sound(setAxisPlace(axisId, place)(machine));
      if (placed.ok) return placed;
    }
    return fail('place-needs', { kind });
  };
}

interface Neighbour {
  readonly joint: string;
  readonly axis: string;
}

/** Meshes of an axis with others, and those. */
function neighbours(machine: Machine, axis: Axis): Neighbour[] {
  return meshes(machine).flatMap((j): Neighbour[] => {
    const ends = axesOfMesh(machine, j.id);
    const other = ends.find(e => e !== axis.id);
    return ends.includes(axis.id) && other !== undefined ? [{ joint: j.id, axis: other }] : [];
  });
}

/** Whether the first axis is placed upon the second, straight away or through others. */
function hangsOn(machine: Machine, axis: Axis, on: string, depth = 0): boolean {
  if (depth > machine.axes.length) return true;
  const ids = placeHangsOn(axis.place).axes;
  return ids.some(id => {
    const next = byId(machine.axes, id);
    return id === on || (next !== undefined && hangsOn(machine, next, on, depth + 1));
  });
}

function candidates(
  machine: Machine,
  axis: Axis,
  kind: PlaceKind,
  near: readonly Neighbour[],
  others: readonly Axis[],
  at: Readonly<Record<string, Point>>,
  here: Point,
): Axis['place'][] {
  const point = (id: string): Point => at[id] ?? { x: 0, y: 0 };
  const angle = (id: string): number => round(degrees(direction(point(id), here)));
  switch (kind) {
    case 'given': {
      const pivot = pivotOf(machine, axis.frame, at);
      return [{ kind, x: round(here.x - pivot.x), y: round(here.y - pivot.y) }];
    }
    case 'mesh':
      return near.map(n => ({ kind, joint: n.joint, angleDeg: angle(n.axis) }));
    case 'between':
      return near.flatMap((a, i) =>
        near.slice(i + 1).flatMap((b): Axis['place'][] => {
          if (a.axis === b.axis) return [];
          const [p, q] = [point(a.axis), point(b.axis)];
          const left = (q.x - p.x) * (here.y - p.y) - (q.y - p.y) * (here.x - p.x) > 0;
          return [{ kind, joints: [a.joint, b.joint], side: left ? 'left' : 'right' }];
        }),
      );
    case 'polar':
      return byDistance(others, at, here)
        .filter(a => distance(point(a.id), here) > 0)
        .map(a => ({ kind, from: a.id, radius: round(distance(point(a.id), here)), angleDeg: angle(a.id) }));
    case 'coaxial':
      return byDistance(others, at, here).map(a => ({ kind, with: a.id }));
    case 'line':
      return near.flatMap(n =>
        byDistance(others, at, here).map((a): Axis['place'] => {
          const along = a.id === n.axis ? angle(a.id) : round(degrees(direction(point(a.id), here)));
          const toFoot = radians(along);
          const [from, base] = [point(n.axis), point(a.id)];
          const foot = (from.x - base.x) * Math.cos(toFoot) + (from.y - base.y) * Math.sin(toFoot);
          return {
            kind,
            through: a.id,
            angleDeg: along,
            joint: n.joint,
            further: distance(base, here) >= foot,
          };
        }),
      );
    case 'mirror':
      return others.flatMap(of =>
        others
          .filter(a => a.id !== of.id)
          .map((a): Axis['place'] => {
            const [p, q] = [direction(point(a.id), point(of.id)), direction(point(a.id), here)];
            return { kind, of: of.id, through: a.id, angleDeg: round(degrees((p + q) / 2)) };
          }),
      );
  }
}

const byDistance = (axes: readonly Axis[], at: Readonly<Record<string, Point>>, here: Point): Axis[] =>
  axes
    .filter(a => at[a.id])
    .sort((a, b) => distance(at[a.id] as Point, here) - distance(at[b.id] as Point, here));

const round = (x: number): number => Number(x.toFixed(4)) + 0;
