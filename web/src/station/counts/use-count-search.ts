import {
  type CandidateWords,
  describeCandidate,
  plantTrain,
  queryOf,
  returnFor,
  type SearchLimits,
} from '@tesseron/core/planting';
import { type Candidate, candidateOf, type CountQuery } from '@tesseron/core/search';
import { searchedState } from '@tesseron/core/state';
import { keepSearch } from '@tesseron/core/change';
import { type Aim, byId, type Search } from '@tesseron/core/machine';
import { absolute, compare, type Rational, toFraction } from '@tesseron/core/rational';
import type { Problem, Result } from '@tesseron/core/result';
import { computed, onScopeDispose, shallowRef, watch } from 'vue';
import { useOpen } from '../../machine/use-open';
import { useSearch } from '../../worker/use-search';

/**
 * A row of the result: a candidate in words, whether it is one of the best compromises, and whether its error is
 * beneath the figure’s own.
 */
export interface Row extends CandidateWords {
  readonly key: string;
  readonly compromise: boolean;
  readonly asKnown: boolean;
}

/** What a search found, as it is shown: fresh, or as it was kept. */
export interface Found {
  readonly front: readonly Candidate[];
  readonly top: readonly Candidate[];
  readonly proven: boolean;
  /** Error (relative) up to which the compromises are complete, where that is not everything. */
  readonly frontTo?: number;
}

/** Milliseconds between showing what was found and keeping it. */
const KEEP_AFTER = 100;

const FRESH: SearchLimits = { least: 12, most: 100, stages: [1, 2], coaxial: false, module: 1.5 };

/** Everything the Counts station needs: limits for an aim, the search, its rows, and choosing one. */
// eslint-disable-next-line @typescript-eslint/explicit-function-return-type
export function useCountSearch(aimId: () => string | undefined) {
  const { machine, derived, change } = useOpen();
  const search = useSearch<'counts'>();
  const limits = shallowRef<SearchLimits>(FRESH);
  const asked = shallowRef<SearchLimits>();
  const shown = shallowRef<Found>();
  let keeping: ReturnType<typeof setTimeout> | undefined;
  const aim = computed<Aim | undefined>(() => byId(machine.value.aims, aimId()));
  const state = computed(() => {
    const own = aim.value && derived.value.aims[aim.value.id];
    return own && searchedState(own);
  });
  /** A train on an arm is not built from here. */
  const canChoose = computed(() => state.value !== undefined && !state.value.frame);
  const kept = computed(() => machine.value.searches.filter(s => s.aim === aim.value?.id));
  const query = computed<Result<CountQuery> | undefined>(
    () => state.value && queryOf(limits.value, state.value),
  );

  watch(
    () => aim.value?.id,
    () => {
      search.clear();
      const last = kept.value.at(-1);
      const module = Number((Object.values(derived.value.modules)[0] ?? 1.5).toFixed(4));
      if (last) show(last);
      else {
        limits.value = { ...FRESH, module, ...typedBefore() };
        asked.value = undefined;
        shown.value = undefined;
      }
    },
    { immediate: true },
  );

  /** The limits last typed for another output; wheels that are given and a total belong to that one alone. */
  function typedBefore(): Partial<SearchLimits> {
    const before = machine.value.searches.at(-1);
    if (!before) return {};
    const { id: _, aim: __, found: ___, positions: ____, exactTotal: _____, ...rest } = before;
    return rest;
  }

  /** Brings a kept search back, with its limits. */
  function show({ id: _, aim: __, found, ...rest }: Search): void {
    limits.value = rest;
    asked.value = rest;
    shown.value = found && {
      proven: found.proven,
      front: found.front.map(trainOf),
      top: found.top.map(trainOf),
    };
  }

  function start(): void {
    if (!query.value?.ok) return;
    asked.value = limits.value;
    shown.value = undefined;
    search.start({ kind: 'counts', query: query.value.value });
  }

  watch(search.answer, answer => {
    if (!answer?.ok || !aim.value || !asked.value) return;
    const { front, top, proven, covered } = answer.value;
    shown.value = { front, top, proven, ...(covered.front < Infinity && { frontTo: covered.front }) };
    const id = aim.value.id;
    const found = { proven, front: front.map(keptTrain), top: top.map(keptTrain) };
    const limitsAsked = asked.value;
    const label = `Search counts for ${aim.value.name}`;
    // After the trains are drawn, so that the page does not stall.
    keeping = setTimeout(() => change(label, keepSearch(id, { ...limitsAsked, found })), KEEP_AFTER);
  });

  onScopeDispose(() => clearTimeout(keeping));

  const result = computed(() => {
    const answer = search.answer.value;
    return answer?.ok ? answer.value : undefined;
  });
  const problem = computed<Problem | undefined>(() => {
    const answer = search.answer.value;
    if (query.value && !query.value.ok) return query.value.problem;
    return answer && !answer.ok ? answer.problem : undefined;
  });
  const choiceOf = ({
    module,
    secondModule,
    coaxial,
  }: SearchLimits): Omit<Parameters<typeof plantTrain>[2], 'stages'> => ({
    module,
    ...(secondModule !== undefined && { secondModule }),
    coaxial: returnFor(state.value?.sense ?? 'either', coaxial),
  });

  /** A candidate as a row, weighed against the aim as it is now. */
  function rowOf(candidate: Candidate, compromise: boolean, as: SearchLimits): Row | undefined {
    const s = state.value;
    if (!s?.wanted) return undefined;
    const words = describeCandidate(candidate, s.wanted, s.sense, choiceOf(as));
    return { ...words, key: keyOf(candidate), compromise, asKnown: within(words.error, s.uncertainty) };
  }

  const rows = computed<Row[]>(() => {
    const found = shown.value ?? streamed(search.news.value?.best);
    const as = asked.value;
    if (!found || !as) return [];
    const known = new Set(found.front.map(c => toFraction(c.ratio)));
    const idle = (c: Candidate): boolean => !as.coaxial && hasIdleStage(c);
    const front = [...found.front]
      .reverse()
      .filter(c => !idle(c))
      .map(c => rowOf(c, true, as));
    const rest = found.top
      .filter(c => !known.has(toFraction(c.ratio)) && !idle(c))
      .map(c => rowOf(c, false, as));
    return [...front, ...rest].filter(r => r !== undefined);
  });

  function choose(row: Row): void {
    const as = asked.value ?? limits.value;
    const chosen = aim.value;
    if (!chosen || !canChoose.value) return;
    change(`Choose ${row.key} for ${chosen.name}`, m =>
      plantTrain(m, chosen.id, { stages: row.candidate.stages, ...choiceOf(as) }),
    );
  }

  return {
    limits,
    aim,
    state,
    asked,
    rows,
    rowOf,
    result,
    problem,
    query,
    kept,
    show,
    shown,
    start,
    choose,
    canChoose,
    search,
  };
}

/** A stage of two equal wheels: a shorter train gives the same ratio (conventions 4). */
const hasIdleStage = ({ stages }: Candidate): boolean =>
  stages.length > 1 && stages.some(s => s.driving === s.driven);

const within = (error: Rational, uncertainty: Rational | undefined): boolean =>
  uncertainty !== undefined && compare(absolute(error), uncertainty) <= 0;

const streamed = (best: readonly Candidate[] | undefined): Found | undefined =>
  best && { front: [], top: best, proven: false };

const keptTrain = ({ stages }: Candidate): { driving: number[]; driven: number[] } => ({
  driving: stages.map(s => s.driving),
  driven: stages.map(s => s.driven),
});

const trainOf = ({ driving, driven }: { driving: readonly number[]; driven: readonly number[] }): Candidate =>
  candidateOf(driving.map((d, i) => ({ driving: d, driven: driven[i] ?? 0 })));

/** A settled name for a candidate. */
const keyOf = (c: Candidate): string => c.stages.map(s => `${s.driving}/${s.driven}`).join(' · ');
