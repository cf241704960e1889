import type { Candidate, Return } from '../../counting/search/index.ts';
import type { Aim } from '../../document/machine/index.ts';
import { rateError } from '../../document/period/index.ts';
import type { Rational } from '../../ground/rational/index.ts';
import { type Choice, idlerCount, needsIdler } from './plant-train.ts';

/** What a candidate would mean in the machine. */
export interface CandidateWords {
  readonly candidate: Candidate;
  /** Error of rate, exact, positive is fast. */
  readonly error: Rational;
  /** Distances of the centres in mm, one for each mesh, an idler's two included; equal ones once. */
  readonly centres: readonly number[];
  readonly idler: boolean;
  /** The sense of the output before an idler turns it. */
  readonly sense: 'with the drive' | 'against the drive';
}

/** Weighs a candidate against a wanted rate at modules in mm. Centre distance = m(z₁ + z₂)/2. */
export function describeCandidate(
  candidate: Candidate,
  wanted: Rational,
  sense: Aim['sense'],
  { module: first, secondModule, coaxial }: Omit<Choice, 'stages'>,
): CandidateWords {
  const idler = needsIdler(sense, candidate.stages.length);
  const distances = candidate.stages.flatMap((s, i) => {
    const module = i === 0 ? first : (secondModule ?? first);
    if (!idler || i < candidate.stages.length - 1) return [(module * (s.driving + s.driven)) / 2];
    const between = idlerCount({
      ...{ stages: candidate.stages, module: first, coaxial },
      ...(secondModule !== undefined && { secondModule }),
    });
    return [(module * (s.driving + between)) / 2, (module * (between + s.driven)) / 2];
  });
  return {
    candidate,
    error: rateError(candidate.ratio, wanted),
    centres: [...new Set(distances)],
    idler,
    sense: candidate.stages.length % 2 === 0 ? 'with the drive' : 'against the drive',
  };
}

/** The kind of return to the drive's centre that a search must ask for, given the sense of the aim. */
export function returnFor(sense: Aim['sense'], coaxial: boolean): Return {
  if (!coaxial) return 'none';
  return needsIdler(sense, 2) ? 'idler' : 'equal sums';
}
