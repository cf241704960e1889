import { axisOfWheel, byId, type Machine, meshes } from '../../document/machine/index.ts';
import { table } from '../../ground/result/index.ts';
import { crosses, type SpaceFrame, spaceFrames } from './space-frames.ts';
import type { Stack } from './stack.ts';

/** An axis beyond crossing wheels. */
export interface Crossing {
  /**
   * Which way along it its arbor has room for brackets, away from all that its wheels mesh with across: 1 along it, −1
   * against; undefined where it does not lie level and at right angles, or where there is none.
   */
  readonly outboard: 1 | -1 | undefined;
}

/** From a wheel to its first bracket, on to the second, and how far the arbor stands out of that, mm (our choice). */
export const BRACKETS = { gap: 1, apart: 20, out: 8 };

/** How far an arbor reaches beyond its wheels for its brackets, mm; 0 without plates. */
export const bracketReach = ({ layout }: Pick<Machine, 'layout'>, { outboard }: Crossing): number =>
  layout.plates && outboard !== undefined
    ? BRACKETS.gap + BRACKETS.apart + 2 * layout.plates.thickness + BRACKETS.out
    : 0;

type Parts = Pick<Machine, 'axes' | 'members' | 'wheels' | 'joints' | 'toothings' | 'stack' | 'drive'>;

/**
 * The axes beyond bevels, pegs, worms and crossed wheels: they lie across the plan, or stand upright again but
 * elsewhere than the plan shows, so that no plate holds their arbors. `at`: where axes stand in the plan, mm.
 */
export function crossingAxes(
  machine: Parts,
  at: Readonly<Record<string, { readonly x: number; readonly y: number }>>,
  stack: Pick<Stack, 'layers'>,
): ReadonlyMap<string, Crossing> {
  if (!meshes(machine).some(crosses)) return new Map();
  // Which way axes lie does not hang on their teeth.
  const facts = { machine, positions: { at }, layout: { stack }, wheels: table<never>(), chordError: 0.1 };
  return new Map(
    [...spaceFrames(facts, 0)].flatMap(([axis, frame]) =>
      isLevel(frame) ? [] : [[axis, { outboard: outboardOf(machine, axis, frame) }] as const],
    ),
  );
}

const isLevel = ({ origin, x, z }: SpaceFrame): boolean =>
  Math.hypot(origin.x, origin.y, origin.z) < 1e-9 && x.x > 1 - 1e-9 && z.z > 1 - 1e-9;

/** A wheel stands with its back to the ground of its frame, and its mate lies above it; upside down, below. */
function outboardOf(machine: Parts, axis: string, { z, upsideDown }: SpaceFrame): Crossing['outboard'] {
  const across = meshes(machine).filter(crosses);
  const ends = across.flatMap(j =>
    [j.a, j.b].flatMap(id => {
      const wheel = byId(machine.wheels, id);
      const way = upsideDown.has(id) ? (1 as const) : (-1 as const);
      return wheel && axisOfWheel(machine, wheel) === axis ? [{ type: j.type, way }] : [];
    }),
  );
  const [first] = ends;
  const skew = ends.some(e => e.type === 'worm' || e.type === 'crossed');
  if (!first || skew || Math.abs(z.z) > 1e-9) return undefined;
  return ends.every(e => e.way === first.way) ? first.way : undefined;
}
