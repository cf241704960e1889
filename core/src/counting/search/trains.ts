import { byCompactness, pairings, type Stage } from './candidate.ts';
import { factorings } from './factorings.ts';
import type { Fit } from './fit.ts';
import type { Positions } from './positions.ts';

/**
 * The train of least total whose driving counts make one product and whose driven counts make the other, within the
 * limits; undefined when there is none. Of several the most compact.
 */
export type TrainMaker = (num: number, den: number) => { stages: Stage[]; total: number } | undefined;

/** Makes trains out of products. It remembers the factors of products that it has met. */
export function createTrainMaker(positions: Positions, fit: Fit): TrainMaker {
  const drivingOf = remembered(n => byLeastSum(factorings(n, positions.driving)));
  const drivenOf = remembered(n => byLeastSum(factorings(n, positions.driven)));
  return (num, den) => {
    let best: Stage[] | undefined;
    let least = Infinity;
    for (const a of drivingOf(num)) {
      for (const b of drivenOf(den)) {
        const total = a.sum + b.sum;
        if (total > least || (fit.total !== undefined && total > fit.total)) break;
        if (fit.total !== undefined && total !== fit.total) continue;
        const loose = !fit.ordered && !fit.pairing;
        if (loose && !fit.train(inRow(a.counts, b.counts))) continue;
        for (const stages of arrangements(a.counts, b.counts, positions, fit.ordered)) {
          if (!stages.every(fit.stage) || !fit.train(stages)) continue;
          if (total < least || !best || byCompactness(stages, best) < 0) best = stages;
          least = total;
        }
      }
    }
    return best && { stages: best, total: least };
  };
}

const inRow = (driving: readonly number[], driven: readonly number[]): Stage[] =>
  driving.map((d, i) => ({ driving: d, driven: driven[i] as number }));

interface Factoring {
  readonly counts: readonly number[];
  readonly sum: number;
}

const byLeastSum = (found: number[][]): Factoring[] =>
  found.map(counts => ({ counts, sum: counts.reduce((n, c) => n + c, 0) })).sort((a, b) => a.sum - b.sum);

const MOST_REMEMBERED = 50000;

function remembered(make: (n: number) => Factoring[]): (n: number) => Factoring[] {
  const known = new Map<number, Factoring[]>();
  return n => {
    const one = known.get(n);
    if (one) return one;
    if (known.size >= MOST_REMEMBERED) known.clear();
    const made = make(n);
    known.set(n, made);
    return made;
  };
}

/** Every way to stand the counts in their positions. */
function arrangements(
  driving: readonly number[],
  driven: readonly number[],
  { driving: drivingSets, driven: drivenSets, placed }: Positions,
  ordered: boolean,
): Stage[][] {
  const all = pairings(driving, driven, ordered);
  if (!placed) return all;
  return all.filter(stages =>
    stages.every((s, i) => drivingSets[i]?.includes(s.driving) && drivenSets[i]?.includes(s.driven)),
  );
}
