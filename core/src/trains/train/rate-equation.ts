import type { Terms } from './frames.ts';

/** One linear law among the rates of members, each in the frame of its own axis: Σ coefficient·rate = 0. */
export interface RateEquation {
  /** The joint or member that states it. */
  readonly source: string;
  readonly terms: Terms;
  /** A slipping joint: it holds only where nothing else says how the two turn. */
  readonly yields?: true;
  /** The law holds in the mean; within a turn the driven one runs ahead and behind. */
  readonly uneven?: true;
}
