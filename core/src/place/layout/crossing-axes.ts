import { type Machine, meshes } from '../../document/machine/index.ts';
import { crosses, type SpaceFrame, spaceFrames } from './space-frames.ts';
import type { Stack } from './stack.ts';

const NONE: ReadonlySet<string> = new Set();

type Parts = Pick<Machine, 'axes' | 'members' | 'wheels' | 'joints' | 'toothings' | 'stack' | 'drive'>;

/**
 * The axes beyond bevels, pegs, worms and crossed wheels: they lie across the plan, or stand upright again but
 * elsewhere than the plan shows, so that no plate holds their arbors. `at`: where axes stand in the plan, mm.
 */
export function crossingAxes(
  machine: Parts,
  at: Readonly<Record<string, { readonly x: number; readonly y: number }>>,
  stack: Pick<Stack, 'layers'>,
): ReadonlySet<string> {
  if (!meshes(machine).some(crosses)) return NONE;
  // Whether axes lie in the plan does not hang on their teeth.
  const facts = { machine, positions: { at }, layout: { stack }, wheels: {}, chordError: 0.1 };
  const frames = spaceFrames(facts, 0);
  return new Set([...frames].flatMap(([axis, f]) => (isLevel(f) ? [] : [axis])));
}

const isLevel = ({ origin, x, z }: SpaceFrame): boolean =>
  Math.hypot(origin.x, origin.y, origin.z) < 1e-9 && x.x > 1 - 1e-9 && z.z > 1 - 1e-9;
