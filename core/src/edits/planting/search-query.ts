import { type CountQuery, parseStock, type StageLimits } from '../../counting/search/index.ts';
import type { AimState } from '../../state/state/index.ts';
import type { Search } from '../../document/machine/index.ts';
import { parseDecimal, type Rational, rational } from '../../ground/rational/index.ts';
import { fail, ok, type Result } from '../../ground/result/index.ts';
import { returnFor } from './describe-candidate.ts';

/** The limits of a search as they are kept. */
export type SearchLimits = Omit<Search, 'id' | 'aim' | 'found'>;

/** The number of best trains by error that a search lists. */
const TOP = 20;

/** The question that limits and an aim ask together; a problem names what cannot be read. */
export function queryOf(
  limits: SearchLimits,
  aim: Pick<AimState, 'wanted' | 'sense' | 'limit' | 'problem'>,
): Result<CountQuery> {
  if (!aim.wanted) return { ok: false, problem: aim.problem ?? { code: 'nothing-typed', data: {} } };
  const stock = limits.stock?.trim() ? parseStock(limits.stock) : undefined;
  if (stock && !stock.ok) return stock;
  const forbidden = limits.forbidden?.trim() ? parseStock(limits.forbidden) : undefined;
  if (forbidden && !forbidden.ok) return forbidden;
  const modules = [limits.module, ...(limits.secondModule === undefined ? [] : [limits.secondModule])].map(
    exact,
  );
  if (modules.some(m => !m || m.num <= 0n)) return fail('module-not-positive');
  const steepest = limits.stageRatio === undefined ? undefined : exact(limits.stageRatio);
  return ok({
    target: aim.wanted,
    least: limits.least,
    most: limits.most,
    stages: limits.stages,
    coaxial: returnFor(aim.sense, limits.coaxial),
    top: TOP,
    modules: modules as Rational[],
    ...(aim.limit && { side: aim.limit === 'most' ? ('below' as const) : ('above' as const) }),
    ...(stock?.ok && { stock: stock.value }),
    ...(forbidden?.ok && { forbidden: forbidden.value.map(s => s.count) }),
    ...(steepest && { stageRatio: { least: rational(steepest.den, steepest.num), most: steepest } }),
    ...asTheyAre(limits),
  });
}

/** The limits that the search takes as they are kept; those that are not set stay away. */
function asTheyAre(limits: SearchLimits): Partial<CountQuery> {
  const { noPrimes, hunting, alike, largestOutside, centre, reach, exactTotal } = limits;
  const positions = limits.positions as StageLimits[] | undefined;
  const all = { noPrimes, hunting, alike, positions, largestOutside, centre, reach, exactTotal };
  return Object.fromEntries(Object.entries(all).filter(([, v]) => v !== undefined && v !== false));
}

/** A length as it is typed, exactly. */
function exact(n: number): Rational | undefined {
  const read = parseDecimal(String(n));
  return read.ok ? read.value : undefined;
}
