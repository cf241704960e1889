import { axisOfWheel, byId, GROUND, type Machine, meshes, type Wheel } from '../../document/machine/index.ts';
import { type Cylinder, cylinderGap, type Space } from '../../ground/geometry/index.ts';
import {
  crosses,
  type Extent,
  inSpace,
  type SpaceFacts,
  type SpaceFrame,
  spaceFrames,
  wheelThickness,
} from '../../place/layout/index.ts';
import { type Finding, finding, type Fix, fix } from '../../ground/result/index.ts';

type Parts = SpaceFacts & { readonly extents: Readonly<Record<string, Extent>> };

/** Nearer than this two bodies share room, mm. */
const TOUCHES = 0.01;
/** Turns of the axis that are offered, degrees: each is tried before it is. */
const SWINGS = [180, 90, -90];

/**
 * Wheels on axes that cross, which lie in other planes than the plan shows: one that would cut through another with
 * which it does not mesh. Each is taken as the round of its tips; only what stands on the ground is held against each
 * other.
 */
export function crossingFindings(facts: Parts): Finding[] {
  const { machine } = facts;
  if (!meshes(machine).some(crosses)) return [];
  const frames = spaceFrames(facts, 0);
  const bodies = machine.wheels.flatMap(w => bodyOf(facts, frames, w) ?? []);
  const meshing = new Set(meshes(machine).flatMap(j => [`${j.a} ${j.b}`, `${j.b} ${j.a}`]));
  return bodies.flatMap((a, i) =>
    bodies.slice(i + 1).flatMap(b => {
      const apart = a.wheel.member === b.wheel.member || meshing.has(`${a.wheel.id} ${b.wheel.id}`);
      if (apart || parallel(a.body.along, b.body.along)) return [];
      if (cylinderGap(a.body, b.body) > TOUCHES) return [];
      return [finding('cuts-through', 'stop', 'plan', [a.wheel.id, b.wheel.id], {}, swings(machine, [a, b]))];
    }),
  );
}

interface Body {
  readonly wheel: Wheel;
  readonly axis: string;
  readonly body: Cylinder;
}

function bodyOf(facts: Parts, frames: ReadonlyMap<string, SpaceFrame>, wheel: Wheel): Body | undefined {
  const { machine, positions, layout, extents } = facts;
  const axis = axisOfWheel(machine, wheel);
  const [frame, at] = [frames.get(axis ?? ''), positions.at[axis ?? '']];
  const [band, extent] = [layout.stack.layers.get(wheel.layer), extents[wheel.id]];
  if (axis === undefined || !frame || !at || !band || !extent || extent.inner !== undefined) return undefined;
  if (byId(machine.axes, axis)?.frame !== GROUND || wheel.role === 'rack') return undefined;
  const from = inSpace(frame, at, band.from);
  const length = wheelThickness(machine.stack, wheel);
  return { wheel, axis, body: { from, along: frame.z, length, radius: extent.outer } };
}

const parallel = (a: Space, b: Space): boolean => Math.abs(a.x * b.x + a.y * b.y + a.z * b.z) > 1 - 1e-9;

/** Where an axis hangs on a mesh it can be swung round its mate. */
const swings = (machine: Pick<Machine, 'axes'>, bodies: readonly Body[]): Fix[] =>
  bodies.flatMap(({ axis }) => {
    const place = byId(machine.axes, axis)?.place;
    if (place?.kind !== 'mesh') return [];
    return SWINGS.map(by => fix('swing-axis', axis, (((place.angleDeg + by) % 360) + 360) % 360));
  });
