import { type Rational, toFraction, toNumber } from '../rational/index.ts';
import { byError, byTotal, type Candidate, candidateOf, type Stage } from './candidate.ts';

/** Doubles within this of each other may stand in either order: only exact comparison decides there. */
const DOUBT = 4e-15;

/**
 * Keeps the best by error for every total, and the best of all by error, each ratio once with its least total. Doubles only
 * decide where they are sure; everything nearer is decided in integers.
 */
export interface Collector {
  /** Whether a train with this error (as a double) and total could still matter. */
  readonly wants: (error: number, total: number) => boolean;
  /** The error up to which a train may still be among the best of all. */
  readonly threshold: () => number;
  readonly offer: (error: number, stages: readonly Stage[]) => void;
  readonly front: () => Candidate[];
  readonly top: () => Candidate[];
}

/** A collector for a target ratio, totals up to `mostTotal`, and a list of the `top` best. */
export function createCollector(target: Rational, mostTotal: number, top: number): Collector {
  const order = byError(target);
  const errorAt = new Float64Array(mostTotal + 1).fill(Infinity);
  const bestAt: (Candidate | undefined)[] = new Array<Candidate | undefined>(mostTotal + 1);
  let best = new Map<string, Candidate>();
  let threshold = Infinity;
  const t = toNumber(target);

  const prune = (): void => {
    const kept = [...best.values()].sort(order).slice(0, top);
    best = new Map(kept.map(c => [toFraction(c.ratio), c]));
    const last = kept[top - 1];
    if (last) threshold = Math.abs(toNumber(last.ratio) / t - 1) + DOUBT;
  };

  return {
    wants: (error, total) => error <= threshold || error <= (errorAt[total] ?? -1) + DOUBT,
    threshold: () => threshold,
    offer(error, stages) {
      const c = candidateOf(stages);
      const rival = bestAt[c.total];
      if (!rival || order(c, rival) < 0 || (order(c, rival) === 0 && byTotal(c, rival) < 0)) {
        bestAt[c.total] = c;
        errorAt[c.total] = error;
      }
      if (error > threshold) return;
      const name = toFraction(c.ratio);
      const known = best.get(name);
      if (!known || byTotal(c, known) < 0) best.set(name, c);
      if (best.size >= 4 * top) prune();
    },
    front() {
      const found: Candidate[] = [];
      for (const c of bestAt) {
        const last = found[found.length - 1];
        if (c && (!last || strictlyBetter(c, last, target))) found.push(c);
      }
      return found;
    },
    top() {
      prune();
      return [...best.values()];
    },
  };
}

function strictlyBetter(c: Candidate, than: Candidate, target: Rational): boolean {
  const size = (x: Candidate): bigint => {
    const d = x.ratio.num * target.den - x.ratio.den * target.num;
    return d < 0n ? -d : d;
  };
  return size(c) * than.ratio.den < size(than) * c.ratio.den;
}
