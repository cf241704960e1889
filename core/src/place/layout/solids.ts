import { lugReach } from '../../teeth/body/index.ts';
import { arbors, axisOfWheel, byId, type Machine } from '../../document/machine/index.ts';
import { armLayers, carriedAxes } from './arms.ts';
import { copyTurns } from './copied-axes.ts';
import { linesOf } from './lines.ts';
import { type PillarShape, pillarsOf } from './pillars.ts';
import { proudHubs } from './proud-hubs.ts';
import { outputPlates, pinPlates } from './reducer-layers.ts';
import type { StandingLug } from './ring-mounts.ts';
import { wallLayer } from './walls.ts';
import type { Spans } from './spans.ts';
import type { Crossing } from './crossing-axes.ts';
import { standingRods } from './standing-rods.ts';
import type { Band, Stack } from './stack.ts';
import { type TubeSize, USUAL_TUBES } from './tubes.ts';
import { armKey, type MotionParts, type Turning, turningAxis } from './turning.ts';

/**
 * What a wheel fills round its axis, mm: from `inner`, the clear room within a ring, to `outer`. A plain wheel
 * fills its middle too.
 */
export interface Extent {
  readonly inner: number | undefined;
  readonly outer: number;
  /** Pins that stand out of it through other layers, and where round its axis. */
  readonly pins?: { readonly inner: number; readonly outer: number };
}

/**
 * A thing that fills room: round about a line that stands or is carried, or a bar from an arm's line out to
 * another.
 */
export interface Solid {
  readonly kind: 'wheel' | 'wall' | 'arbor' | 'arm' | 'pillar' | 'shown';
  /** The wheel, the arbor, the arm or the pillar. */
  readonly id: string;
  readonly member: string | undefined;
  readonly line: string | undefined;
  /** Which of several places it stands in; 0 the first. */
  readonly copy: number;
  readonly inner: number | undefined;
  /** Half the width, for a bar. */
  readonly outer: number;
  readonly path: Turning;
  readonly band: Band;
  readonly bar: Bar | undefined;
  /** A rod on which arbors turn, and which turns with none. */
  readonly standing?: boolean;
}

/** The way of a bar from its pivot at rest, and the key under which it turns (undefined: it stands). */
interface Bar {
  readonly to: { readonly x: number; readonly y: number };
  readonly key: string | undefined;
  readonly axis: string;
}

export type SolidParts = Pick<
  Machine,
  | 'stack'
  | 'layout'
  | 'wheels'
  | 'members'
  | 'axes'
  | 'joints'
  | 'toothings'
  | 'aims'
  | 'indicators'
  | 'processes'
  | 'making'
  | 'process'
  | 'drive'
>;

/** What the layout of a machine is reckoned from besides the document. */
export interface LayoutParts {
  readonly machine: SolidParts;
  readonly motion: MotionParts;
  readonly stack: Stack;
  readonly spans: Spans;
  /** Axes beyond crossing wheels, which do not stand upright at their places in the plan. */
  readonly crossing: ReadonlyMap<string, Crossing>;
  readonly sizes: ReadonlyMap<string, TubeSize>;
  /** Wheels whose room in the plan is known; others are not held against anything. */
  readonly extents: Readonly<Record<string, Extent>>;
  /** Lugs of standing rings, and the rods that go through them into the plates. */
  readonly lugs: readonly StandingLug[];
  readonly lugRods: readonly PillarShape[];
}

/** Width of an arm's bar, mm: as said, or twice its rod and a hub's worth. */
export const armWidth = (
  machine: Pick<Machine, 'members'>,
  sizes: ReadonlyMap<string, TubeSize>,
  arm: string,
): number => byId(arbors(machine), arm)?.arm?.width ?? 2 * (sizes.get(arm)?.diameter ?? USUAL_TUBES.rod) + 2;

/** All solids of a machine: wheels and arbors in every place they stand in, bars of arms, pillars. */
export function solidsOf(parts: LayoutParts): Solid[] {
  return [
    ...[...wheelSolids(parts), ...arborSolids(parts), ...rodSolids(parts)],
    ...[
      ...armSolids(parts),
      ...wallSolids(parts),
      ...outputSolids(parts),
      ...pinSolids(parts),
      ...hubSolids(parts),
      ...pillarSolids(parts),
      ...lugSolids(parts),
    ],
  ];
}

function placesOf({ machine, motion }: LayoutParts, axisId: string): Turning[] {
  const axis = byId(machine.axes, axisId);
  const turns = axis ? [0, ...copyTurns(axis)] : [];
  return turns.flatMap(turn => turningAxis(motion, axisId, turn) ?? []);
}

function wheelSolids(parts: LayoutParts): Solid[] {
  const lines = lineByArbor(parts.machine);
  return parts.machine.wheels.flatMap(w => {
    const axis = axisOfWheel(parts.machine, w);
    const extent = parts.extents[w.id];
    const band = parts.stack.layers.get(w.layer);
    if (axis === undefined || !extent || !band) return [];
    return placesOf(parts, axis).map((path, copy): Solid => {
      const at = { kind: 'wheel' as const, id: w.id, member: w.member, line: lines.get(w.member) };
      return { ...at, copy, ...extent, path, band, bar: undefined };
    });
  });
}

function arborSolids(parts: LayoutParts): Solid[] {
  const { machine, spans, sizes } = parts;
  return arbors(machine).flatMap(m => {
    const [span, size] = [spans.of.get(m.id), sizes.get(m.id)];
    if (!span || !size) return [];
    return placesOf(parts, m.axis).map((path, copy): Solid => {
      const at = { kind: 'arbor' as const, id: m.id, member: m.id, line: span.line, copy, path };
      return { ...at, inner: undefined, outer: size.diameter / 2, band: span.whole, bar: undefined };
    });
  });
}

/** Rods that stand: they belong to no arbor, and are named by the first that turns on them. */
function rodSolids(parts: LayoutParts): Solid[] {
  return standingRods(parts.machine, parts.spans, parts.stack, parts.crossing).flatMap(
    ({ line, arbor, diameter, band }) => {
      const path = turningAxis(parts.motion, line.axis);
      if (!path) return [];
      const at = {
        kind: 'arbor' as const,
        id: arbor,
        member: undefined,
        line: line.id,
        copy: 0,
        standing: true,
      };
      return [{ ...at, path, band, inner: undefined, outer: diameter / 2, bar: undefined }];
    },
  );
}

function armSolids(parts: LayoutParts): Solid[] {
  const { machine, motion, stack, sizes, spans } = parts;
  return [...armLayers(machine)].flatMap(([id, layer]) => {
    const arm = byId(arbors(machine), id);
    const band = stack.layers.get(layer);
    const path = arm && turningAxis(motion, arm.axis);
    const pivot = arm && motion.at[arm.axis];
    if (!arm || !band || !path || !pivot) return [];
    const width = armWidth(machine, sizes, id);
    const key = armKey(motion, id)?.key;
    return carriedAxes(machine, id).flatMap(axis => {
      const at = motion.at[axis.id];
      if (!at) return [];
      return [0, ...copyTurns(axis)].map((turn, copy): Solid => {
        const [c, s] = [Math.cos(turn), Math.sin(turn)];
        const [dx, dy] = [at.x - pivot.x, at.y - pivot.y];
        const bar: Bar = { to: { x: c * dx - s * dy, y: s * dx + c * dy }, key, axis: axis.id };
        const base = { kind: 'arm' as const, id, member: id, line: spans.of.get(id)?.line };
        return { ...base, copy, path, band, bar, inner: undefined, outer: width / 2 };
      });
    });
  });
}

/** Walls that close rings, as wide as these, on their arbors. */
function wallSolids(parts: LayoutParts): Solid[] {
  const lines = lineByArbor(parts.machine);
  return parts.machine.wheels.flatMap(w => {
    const [axis, layer, extent] = [axisOfWheel(parts.machine, w), wallLayer(w), parts.extents[w.id]];
    const band = layer === undefined ? undefined : parts.stack.layers.get(layer);
    if (axis === undefined || !band || !extent) return [];
    return placesOf(parts, axis).map((path, copy): Solid => {
      const at = { kind: 'wall' as const, id: w.id, member: w.member, line: lines.get(w.member), copy };
      return { ...at, inner: undefined, outer: extent.outer, path, band, bar: undefined };
    });
  });
}

/** Output plates of reducers on their arbors, by their joints. */
function outputSolids(parts: LayoutParts): Solid[] {
  const { machine, stack } = parts;
  const lines = lineByArbor(machine);
  return outputPlates(machine).flatMap(({ joint, member, layer, outer }) => {
    const [arbor, band] = [byId(arbors(machine), member), stack.layers.get(layer)];
    if (!arbor || !band) return [];
    return placesOf(parts, arbor.axis).map((path, copy): Solid => {
      const at = { kind: 'wall' as const, id: joint.id, member, line: lines.get(member), copy };
      return { ...at, inner: undefined, outer, path, band, bar: undefined };
    });
  });
}

/** Hubs that stand out of their wheels. */
function hubSolids(parts: LayoutParts): Solid[] {
  const lines = lineByArbor(parts.machine);
  return proudHubs(parts.machine, parts.stack).flatMap(({ wheel: w, radius, band }) => {
    const axis = axisOfWheel(parts.machine, w);
    if (axis === undefined) return [];
    return placesOf(parts, axis).map((path, copy): Solid => {
      const at = { kind: 'wall' as const, id: w.id, member: w.member, line: lines.get(w.member), copy };
      return { ...at, inner: undefined, outer: radius, path, band, bar: undefined };
    });
  });
}

/** Pins of reducers' rings where they stand out of their plates, in the layer of each disc; by their meshes. */
function pinSolids(parts: LayoutParts): Solid[] {
  const { machine, stack } = parts;
  const lines = lineByArbor(machine);
  return pinPlates(machine).flatMap(({ wheel, rolling }) => {
    const [axis, extent] = [axisOfWheel(machine, wheel), parts.extents[wheel.id]];
    if (axis === undefined || extent?.pins === undefined) return [];
    const { inner, outer } = extent.pins;
    return rolling.flatMap(({ mesh, disc }) => {
      const band = stack.layers.get(disc.layer);
      if (!band || disc.layer === wheel.layer) return [];
      return placesOf(parts, axis).map((path, copy): Solid => {
        const at = {
          kind: 'wall' as const,
          id: mesh,
          member: wheel.member,
          line: lines.get(wheel.member),
          copy,
        };
        return { ...at, inner, outer, path, band, bar: undefined };
      });
    });
  });
}

/** Lugs in the layers of their rings. */
const lugSolids = ({ lugs, stack }: LayoutParts): Solid[] =>
  lugs.flatMap(({ wheel, hole, at }): Solid[] => {
    const band = stack.layers.get(wheel.layer);
    const base = { kind: 'pillar' as const, id: wheel.id, member: wheel.member, line: undefined, copy: 0 };
    const path = { ...at, vectors: [] };
    return band ? [{ ...base, path, band, inner: undefined, outer: lugReach(hole), bar: undefined }] : [];
  });

const pillarSolids = ({ machine, stack, lugRods }: LayoutParts): Solid[] =>
  [...pillarsOf(machine, stack), ...lugRods].map((p): Solid => {
    const base = { kind: 'pillar' as const, id: p.id, member: undefined, line: undefined, copy: 0 };
    const path = { ...p.at, vectors: [] };
    return { ...base, path, band: p.whole, inner: undefined, outer: p.shoulder / 2, bar: undefined };
  });

/** The line of every arbor. */
function lineByArbor(machine: SolidParts): Map<string, string> {
  return new Map(linesOf(machine).flatMap(l => l.arbors.map(a => [a.id, l.id] as const)));
}
