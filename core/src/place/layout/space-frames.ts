import {
  arbors,
  axesOfMesh,
  byId,
  GROUND,
  type Machine,
  type MeshJoint,
  meshes,
  type Wheel,
} from '../../document/machine/index.ts';
import type { Space } from '../../ground/geometry/index.ts';
import { radians } from '../../ground/units/index.ts';
import { bevelApex, type Circles, type TeethSpec } from '../../teeth/tooth/index.ts';
import { wheelThickness } from './layers.ts';
import type { Band } from './stack.ts';

/** What the frames are made from: the document, places and heights, and the teeth of its wheels. */
export interface SpaceFacts {
  readonly machine: Pick<Machine, 'axes' | 'members' | 'wheels' | 'joints' | 'toothings' | 'stack' | 'drive'>;
  readonly positions: { readonly at: Readonly<Record<string, { readonly x: number; readonly y: number }>> };
  readonly layout: { readonly stack: { readonly layers: ReadonlyMap<number, Band> } };
  readonly wheels: Readonly<Record<string, { readonly teeth: TeethSpec; readonly dimensions: Circles }>>;
  readonly chordError: number;
}

/** Where a plan lies in space: its own x, y and height are laid off from the origin along three unit vectors. */
export interface SpaceFrame {
  readonly origin: Space;
  readonly x: Space;
  readonly y: Space;
  readonly z: Space;
  /** The height from which it is drawn apart. */
  readonly middle: number;
  /** Wheels whose own upright is against the frame's: those that drive or are driven across, on the other side. */
  readonly upsideDown: ReadonlySet<string>;
}

const plus = (a: Space, b: Space, by = 1): Space => ({
  x: a.x + by * b.x,
  y: a.y + by * b.y,
  z: a.z + by * b.z,
});
const scaled = (a: Space, by: number): Space => ({ x: a.x * by, y: a.y * by, z: a.z * by });
const dot = (a: Space, b: Space): number => a.x * b.x + a.y * b.y + a.z * b.z;
const cross = (a: Space, b: Space): Space => ({
  x: a.y * b.z - a.z * b.y,
  y: a.z * b.x - a.x * b.z,
  z: a.x * b.y - a.y * b.x,
});
const unit = (a: Space): Space => scaled(a, 1 / Math.hypot(a.x, a.y, a.z));

/** The plan as it is. */
const level = (middle: number): SpaceFrame => ({
  ...{
    origin: { x: 0, y: 0, z: 0 },
    x: { x: 1, y: 0, z: 0 },
    y: { x: 0, y: 1, z: 0 },
    z: { x: 0, y: 0, z: 1 },
  },
  ...{ middle, upsideDown: new Set() },
});

/** A point of a plan in space. */
export const inSpace = (f: SpaceFrame, p: { readonly x: number; readonly y: number }, z: number): Space =>
  plus(plus(plus(f.origin, f.x, p.x), f.y, p.y), f.z, z);

const CROSSING: ReadonlySet<MeshJoint['type']> = new Set(['bevel', 'pegs', 'worm', 'crossed']);

/** Whether the wheels of a mesh stand on axes that are not parallel. */
export const crosses = ({ type }: Pick<MeshJoint, 'type'>): boolean => CROSSING.has(type);

/**
 * The frame of every axis: that of the drive lies as the plan does; what meshes with a wheel side by side, or
 * stands on its line or arm, lies with it; beyond bevels, pegs, worms and crossed wheels the plan is turned up.
 */
export function spaceFrames(derived: SpaceFacts, middle: number): ReadonlyMap<string, SpaceFrame> {
  const { machine } = derived;
  const frames = new Map<string, SpaceFrame>();
  const drive = byId(arbors(machine), machine.drive?.member)?.axis;
  const order = [...(drive === undefined ? [] : [drive]), ...machine.axes.map(a => a.id)];
  for (const root of order) {
    if (frames.has(root)) continue;
    frames.set(root, level(middle));
    const open = [root];
    for (let at = open.pop(); at !== undefined; at = open.pop()) {
      const frame = frames.get(at) as SpaceFrame;
      for (const [next, made] of neighbours(derived, at, frame)) {
        if (frames.has(next)) continue;
        frames.set(next, made);
        open.push(next);
      }
    }
  }
  return frames;
}

/** The axes that hang on one, each with its frame. */
function neighbours(derived: SpaceFacts, axis: string, frame: SpaceFrame): (readonly [string, SpaceFrame])[] {
  const { machine, positions } = derived;
  const found: (readonly [string, SpaceFrame])[] = [];
  for (const j of meshes(machine)) {
    const [a, b] = axesOfMesh(machine, j.id);
    const other = a === axis ? b : b === axis ? a : undefined;
    if (other === undefined || other === axis) continue;
    const [own, mate] = a === axis ? [j.a, j.b] : [j.b, j.a];
    const [from, to] = [byId(machine.wheels, own), byId(machine.wheels, mate)];
    if (!from || !to) continue;
    found.push([other, crosses(j) ? turnedUp(derived, frame, axis, other, from, to, j) : frame]);
  }
  const here = positions.at[axis];
  for (const a of machine.axes) {
    const there = positions.at[a.id];
    const sameLine =
      here &&
      there &&
      Math.hypot(here.x - there.x, here.y - there.y) < 1e-9 &&
      frameOf(machine, a.id) === frameOf(machine, axis);
    if (
      a.id !== axis &&
      (carries(machine, axis, a.id) ||
        carries(machine, a.id, axis) ||
        (sameLine && !crossed(machine, axis, a.id)))
    )
      found.push([a.id, frame]);
  }
  return found;
}

const frameOf = (machine: SpaceFacts['machine'], axis: string): string =>
  byId(machine.axes, axis)?.frame ?? GROUND;
const carries = (machine: SpaceFacts['machine'], axis: string, carried: string): boolean =>
  byId(arbors(machine), byId(machine.axes, carried)?.frame)?.axis === axis;
const crossed = (machine: SpaceFacts['machine'], a: string, b: string): boolean =>
  meshes(machine).some(j => {
    const [p, q] = axesOfMesh(machine, j.id);
    return crosses(j) && ((p === a && q === b) || (p === b && q === a));
  });

/**
 * The frame beyond a crossing mesh. In the frame of the first wheel its mate lies in the direction u; seen from
 * where the axes meet the mate's body lies at the shaft angle from the first one's, and both touch on the near
 * side. Where the two do not stand alike, the mate's axis points the other way.
 */
function turnedUp(
  derived: SpaceFacts,
  frame: SpaceFrame,
  axis: string,
  other: string,
  from: Wheel,
  to: Wheel,
  mesh: MeshJoint,
): SpaceFrame {
  const { machine, positions, layout } = derived;
  const [p, q] = [positions.at[axis] ?? { x: 0, y: 0 }, positions.at[other] ?? { x: 0, y: 0 }];
  const d = byId(machine.axes, other)?.direction;
  const apart = Math.hypot(q.x - p.x, q.y - p.y);
  const flat =
    apart > 1e-9
      ? { x: (q.x - p.x) / apart, y: (q.y - p.y) / apart }
      : d && Math.hypot(d.x, d.y) > 1e-9
        ? { x: -d.x / Math.hypot(d.x, d.y), y: -d.y / Math.hypot(d.x, d.y) }
        : { x: 1, y: 0 };
  const u = plus(scaled(frame.x, flat.x), frame.y, flat.y);
  const low = layout.stack.layers.get(from.layer)?.from ?? 0;
  const apex = (w: Wheel): number | undefined => bevelApex(derived.wheels[w.id]?.teeth, derived.chordError);
  const thick = (w: Wheel): number => wheelThickness(machine.stack, w);
  const radius = (w: Wheel): number => derived.wheels[w.id]?.dimensions.pitchRadius ?? 0;
  const angle = mesh.type === 'bevel' ? radians(mesh.shaftAngleDeg ?? 90) : Math.PI / 2;
  const sign = frame.upsideDown.has(from.id) ? -1 : 1;
  const body = plus(scaled(frame.z, -sign * Math.cos(angle)), u, Math.sin(angle));
  const isWorm = mesh.type === 'worm' || mesh.type === 'crossed';
  const up = isWorm ? unit(cross(frame.z, u)) : scaled(body, -1);
  const opposite = mesh.opposite === true;
  const z = opposite ? scaled(up, -1) : up;
  const down = scaled(frame.z, -sign);
  const near = isWorm ? scaled(u, -1) : unit(plus(down, up, -dot(down, up)));
  const side = cross(z, near);
  /** A direction of the plan, whose way back to the first wheel is `near`. */
  const laid = (v: { x: number; y: number }): Space =>
    plus(scaled(near, -(v.x * flat.x + v.y * flat.y)), side, v.x * flat.y - v.y * flat.x);
  const bed = bedOf();
  const own = layout.stack.layers.get(to.layer)?.from ?? 0;
  const [x, y] = [laid({ x: 1, y: 0 }), laid({ x: 0, y: 1 })];
  const base = opposite ? own + thick(to) : own;
  const origin = plus(plus(plus(bed, x, -q.x), y, -q.y), z, -base);
  return { origin, x, y, z, middle: own, upsideDown: new Set(opposite ? [to.id] : []) };

  /** Where the middle of the mate's bed face lies. */
  function bedOf(): Space {
    const top = low + thick(from);
    if (mesh.type === 'bevel') {
      const height = sign > 0 ? low + (apex(from) ?? 0) : top - (apex(from) ?? 0);
      return plus(inSpace(frame, p, height), up, -(apex(to) ?? 0));
    }
    if (isWorm) return plus(plus(inSpace(frame, p, low + thick(from) / 2), u, apart), up, -thick(to) / 2);
    const form = byId(machine.toothings, to.toothing)?.form;
    const length = form?.kind === 'pegs' ? form.pegLength : 0;
    const height = sign > 0 ? top + length / 2 + radius(to) : low - length / 2 - radius(to);
    return plus(inSpace(frame, p, height), u, radius(from) + length / 2 + thick(to));
  }
}
