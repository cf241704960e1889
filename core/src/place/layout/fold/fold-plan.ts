import type { Point } from '../../../ground/geometry/index.ts';
import {
  type Axis,
  axesOfMesh,
  byId,
  GROUND,
  type Machine,
  placeHangsOn,
} from '../../../document/machine/index.ts';
import { lineOf } from '../../../trains/train/index.ts';
import { radians } from '../../../ground/units/index.ts';
import { resolvePlace, type Surroundings } from '../resolve-place.ts';
import { type LayoutParts, type Solid, solidsOf } from '../solids.ts';

/** A line of the ground as folding sees it: where it comes from, and what stands on it. */
export interface FoldNode {
  readonly axis: string;
  /** The largest circle about it that anything on it fills or sweeps, mm. */
  readonly reach: number;
  /** Half the width of its thickest arbor, mm. */
  readonly rod: number;
  readonly wheels: readonly FoldWheel[];
  /** Whether its arbor stands in both plates, so that no wheel may cover it in any layer. */
  readonly through: boolean;
  /** The node it hangs on by a mesh, and whether it is free to swing about it. */
  readonly parent: number | undefined;
}

/** A disc on a node: of a wheel, or what an arm sweeps. */
interface FoldWheel {
  readonly id: string;
  readonly arm: boolean;
  readonly outer: number;
  readonly inner: number | undefined;
}

/**
 * What can be turned: the angle of an axis about its neighbour, or the side of one between two. Angles in radians;
 * a side is ±1.
 */
interface FoldTurn {
  readonly node: number;
  readonly kind: 'angle' | 'side';
  readonly now: number;
}

/** A train ready to be folded. */
export interface FoldPlan {
  readonly nodes: readonly FoldNode[];
  readonly turns: readonly FoldTurn[];
  /** Whether the whole may be moved: nothing is locked. */
  readonly moves: boolean;
  /** The places of all nodes for given turns; undefined where one has none. */
  readonly place: (turns: readonly number[]) => readonly Point[] | undefined;
}

/**
 * Readies the ground’s axes for folding. Axes at a mesh swing, axes between two change sides, as long as they are
 * not locked; given ones and those tied otherwise keep the way they are placed. `distances` in mm by mesh.
 */
export function foldPlan(parts: LayoutParts, distances: Readonly<Record<string, number>>): FoldPlan {
  const { machine } = parts;
  const axes = new Map(machine.axes.map(a => [a.id, a] as const));
  const roots = orderedRoots(machine, axes);
  const index = new Map(roots.map((a, i) => [a.id, i] as const));
  const nodeOf = (axisId: string): number | undefined => index.get(lineOf(axes, axisId));
  const across = (joint: string, axis: string): number | undefined => {
    const ends = axesOfMesh(machine, joint).map(on => (on === undefined ? undefined : nodeOf(on)));
    return ends.find(n => n !== undefined && n !== index.get(axis));
  };
  const stuff = stuffByNode(parts, nodeOf);
  const turns: FoldTurn[] = [];
  const slot = new Map<number, number>();
  roots.forEach((a, node) => {
    if (a.locked) return;
    const { place } = a;
    if (place.kind === 'mesh')
      slot.set(node, turns.push({ node, kind: 'angle', now: radians(place.angleDeg) }) - 1);
    if (place.kind === 'between')
      slot.set(node, turns.push({ node, kind: 'side', now: place.side === 'left' ? 1 : -1 }) - 1);
  });
  const step = (node: number, at: readonly Point[], values: readonly number[]): Point | undefined => {
    const axis = roots[node] as Axis;
    if (axis.locked) return parts.motion.at[axis.id];
    const near: Surroundings = {
      origin: () => ({ x: 0, y: 0 }),
      axis: id => at[nodeOf(id) ?? -1],
      across: joint => at[across(joint, axis.id) ?? -1],
      distance: joint => distances[joint],
    };
    return resolvePlace(axis.place, near, values[slot.get(node) ?? -1]);
  };
  return {
    nodes: roots.map((a, i) => ({
      axis: a.id,
      parent: a.place.kind === 'mesh' ? across(a.place.joint, a.id) : undefined,
      through: throughPlates(parts, a.id),
      ...(stuff.get(i) ?? { reach: 0, rod: 0, wheels: [] }),
    })),
    turns,
    moves: !roots.some(a => a.locked),
    place: values => {
      const at: Point[] = [];
      for (let node = 0; node < roots.length; node++) {
        const p = step(node, at, values);
        if (!p) return undefined;
        at.push(p);
      }
      return at;
    },
  };
}

/** Whether an arbor of that axis is held in both plates. */
const throughPlates = ({ machine, spans, stack }: LayoutParts, axis: string): boolean =>
  machine.members.some(m => {
    const span = m.kind === 'arbor' && m.axis === axis ? spans.of.get(m.id) : undefined;
    const { back, front } = stack;
    if (!span || !back || !front) return false;
    if (span.stands === 'on a standing rod') return true;
    if (span.stands !== 'in the plates') return false;
    return span.whole.from <= back.from && span.whole.to >= front.to;
  });

/** The ground's axes that are the root of a line, each after what it hangs on. */
function orderedRoots(
  machine: Pick<Machine, 'axes' | 'members' | 'wheels' | 'joints'>,
  axes: ReadonlyMap<string, Axis>,
): Axis[] {
  const roots = machine.axes.filter(a => a.frame === GROUND && lineOf(axes, a.id) === a.id);
  const known = new Set(roots.map(a => a.id));
  const done = new Set<string>();
  const order: Axis[] = [];
  const visit = (a: Axis, depth: number): void => {
    if (done.has(a.id) || depth > machine.axes.length) return;
    for (const id of hangsOn(machine, axes, a)) {
      const on = axes.get(id);
      if (on && known.has(id)) visit(on, depth + 1);
    }
    if (done.has(a.id)) return;
    done.add(a.id);
    order.push(a);
  };
  for (const a of roots) visit(a, 0);
  return order;
}

function hangsOn(
  machine: Pick<Machine, 'members' | 'wheels' | 'joints'>,
  axes: ReadonlyMap<string, Axis>,
  { id, place }: Axis,
): string[] {
  const on = placeHangsOn(place);
  const near = on.joints.flatMap(j => axesOfMesh(machine, j).flatMap(a => a ?? []));
  return [...near, ...on.axes].map(a => lineOf(axes, a)).filter(a => a !== id);
}

type Stuff = Pick<FoldNode, 'reach' | 'rod' | 'wheels'>;

/** What stands on every node: discs of its wheels, and of what its arms carry round it. */
function stuffByNode(parts: LayoutParts, nodeOf: (axis: string) => number | undefined): Map<number, Stuff> {
  const found = new Map<number, { reach: number; rod: number; wheels: FoldWheel[] }>();
  for (const s of solidsOf(parts)) {
    const node = nodeAt(parts, s, nodeOf);
    if (node === undefined) continue;
    const sweep =
      s.path.vectors.reduce((sum, v) => sum + Math.hypot(v.x, v.y), 0) +
      (s.bar ? Math.hypot(s.bar.to.x, s.bar.to.y) : 0);
    const stuff = found.get(node) ?? { reach: 0, rod: 0, wheels: [] };
    stuff.reach = Math.max(stuff.reach, sweep + s.outer);
    if (s.kind === 'arbor' && sweep === 0) stuff.rod = Math.max(stuff.rod, s.outer);
    else if (s.kind !== 'pillar')
      stuff.wheels.push({
        id: s.id,
        arm: s.kind === 'arm',
        outer: sweep + s.outer,
        inner: sweep > 0 ? undefined : s.inner,
      });
    found.set(node, stuff);
  }
  return found;
}

/** The ground's line about which a solid stands or is carried. */
function nodeAt(
  { machine }: LayoutParts,
  s: Solid,
  nodeOf: (axis: string) => number | undefined,
): number | undefined {
  let member = s.member;
  for (let depth = 0; depth <= machine.axes.length && member !== undefined; depth++) {
    const m = byId(machine.members, member);
    const axis = m?.kind === 'arbor' ? byId(machine.axes, m.axis) : undefined;
    if (!axis) return undefined;
    if (axis.frame === GROUND) return nodeOf(axis.id);
    member = axis.frame;
  }
  return undefined;
}
