import { toNumber } from '../../ground/rational/index.ts';
import type { BranchPlan, BranchQuery } from './query.ts';
import type { Ratios } from './ratios.ts';

/** A search for all outputs under way. */
export interface State {
  readonly query: BranchQuery;
  readonly wanted: readonly number[];
  /** A plan must be better than this to count: an error, or with different counts their number. */
  bound: number;
  /** The worst error of the best plan with equally few different counts. */
  worst: number;
  /** All errors of the best plan together. */
  total: number;
  tried: number;
  /** Whether outputs are tried as they are listed, or in every order. */
  order: 'listed' | 'all';
  /** What comes next in the order listed, by place. */
  readonly listed: readonly (readonly Next[])[];
  /** The number of choices at which it pauses next. */
  rest: number;
  readonly known: Map<number, Ratios>;
  /** How often each count is used by the choice so far, and how many counts that are. */
  readonly used: Uint16Array;
  different: number;
  /** How many pieces there are of each count that is in short supply. */
  readonly pieces: ReadonlyMap<number, number>;
  /** Which outputs may drive which, at the sum and the bound under way. */
  couples: Uint8Array;
  readonly choice: Choice[];
  best: BranchPlan | undefined;
}

/** An output with what drives it (the place in the order of another) and by which entry of the ratios. */
interface Choice {
  readonly output: number;
  readonly from: number | undefined;
  readonly i: number;
  readonly reached: number;
  readonly rate: number;
}

/** An output that may come next, and the place in the order of what drives it; undefined: the drive. */
export interface Next {
  readonly output: number;
  readonly from: number | undefined;
}

export const toError = ({ error }: BranchQuery): number => (error ? toNumber(error) : Infinity);

/** Counts a wheel in, or out again. */
export function use(state: State, count: number, by: 1 | -1): void {
  const now = (state.used[count] as number) + by;
  state.used[count] = now;
  if (by === 1 && now === 1) state.different += 1;
  if (by === -1 && now === 0) state.different -= 1;
}

/** Whether the wheels so far are few enough, and there are pieces enough of those named. */
export const allowedSoFar = (state: State, counts: readonly number[]): boolean =>
  fewEnough(state) && counts.every(n => (state.used[n] as number) <= (state.pieces.get(n) ?? Infinity));

const fewEnough = ({ query, different, bound }: State): boolean =>
  query.objective !== 'different counts' || different <= bound;

/** Whether the counts of the wheels matter for what may be chosen. */
export const counting = ({ query, pieces }: State): boolean =>
  query.objective === 'different counts' || pieces.size > 0;
