import {
  type BlankAim,
  type BlankGroup,
  fillBlanks,
  type FillLimits,
} from '../../counting/open-counts/index.ts';
import { type Folded, type FoldQuery, foldTrain } from '../../place/layout/index.ts';
import type { Machine } from '../../document/machine/index.ts';
import { searchTwoRing, type TwoRingFound, type TwoRingQuery } from '../../counting/planetary/index.ts';
import {
  type BranchPlan,
  type BranchQuery,
  type BranchResult,
  searchBranches,
} from '../../counting/branches/index.ts';
import {
  type Candidate,
  type CountQuery,
  type GoalResult,
  ladder,
  type Relaxed,
  relaxations,
  type Rung,
  searchCounts,
  searchGoals,
  type SearchResult,
  type Sense,
} from '../../counting/search/index.ts';
import { findLinkage, type LinkageFound, type LinkageQuery } from '../../trains/linkage/index.ts';
import type { Rational } from '../../ground/rational/index.ts';
import { ok, type Result } from '../../ground/result/index.ts';
import type { Job } from './job.ts';

/** A question for a worker, as plain data. */
export type SearchRequest =
  | { readonly kind: 'counts'; readonly query: CountQuery }
  | { readonly kind: 'why'; readonly query: CountQuery; readonly best: Candidate | undefined }
  | {
      readonly kind: 'goals';
      readonly query: CountQuery;
      readonly error: Rational;
      readonly sense: Sense;
    }
  | {
      readonly kind: 'blanks';
      readonly machine: Machine;
      readonly aims: readonly BlankAim[];
      readonly top: number;
      readonly limits?: FillLimits;
    }
  | { readonly kind: 'two rings'; readonly query: TwoRingQuery }
  | { readonly kind: 'fold'; readonly query: FoldQuery }
  | { readonly kind: 'linkage'; readonly query: LinkageQuery }
  | { readonly kind: 'branches'; readonly queries: readonly BranchQuery[] };

/** The ladder of an aim, and what giving up or widening each limit would buy. */
export interface Why {
  readonly rungs: readonly Rung[];
  readonly relaxed: readonly Relaxed[];
}

/** The answer to each kind of question; several plans come in the order of their queries. */
export interface SearchAnswers {
  readonly counts: Result<SearchResult>;
  readonly why: Result<Why>;
  readonly goals: Result<readonly GoalResult[]>;
  readonly blanks: Result<readonly BlankGroup[]>;
  readonly 'two rings': Result<readonly TwoRingFound[]>;
  readonly fold: Result<readonly Folded[]>;
  readonly linkage: Result<readonly LinkageFound[]>;
  readonly branches: Result<readonly BranchResult[]>;
}

/** News from a job under way. */
export interface SearchNews {
  readonly done: number;
  readonly best?: readonly Candidate[];
  /** Of several plans: which is sought, how far that is with its best so far, and those that are there. */
  readonly schools?: {
    readonly at: number;
    readonly done: number;
    readonly best?: BranchPlan;
    readonly found: readonly BranchResult[];
  };
  readonly folded?: readonly Folded[];
  readonly linkages?: readonly LinkageFound[];
}

/** The job that answers a question. */
export function searchJob(request: SearchRequest): Job<SearchAnswers[SearchRequest['kind']], SearchNews> {
  switch (request.kind) {
    case 'counts':
      return searchCounts(request.query);
    case 'two rings':
      return searchTwoRing(request.query);
    case 'blanks':
      return fillBlanks(request.machine, request.aims, request.top, request.limits);
    case 'fold':
      return foldTrain(request.query);
    case 'linkage':
      return findLinkage(request.query);
    case 'why':
      return why(request);
    case 'goals':
      return goals(request);
    case 'branches':
      return branches(request.queries);
  }
}

function* why({
  query,
  best,
}: Extract<SearchRequest, { kind: 'why' }>): Job<SearchAnswers['why'], SearchNews> {
  const rungs = yield* scaled(ladder(query), 0, 0.4);
  const relaxed = yield* scaled(relaxations(query, best), 0.4, 1);
  return ok({ rungs, relaxed });
}

function* goals({
  query,
  error,
  sense,
}: Extract<SearchRequest, { kind: 'goals' }>): Job<SearchAnswers['goals'], SearchNews> {
  return ok(yield* scaled(searchGoals(query, error, sense), 0, 1));
}

function* branches(queries: readonly BranchQuery[]): Job<SearchAnswers['branches'], SearchNews> {
  const found: BranchResult[] = [];
  for (const [i, query] of queries.entries()) {
    const job = searchBranches(query);
    let done = 0;
    let best: BranchPlan | undefined;
    let step = job.next();
    for (; !step.done; step = job.next()) {
      done = Math.max(done, step.value.done);
      best = step.value.plan ?? best;
      yield {
        done: (i + done) / queries.length,
        schools: { at: i, done, found: [...found], ...(best && { best }) },
      };
    }
    const answer = step.value;
    if (!answer.ok) return answer;
    found.push(answer.value);
  }
  return ok(found);
}

/** A part of a job, its progress fitted between two bounds and never falling back. */
function* scaled<T>(job: Generator<SearchNews, T>, from: number, to: number): Generator<SearchNews, T> {
  let done = from;
  let step = job.next();
  for (; !step.done; step = job.next()) {
    done = Math.max(done, from + (to - from) * step.value.done);
    yield { ...step.value, done };
  }
  return step.value;
}
