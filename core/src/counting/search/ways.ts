import { type Rational } from '../../ground/rational/index.ts';
import { byTotal, type Candidate, candidateOf, type Stage } from './candidate.ts';
import { fitOf } from './fit.ts';
import { positionsOf } from './positions.ts';
import type { CountQuery } from './query.ts';

/** Ways that are listed at most, and counts that are looked at for them: a list that a page waits for. */
const MOST_WAYS = 60;
const MOST_LOOKED = 4e6;

/** Every way to cut a ratio exactly, and whether that is all of them within the limits. */
export interface Ways {
  readonly ways: readonly Candidate[];
  readonly all: boolean;
}

/**
 * Every train of so many stages within the limits that has exactly the ratio, by fewest teeth: 6 : 1 as 48/8, 54/9,
 * 60/10 and so on. The last stage follows from those before it: its counts are multiples of what is left of the
 * fraction. Where the order of the stages has no meaning each train comes once. Cut short at a number of trains, or of
 * stages looked at; `all` says so.
 */
export function waysToCut(query: CountQuery, ratio: Rational, stages: number): Ways {
  const positions = positionsOf(query, stages);
  if (!positions.ok || (query.coaxial !== 'none' && stages % 2 === 1)) return { ways: [], all: true };
  const { driving, driven } = positions.value;
  const fit = fitOf(query, stages, positions.value);
  const found: Candidate[] = [];
  let looked = 0;
  /** Later stages of an unordered train are no larger than those before them. */
  const follows = (before: Stage | undefined, s: Stage): boolean =>
    fit.ordered || !before || sizeOf(s) <= sizeOf(before);
  const go = (at: number, num: number, den: number, chosen: readonly Stage[]): void => {
    if (looked > MOST_LOOKED) return;
    const add = (s: Stage): void => {
      const all = [...chosen, s];
      if (follows(chosen.at(-1), s) && fit.stage(s, at) && fit.train(all)) found.push(candidateOf(all));
    };
    const [from, to] = [driving[at] ?? [], driven[at] ?? []];
    if (at === stages - 1) {
      const known = new Set(from);
      const common = commonFactor(num, den);
      const [n, d] = [num / common, den / common];
      for (const b of to) if (b % d === 0 && known.has((b / d) * n)) add({ driving: (b / d) * n, driven: b });
      looked += to.length;
      return;
    }
    for (const a of from)
      for (const b of to) {
        const s = { driving: a, driven: b };
        if (!follows(chosen.at(-1), s) || !fit.stage(s, at)) continue;
        go(at + 1, num * b, den * a, [...chosen, s]);
      }
  };
  go(0, Number(ratio.num), Number(ratio.den), []);
  found.sort(byTotal);
  return { ways: found.slice(0, MOST_WAYS), all: looked <= MOST_LOOKED && found.length <= MOST_WAYS };
}

/** A settled order of stages: by their tooth sum, then by what drives. */
const sizeOf = (s: Stage): number => (s.driving + s.driven) * 2000 - s.driving;

function commonFactor(a: number, b: number): number {
  let [x, y] = [a, b];
  while (y !== 0) [x, y] = [y, x % y];
  return x;
}
