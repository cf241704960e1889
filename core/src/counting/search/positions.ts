import {
  compare,
  factors,
  mul,
  ONE,
  type Rational,
  rational,
  toNumber,
} from '../../ground/rational/index.ts';
import { fail, ok, type Result, type Problems } from '../../ground/result/index.ts';
import type { CountLimits, CountQuery } from './query.ts';

/**
 * The counts that each position of a train of so many stages may have, ascending. Equal sets are one and the same
 * array.
 */
export interface Positions {
  readonly driving: readonly (readonly number[])[];
  readonly driven: readonly (readonly number[])[];
  /** Whether any stage differs from another, so that their order has a meaning. */
  readonly placed: boolean;
}

/** The counts each position may have; a problem names the limits that leave a position none. */
export function positionsOf(query: CountQuery, stages: number): Result<Positions> {
  const known = new Map<string, readonly number[]>();
  const intern = (set: readonly number[]): readonly number[] => {
    const name = set.join();
    const one = known.get(name) ?? set;
    known.set(name, one);
    return one;
  };
  const sides: Record<'driving' | 'driven', (readonly number[])[]> = { driving: [], driven: [] };
  for (let i = 0; i < stages; i++) {
    for (const side of ['driving', 'driven'] as const) {
      const set = countsAt(query, i, query.positions?.[i]?.[side]);
      if (set.length === 0) return fail('no-count-left', { stage: i + 1, side, ...namesOf(query) });
      sides[side].push(intern(set));
    }
  }
  const whole = query.exactTotal === undefined ? ok(sides) : adding(sides, query.exactTotal, intern);
  if (!whole.ok) return whole;
  const { driving, driven } = whole.value;
  const placed = [driving, driven].some(sets => sets.some(s => s !== sets[0]));
  return ok({ driving, driven, placed });
}

interface Sides {
  readonly driving: readonly (readonly number[])[];
  readonly driven: readonly (readonly number[])[];
}

/** Only counts that the least and the greatest of all other positions leave room for in an exact total. */
function adding(
  sides: Sides,
  total: number,
  intern: (set: readonly number[]) => readonly number[],
): Result<Sides> {
  const all = [...sides.driving, ...sides.driven];
  const least = all.reduce((n, s) => n + (s[0] ?? 0), 0);
  const most = all.reduce((n, s) => n + (s.at(-1) ?? 0), 0);
  const fitting = (set: readonly number[]): readonly number[] => {
    const [low, high] = [total - (most - (set.at(-1) ?? 0)), total - (least - (set[0] ?? 0))];
    return intern(set.filter(n => n >= low && n <= high));
  };
  const found = { driving: sides.driving.map(fitting), driven: sides.driven.map(fitting) };
  const none = [...found.driving, ...found.driven].some(s => s.length === 0);
  return none ? fail('total-out-of-range', { total, least, most }) : ok(found);
}

/** Whether the limits of a position name one count: the wheel is given. */
export const isGiven = (own: CountLimits | undefined): own is CountLimits =>
  own !== undefined && own.least === own.most;

/** A given wheel stands outside stock and bans: the maker has it. */
function countsAt(query: CountQuery, stage: number, own: CountLimits | undefined): number[] {
  if (isGiven(own)) return [own.least];
  const { least, most } = own ?? query;
  const largest = Math.min(most, largestCount(query, stage));
  const counts = query.stock
    ? query.stock.map(s => s.count).sort((a, b) => a - b)
    : Array.from({ length: Math.max(0, largest - least + 1) }, (_, i) => least + i);
  return counts.filter(
    n =>
      n >= least &&
      n <= largest &&
      !query.forbidden?.includes(n) &&
      !(query.noPrimes && factors(n).length === 1),
  );
}

/** Outside diameter = m(z + 2), so the largest count is ⌊D/m⌋ − 2. */
function largestCount(query: CountQuery, stage: number): number {
  const module = moduleAt(query, stage);
  if (query.largestOutside === undefined || !module) return Infinity;
  return Math.floor(query.largestOutside / toNumber(module) + 1e-9) - 2;
}

/** The module of a stage, counted from nought, in mm; the last that is given holds for the rest. */
export const moduleAt = (query: CountQuery, stage: number): Rational | undefined =>
  query.modules?.[Math.min(stage, query.modules.length - 1)];

/** The limits at work on the counts, for words. */
function namesOf(query: CountQuery): Omit<Problems['no-count-left'], 'stage' | 'side'> {
  return {
    least: query.least,
    most: query.most,
    stock: query.stock !== undefined,
    forbidden: (query.forbidden?.length ?? 0) > 0,
    noPrimes: query.noPrimes === true,
    ...(query.largestOutside !== undefined && { outside: query.largestOutside }),
  };
}

/** The smallest and the greatest ratio that the counts and the limits of each stage allow, whatever the centres. */
export function reachOf(query: CountQuery, positions: Positions): { least: Rational; most: Rational } {
  let least = ONE;
  let most = ONE;
  const low = query.stageRatio?.least;
  const high = query.stageRatio?.most;
  for (const [i, driving] of positions.driving.entries()) {
    const driven = positions.driven[i] ?? [];
    const bottom = rational(driving[0] ?? 1, driven.at(-1) ?? 1);
    const top = rational(driving.at(-1) ?? 1, driven[0] ?? 1);
    least = mul(least, low && compare(low, bottom) > 0 ? low : bottom);
    most = mul(most, high && compare(high, top) < 0 ? high : top);
  }
  return { least, most };
}
