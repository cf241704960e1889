import { abs, compare, type Rational, rational } from '../../ground/rational/index.ts';

/** One mesh of a train: the count that drives and the count that is driven. */
export interface Stage {
  readonly driving: number;
  readonly driven: number;
}

/** A train of the search: its stages, its exact ratio = driving / driven, and all its teeth. */
export interface Candidate {
  readonly stages: readonly Stage[];
  readonly ratio: Rational;
  readonly total: number;
}

/** The candidate with those stages. */
export function candidateOf(stages: readonly Stage[]): Candidate {
  let num = 1n;
  let den = 1n;
  let total = 0;
  for (const s of stages) {
    num *= BigInt(s.driving);
    den *= BigInt(s.driven);
    total += s.driving + s.driven;
  }
  return { stages, ratio: rational(num, den), total };
}

/** |ratio / target − 1| as an exact fraction over a positive denominator (not reduced). */
export function errorSize(ratio: Rational, target: Rational): Rational {
  return { num: abs(ratio.num * target.den - ratio.den * target.num), den: ratio.den * target.num };
}

/** Order by |error|, exactly; of two equal, the smaller ratio first (conventions 4). */
export function byError(target: Rational): (a: Candidate, b: Candidate) => number {
  return (a, b) =>
    compare(errorSize(a.ratio, target), errorSize(b.ratio, target)) || compare(a.ratio, b.ratio);
}

/** A settled order of candidates of one ratio: least total, then fewest stages, then the smaller counts first. */
export function byTotal(a: Candidate, b: Candidate): number {
  return a.total - b.total || a.stages.length - b.stages.length || key(a).localeCompare(key(b));
}

const key = (c: Candidate): string => nameOf(c.stages);

/** The largest tooth sum of a train: with one module it sets the largest centre distance. */
export const largestSum = (stages: readonly Stage[]): number =>
  Math.max(...stages.map(s => s.driving + s.driven));

/** A settled order of trains of one ratio and total: least largest tooth sum, then the smaller counts first. */
export function byCompactness(a: readonly Stage[], b: readonly Stage[]): number {
  return largestSum(a) - largestSum(b) || nameOf(a).localeCompare(nameOf(b));
}

/**
 * Every way to pair driving with driven counts into stages, each once. Where the order of the stages has no meaning
 * the stage with the larger tooth sum goes first.
 */
export function pairings(driving: readonly number[], driven: readonly number[], ordered: boolean): Stage[][] {
  const found = new Map<string, Stage[]>();
  const add = (partners: readonly number[]): void => {
    const stages = driving.map((d, i) => ({ driving: d, driven: partners[i] as number }));
    if (ordered) for (const s of permutations(stages)) found.set(nameOf(s), s);
    else {
      stages.sort((x, y) => y.driving + y.driven - (x.driving + x.driven) || x.driving - y.driving);
      found.set(nameOf(stages), stages);
    }
  };
  for (const p of permutations(driven)) add(p);
  return [...found.values()];
}

const pad = (n: number): string => String(n).padStart(4, '0');
const nameOf = (stages: readonly Stage[]): string =>
  stages.map(s => `${pad(s.driving)}/${pad(s.driven)}`).join(' ');

function permutations<T>(items: readonly T[]): T[][] {
  if (items.length <= 1) return [[...items]];
  return items.flatMap((item, i) =>
    permutations([...items.slice(0, i), ...items.slice(i + 1)]).map(rest => [item, ...rest]),
  );
}
