import type { Rational } from '../../ground/rational/index.ts';
import { fail, ok, type Result } from '../../ground/result/index.ts';

/**
 * How stages share their centres: `none` they need not; `equal sums` every second mesh returns to the axis the one
 * before it started from; `idler` as that, with an idler in the last stage, whose wheels then must leave it room.
 */
export type Return = 'none' | 'equal sums' | 'idler';

/** A wheel in stock, and how many pieces there are of it; any number when not said. */
export interface StockWheel {
  readonly count: number;
  readonly pieces?: number;
}

/** Limits of one position of a train; a wheel that is given has the same least and most. */
export interface CountLimits {
  readonly least: number;
  readonly most: number;
}

/** Limits of the two wheels of a stage, where they differ from those of all. */
export interface StageLimits {
  readonly driving?: CountLimits;
  readonly driven?: CountLimits;
}

/** A question to the search. Lengths in mm. Whatever is absent does not limit. */
export interface CountQuery {
  /** The wanted rate by size. */
  readonly target: Rational;
  readonly least: number;
  readonly most: number;
  /** The numbers of stages allowed; each means exactly so many meshes in series (conventions 4). */
  readonly stages: readonly number[];
  readonly coaxial: Return;
  /** How many of the best by error to list. */
  readonly top: number;
  /** False: only the best by error, no front. */
  readonly front?: boolean;
  /** Only ratios of at most the target, or of at least it: for speed limits. */
  readonly side?: 'below' | 'above';
  /** Only these counts, within the limits. */
  readonly stock?: readonly StockWheel[];
  readonly forbidden?: readonly number[];
  readonly noPrimes?: boolean;
  /** Limits by stage, the first stage first. */
  readonly positions?: readonly StageLimits[];
  /** All driving, or all driven wheels have one count. */
  readonly alike?: 'driving' | 'driven';
  /** Driving / driven of each stage. */
  readonly stageRatio?: { readonly least: Rational; readonly most: Rational };
  /** Module of each stage; the last holds for the rest. */
  readonly modules?: readonly Rational[];
  /** Largest outside diameter of any wheel; needs modules. */
  readonly largestOutside?: number;
  /** Centre distance that every stage must have; needs modules. */
  readonly centre?: { readonly distance: number; readonly within: number };
  /** Most that the centre distances may add up to; needs modules. */
  readonly reach?: number;
  /** No common factor in any stage, so that every tooth meets every other. */
  readonly hunting?: boolean;
  readonly exactTotal?: number;
}

/** Least difference of tooth sums that lets the wheels of the smaller stage pass each other and an idler reach both. */
export const IDLER_ROOM = 6;
/** The counts that a search accepts as limits. */
export const LEAST_COUNT = 4;
export const MOST_COUNT = 1000;
export const MOST_STAGES = 4;

/** The query when it can be searched; otherwise the limit that forbids it. */
export function checkQuery(query: CountQuery): Result<CountQuery> {
  if (query.target.num <= 0n) return fail(query.target.num === 0n ? 'ratio-zero' : 'ratio-negative');
  const limits = checkLimits(query);
  if (!limits.ok) return limits;
  for (const [i, p] of (query.positions ?? []).entries()) {
    for (const side of [p.driving, p.driven]) {
      const own = side && checkLimits(side, i + 1);
      if (own && !own.ok) return own;
    }
  }
  if (query.stages.length === 0) return fail('no-stages');
  if (query.stages.some(s => !Number.isInteger(s) || s < 1 || s > MOST_STAGES))
    return fail('stages-not-searched', { most: MOST_STAGES });
  const shape = checkShape(query);
  return shape.ok ? ok(query) : shape;
}

/** Limits of all stages, or of one when it is named. */
function checkLimits({ least, most }: CountLimits, stage?: number): Result<void> {
  const of = stage === undefined ? {} : { stage };
  if (!Number.isInteger(least) || !Number.isInteger(most)) return fail('limits-not-whole', of);
  if (least > most) return fail('limits-reversed', { least, most, ...of });
  if (least < LEAST_COUNT) return fail('limit-too-small', { least, smallest: LEAST_COUNT, ...of });
  if (most > MOST_COUNT) return fail('limit-too-large', { most, largest: MOST_COUNT, ...of });
  return ok(undefined);
}

function checkShape(query: CountQuery): Result<void> {
  const { stages, stock, least, most } = query;
  if (query.coaxial !== 'none' && !stages.some(s => s % 2 === 0)) return fail('coaxial-needs-two');
  const oneModule = new Set(query.modules?.map(toFloat)).size <= 1;
  if (query.coaxial === 'idler' && oneModule && idlerRoom(query) < IDLER_ROOM)
    return fail('idler-no-room', { least, most, room: IDLER_ROOM });
  if ((query.largestOutside ?? query.centre ?? query.reach) !== undefined && !query.modules?.length)
    return fail('module-needed');
  const twice = stock?.find((s, i) => stock.findIndex(t => t.count === s.count) !== i);
  if (twice) return fail('stock-twice', { count: twice.count });
  const broken = stock?.find(
    s => !Number.isInteger(s.count) || s.count < LEAST_COUNT || s.count > MOST_COUNT,
  );
  if (broken)
    return fail('stock-not-a-count', { text: String(broken.count), least: LEAST_COUNT, most: MOST_COUNT });
  const { stageRatio } = query;
  if (stageRatio && (stageRatio.least.num <= 0n || toFloat(stageRatio.least) > toFloat(stageRatio.most)))
    return fail('stage-ratio-reversed');
  return checkTotals(query);
}

/** The most by which the tooth sum of the last stage but one can exceed that of the last, given wheels and all. */
function idlerRoom({ stages, positions, least, most }: CountQuery): number {
  const sum = (at: number, end: 'least' | 'most'): number => {
    const { driving, driven } = positions?.[at] ?? {};
    return (driving ?? { least, most })[end] + (driven ?? { least, most })[end];
  };
  return Math.max(...stages.filter(s => s % 2 === 0).map(s => sum(s - 2, 'most') - sum(s - 1, 'least')));
}

/** A total, or a stock, with which no train can be made is said at once, instead of a long search for nothing. */
function checkTotals({
  exactTotal,
  stages,
  stock,
  least,
  most,
  positions,
  forbidden,
}: CountQuery): Result<void> {
  const [few, many] = [Math.min(...stages), Math.max(...stages)];
  const pieces = stock?.reduce((n, s) => n + (s.pieces ?? Infinity), 0);
  if (pieces !== undefined && pieces < 2 * few && !positions)
    return fail('too-few-pieces', { pieces, needs: 2 * few });
  if (exactTotal === undefined || positions) return ok(undefined);
  const usable = (stock?.map(s => s.count) ?? [least, most]).filter(
    n => n >= least && n <= most && (!stock || !forbidden?.includes(n)),
  );
  const [low, high] = [2 * few * Math.min(...usable), 2 * many * Math.max(...usable)];
  if (usable.length === 0 || (exactTotal >= low && exactTotal <= high)) return ok(undefined);
  return fail('total-out-of-range', { total: exactTotal, least: low, most: high });
}

const toFloat = (r: Rational): number => Number(r.num) / Number(r.den);
