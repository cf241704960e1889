import { toNumber } from '../../ground/rational/index.ts';
import { type Candidate, errorSize } from './candidate.ts';
import { type CountQuery, MOST_COUNT, MOST_STAGES } from './query.ts';
import { searchCounts } from './search.ts';
import type { SearchProgress } from './weigh.ts';

/** A limit that could be given up or widened. */
export type Limit =
  | 'stages'
  | 'most'
  | 'least'
  | 'stock'
  | 'forbidden'
  | 'noPrimes'
  | 'positions'
  | 'alike'
  | 'stageRatio'
  | 'largestOutside'
  | 'centre'
  | 'reach'
  | 'hunting'
  | 'exactTotal'
  | 'coaxial';

/** What a search would find with one limit given up or widened, all others kept. */
export interface Relaxed {
  readonly limit: Limit;
  readonly query: CountQuery;
  readonly best: Candidate;
}

/**
 * For every limit of a query the best train without it (or with one stage more, or half as many teeth again): only
 * those that are better than what the query itself allows, the best first. Tells which limit kills a search that finds
 * nothing, and what widening would buy in one that does. Yields its progress.
 */
export function* relaxations(
  query: CountQuery,
  best: Candidate | undefined,
): Generator<SearchProgress, Relaxed[]> {
  const found: Relaxed[] = [];
  const changes = relaxedQueries(query);
  for (const [i, [limit, relaxed]] of changes.entries()) {
    const job = searchCounts({ ...relaxed, top: 1, front: false });
    let step = job.next();
    for (; !step.done; step = job.next()) yield { done: (i + step.value.done) / changes.length };
    const first = step.value.ok ? step.value.value.top[0] : undefined;
    if (first && (!best || isBetter(first, best, query))) found.push({ limit, query: relaxed, best: first });
  }
  const error = (r: Relaxed): number => toNumber(errorSize(r.best.ratio, query.target));
  return found.sort((a, b) => error(a) - error(b));
}

const isBetter = (a: Candidate, b: Candidate, { target }: CountQuery): boolean =>
  toNumber(errorSize(a.ratio, target)) < toNumber(errorSize(b.ratio, target)) * (1 - 1e-9);

const OPTIONAL = [
  ...(['stock', 'forbidden', 'noPrimes', 'positions', 'alike', 'stageRatio', 'largestOutside'] as const),
  ...(['centre', 'reach', 'hunting', 'exactTotal'] as const),
];

function relaxedQueries(query: CountQuery): (readonly [Limit, CountQuery])[] {
  const changes: (readonly [Limit, CountQuery])[] = [];
  for (const limit of OPTIONAL) {
    const { [limit]: present, ...rest } = query;
    if (present !== undefined && present !== false && !(Array.isArray(present) && present.length === 0))
      changes.push([limit, rest]);
  }
  if (query.coaxial !== 'none') changes.push(['coaxial', { ...query, coaxial: 'none' }]);
  const deepest = Math.max(...query.stages);
  const deeper = deepest + (query.coaxial === 'none' ? 1 : 2 - (deepest % 2));
  if (deeper <= MOST_STAGES && (deeper < MOST_STAGES || query.most - query.least <= 120))
    changes.push(['stages', { ...query, stages: [...query.stages, deeper] }]);
  const wider = Math.min(MOST_COUNT, Math.ceil(query.most * 1.5));
  if (!query.stock && wider > query.most && (deepest < MOST_STAGES || wider <= 120))
    changes.push(['most', { ...query, most: wider }]);
  if (!query.stock && query.least > 8) changes.push(['least', { ...query, least: 8 }]);
  return changes;
}
