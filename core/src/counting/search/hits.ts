import { compare, type Rational, toNumber } from '../../ground/rational/index.ts';
import { byCompactness, errorSize, type Stage } from './candidate.ts';

/**
 * A train on its way: its ratio as two products, not reduced, and all its teeth. Its stages when a limit had to look
 * at them; otherwise they are made from the products when the train is shown.
 */
export interface Hit {
  readonly num: number;
  readonly den: number;
  readonly total: number;
  readonly stages?: readonly Stage[];
}

/** Doubles within this of each other may stand in either order: only exact comparison decides there. */
export const DOUBT = 4e-15;

const exact = (h: Hit): Rational => ({ num: BigInt(h.num), den: BigInt(h.den) });

/** Whether two hits have one ratio, exactly. */
function sameRatio(a: Hit, b: Hit): boolean {
  const [x, y] = [a.num * b.den, b.num * a.den];
  if (x < Number.MAX_SAFE_INTEGER && y < Number.MAX_SAFE_INTEGER) return x === y;
  return Math.abs(x / y - 1) < DOUBT && BigInt(a.num) * BigInt(b.den) === BigInt(b.num) * BigInt(a.den);
}

/**
 * Order of hits by |error| against a target, exactly where doubles leave a doubt; the smaller ratio first of two
 * equal.
 */
function hitOrder(target: Rational): (a: Hit, b: Hit) => number {
  const t = toNumber(target);
  return (a, b) => {
    const difference = Math.abs(a.num / a.den / t - 1) - Math.abs(b.num / b.den / t - 1);
    if (Math.abs(difference) > DOUBT) return difference;
    const [x, y] = [exact(a), exact(b)];
    return compare(errorSize(x, target), errorSize(y, target)) || compare(x, y);
  };
}

/** Keeps the best hits by error, each ratio once with its least total. */
export interface TopList {
  /** The error up to which a train may still be among the best. */
  readonly threshold: () => number;
  readonly offer: (error: number, hit: Hit) => void;
  /** Whether the ratio of a hit is listed already with no more teeth. */
  readonly knows: (hit: Hit) => boolean;
  /** The best so far, in order. */
  readonly best: () => Hit[];
}

/** An empty list of the `most` best hits for a target. */
export function createTopList(target: Rational, most: number): TopList {
  const order = hitOrder(target);
  const t = toNumber(target);
  let known = new Map<number, Hit[]>();
  let size = 0;
  let threshold = Infinity;
  let last: Hit | undefined;

  const sorted = (): Hit[] => [...known.values()].flat().sort(order).slice(0, most);
  const prune = (): void => {
    const kept = sorted();
    known = new Map();
    for (const h of kept) known.set(bucket(h), [...(known.get(bucket(h)) ?? []), h]);
    size = kept.length;
    const worst = kept[most - 1];
    if (worst) threshold = Math.abs(worst.num / worst.den / t - 1) + DOUBT;
  };

  return {
    threshold: () => threshold,
    offer(error, hit) {
      if (error > threshold) return;
      if (last && !preferred(hit, last) && sameRatio(last, hit)) return;
      const at = bucket(hit);
      const list = known.get(at) ?? [];
      const i = list.findIndex(h => sameRatio(h, hit));
      if (i < 0) {
        known.set(at, [...list, hit]);
        size += 1;
      } else if (preferred(hit, list[i] as Hit)) list[i] = hit;
      last = i < 0 ? hit : list[i];
      if (size >= 4 * most + 16) prune();
    },
    knows: hit => known.get(bucket(hit))?.some(h => h.total <= hit.total && sameRatio(h, hit)) ?? false,
    best() {
      prune();
      return sorted();
    },
  };
}

/**
 * A double that all hits of one ratio share: division rounds correctly (IEEE 754), so equal fractions give one
 * double.
 */
const bucket = (h: Hit): number => h.num / h.den;

/**
 * Of two hits of one ratio, whether the first is to be listed: least total, then least largest sum, then smaller
 * counts.
 */
function preferred(a: Hit, b: Hit): boolean {
  if (a.total !== b.total || !a.stages || !b.stages) return a.total < b.total;
  return byCompactness(a.stages, b.stages) < 0;
}

/** Keeps, for every total, the hit of least error: what the front is made of. */
export interface FrontList {
  /** The error up to which a train of that total could still matter. */
  readonly limit: (total: number) => number;
  readonly wants: (error: number, total: number) => boolean;
  readonly offer: (error: number, hit: Hit) => void;
  /** The least total with an error up to this, if it is below `total`; otherwise `total`. */
  readonly leastTotal: (error: number, total: number) => number;
  /** Hits that no other beats in both error and total, by rising total. */
  readonly front: () => Hit[];
}

/** An empty front for a target and totals up to `mostTotal`. */
export function createFrontList(target: Rational, mostTotal: number): FrontList {
  const order = hitOrder(target);
  const errorAt = new Float64Array(mostTotal + 1).fill(Infinity);
  const bestAt: (Hit | undefined)[] = [];
  return {
    limit: total => (errorAt[total] ?? -1) + DOUBT,
    wants: (error, total) => error <= (errorAt[total] ?? -1) + DOUBT,
    offer(error, hit) {
      const rival = bestAt[hit.total];
      if (rival && order(hit, rival) >= 0) return;
      bestAt[hit.total] = hit;
      errorAt[hit.total] = error;
    },
    leastTotal(error, total) {
      const at = errorAt.findIndex(e => e <= error);
      return at >= 0 && at < total ? at : total;
    },
    front() {
      const found: Hit[] = [];
      for (const h of bestAt) {
        const last = found.at(-1);
        if (h && (!last || compare(errorSize(exact(h), target), errorSize(exact(last), target)) < 0))
          found.push(h);
      }
      return found;
    },
  };
}
