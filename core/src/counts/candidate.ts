import { abs, compare, type Rational, rational } from '../rational/index.ts';

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

const key = (c: Candidate): string => c.stages.map(s => `${pad(s.driving)}/${pad(s.driven)}`).join(' ');
const pad = (n: number): string => String(n).padStart(6, '0');

/**
 * Pairs two driving and two driven counts into stages so that the larger of the two tooth sums is least, which keeps
 * the larger centre distance least; the stage with the larger sum goes first.
 */
export function pairStages(driving: readonly [number, number], driven: readonly [number, number]): Stage[] {
  const [a, c] = driving;
  const [b, d] = driven;
  const straight = Math.max(a + b, c + d) <= Math.max(a + d, c + b);
  const stages: Stage[] = straight
    ? [
        { driving: a, driven: b },
        { driving: c, driven: d },
      ]
    : [
        { driving: a, driven: d },
        { driving: c, driven: b },
      ];
  return stages.sort((x, y) => y.driving + y.driven - (x.driving + x.driven) || x.driving - y.driving);
}
