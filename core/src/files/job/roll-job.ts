import {
  type Engagement,
  readyToRoll,
  rollCheck,
  type RollResult,
  type WhatIf,
  whatIf,
} from '../../teeth/mesh/index.ts';
import type { Job } from './job.ts';

/** A mesh to be rolled. */
interface MeshToRoll {
  readonly mesh: string;
  readonly engagement: Engagement;
  readonly whatIf: WhatIf;
}

/** Meshes to be rolled, as plain data; the chord error in mm. */
export interface RollRequest {
  readonly meshes: readonly MeshToRoll[];
  readonly chordError: number;
}

/** A mesh as it rolled; no result when its teeth do not meet. */
export interface Rolled {
  readonly mesh: string;
  readonly result: RollResult | undefined;
}

/** Steps in a pitch at which outlines are rolled. */
const ROLL_STEPS = 48;

/** Rolls meshes one after the other. */
export function* rollJob({ meshes, chordError }: RollRequest): Job<readonly Rolled[]> {
  const found: Rolled[] = [];
  for (const { mesh, engagement, whatIf: tried } of meshes) {
    yield { done: found.length / meshes.length };
    const ready = readyToRoll(whatIf(engagement, tried, chordError), chordError);
    found.push({ mesh, result: rollCheck(ready, ROLL_STEPS, chordError) });
  }
  return found;
}
