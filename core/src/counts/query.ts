import { compare, ONE, type Rational, rational } from '../rational/index.ts';
import { fail, ok, type Result } from '../result/index.ts';

/**
 * How two stages share their centres: `none` they need not; `equal sums` the output returns to the drive's centre;
 * `idler` it does so with an idler in one stage, which then must be smaller than the other (see IDLER_ROOM).
 */
export type Return = 'none' | 'equal sums' | 'idler';

/** A question to the search: a wanted rate by size, limits on every count, and the numbers of stages allowed. */
export interface CountQuery {
  readonly target: Rational;
  readonly least: number;
  readonly most: number;
  readonly stages: readonly number[];
  readonly coaxial: Return;
  /** How many of the best by error to list. */
  readonly top: number;
}

/** Least difference of tooth sums that lets the wheels of the smaller stage pass each other and an idler reach both. */
export const IDLER_ROOM = 6;
/** The counts that a search accepts as limits. */
export const LEAST_COUNT = 4;
export const MOST_COUNT = 1000;

/** The query when it can be searched; otherwise the limit that forbids it. */
export function checkQuery(query: CountQuery): Result<CountQuery> {
  const { least, most, stages } = query;
  if (!Number.isInteger(least) || !Number.isInteger(most)) return fail('limits-not-whole', { least, most });
  if (least > most) return fail('limits-reversed', { least, most });
  if (least < LEAST_COUNT) return fail('limit-too-small', { least, smallest: LEAST_COUNT });
  if (most > MOST_COUNT) return fail('limit-too-large', { most, largest: MOST_COUNT });
  if (query.target.num <= 0n) return fail('ratio-zero');
  if (stages.length === 0) return fail('no-stages');
  if (stages.some(s => s !== 1 && s !== 2)) return fail('stages-not-searched', { most: 2 });
  if (query.coaxial !== 'none' && !stages.includes(2)) return fail('coaxial-needs-two');
  if (query.coaxial === 'idler' && 2 * (most - least) < IDLER_ROOM)
    return fail('idler-no-room', { least, most, room: IDLER_ROOM });
  return ok(query);
}

/** The smallest and the greatest ratio within the limits, whatever the centres. */
export function reach(query: CountQuery): { least: Rational; most: Rational } {
  const deepest = Math.max(...query.stages);
  const top = BigInt(query.most) ** BigInt(deepest);
  const bottom = BigInt(query.least) ** BigInt(deepest);
  return { least: rational(bottom, top), most: rational(top, bottom) };
}

/** Whether the wanted rate lies outside what the limits can give. */
export function outOfReach(query: CountQuery): 'below' | 'above' | undefined {
  const r = reach(query);
  if (compare(query.target, r.least) < 0) return 'below';
  return compare(query.target, r.most) > 0 ? 'above' : undefined;
}

/** A bound of the reach in place of a target beyond it: the order of the nearest is the same. */
export function searchTarget(query: CountQuery): Rational {
  const side = outOfReach(query);
  if (side === undefined) return query.target;
  return side === 'below' ? reach(query).least : (reach(query).most ?? ONE);
}
