import type { Candidate, Return } from '../counts/index.ts';
import type { Aim } from '../machine/index.ts';
import { rateError } from '../period/index.ts';
import type { Rational } from '../rational/index.ts';
import { needsIdler } from './plant-train.ts';

/** What a candidate would mean in the machine. */
export interface CandidateWords {
  readonly candidate: Candidate;
  /** Error of rate, exact, positive is fast. */
  readonly error: Rational;
  /** Distances of the centres in mm, one for each mesh of the search; equal ones once. */
  readonly centres: readonly number[];
  readonly idler: boolean;
  /** The sense of the output before an idler turns it. */
  readonly sense: 'with the drive' | 'against the drive';
}

/** Weighs a candidate against a wanted rate at a module in mm. Centre distance = m(z₁ + z₂)/2. */
export function describeCandidate(
  candidate: Candidate,
  wanted: Rational,
  aim: Aim,
  module: number,
): CandidateWords {
  const distances = candidate.stages.map(s => (module * (s.driving + s.driven)) / 2);
  return {
    candidate,
    error: rateError(candidate.ratio, wanted),
    centres: [...new Set(distances)],
    idler: needsIdler(aim.sense, candidate.stages.length),
    sense: candidate.stages.length % 2 === 0 ? 'with the drive' : 'against the drive',
  };
}

/** The kind of return to the drive's centre that a search must ask for, given the sense of the aim. */
export function returnFor(sense: Aim['sense'], coaxial: boolean): Return {
  if (!coaxial) return 'none';
  return needsIdler(sense, 2) ? 'idler' : 'equal sums';
}
