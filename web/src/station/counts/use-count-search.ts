import { type CandidateWords, describeCandidate, plantTrain, returnFor } from '@tesseron/core/build';
import type { Candidate, CountQuery } from '@tesseron/core/counts';
import { type Aim, byId, freeId, type Search } from '@tesseron/core/machine';
import { toFraction } from '@tesseron/core/rational';
import type { Problem } from '@tesseron/core/result';
import { computed, reactive, ref, watch } from 'vue';
import { useOpen } from '../../machine/use-open';
import { useSearch } from '../../worker/use-search';

const TOP = 20;

/** The limits of a search as the maker sets them. */
export interface Limits {
  least: number;
  most: number;
  one: boolean;
  two: boolean;
  coaxial: boolean;
  module: number;
}

/** A row of the result: a candidate in words, and whether it is one of the best compromises. */
export interface Row extends CandidateWords {
  readonly key: string;
  readonly compromise: boolean;
}

/** Everything the Counts station needs: limits for an aim, the search, its rows, and choosing one. */
// eslint-disable-next-line @typescript-eslint/explicit-function-return-type
export function useCountSearch(aimId: () => string | undefined) {
  const { machine, derived, change } = useOpen();
  const search = useSearch();
  const limits = reactive<Limits>({
    least: 12,
    most: 100,
    one: true,
    two: true,
    coaxial: false,
    module: 1.5,
  });
  const asked = ref<{ aim: string; query: CountQuery; module: number }>();
  const aim = computed<Aim | undefined>(() => byId(machine.value.aims, aimId()));
  const state = computed(() => (aim.value ? derived.value.aims[aim.value.id] : undefined));

  watch(
    aim,
    (now, before) => {
      if (!now || now.id === before?.id) return;
      const kept = machine.value.searches.find(s => s.aim === now.id);
      if (kept) Object.assign(limits, limitsOf(kept));
      else limits.module = Number((Object.values(derived.value.modules)[0] ?? 1.5).toFixed(4));
      search.cancel();
      asked.value = undefined;
    },
    { immediate: true },
  );

  function start(): void {
    const target = state.value?.wanted;
    if (!aim.value || !target) return;
    const stages = [...(limits.one ? [1] : []), ...(limits.two ? [2] : [])];
    const coaxial = returnFor(aim.value.sense, limits.coaxial);
    const query: CountQuery = { target, least: limits.least, most: limits.most, stages, coaxial, top: TOP };
    asked.value = { aim: aim.value.id, query, module: limits.module };
    search.start(query);
  }

  const result = computed(() => {
    const answer = search.answer.value;
    return asked.value && answer?.ok && !search.searching.value ? answer.value : undefined;
  });
  const problem = computed<Problem | undefined>(() => {
    const answer = search.answer.value;
    if (state.value?.problem) return state.value.problem;
    return asked.value && answer && !answer.ok && !search.searching.value ? answer.problem : undefined;
  });
  const rows = computed<Row[]>(() => {
    const found = result.value;
    const query = asked.value;
    const current = aim.value;
    if (!found || !query || !current) return [];
    const rowOf = (candidate: Candidate, compromise: boolean): Row => ({
      ...describeCandidate(candidate, query.query.target, current, query.module, query.query.coaxial),
      key: keyOf(candidate),
      compromise,
    });
    const front = [...found.front].reverse().map(c => rowOf(c, true));
    const known = new Set(found.front.map(c => toFraction(c.ratio)));
    const rest = found.top.filter(c => !known.has(toFraction(c.ratio))).map(c => rowOf(c, false));
    return [...front, ...rest];
  });

  function choose(row: Row): void {
    const query = asked.value;
    if (!query) return;
    const choice = { stages: row.candidate.stages, module: query.module, coaxial: query.query.coaxial };
    const kept: Search = { ...keptLimits(query), id: freeId(machine.value, 'search'), aim: query.aim };
    change(
      `Choose ${row.candidate.stages.map(s => `${s.driving}/${s.driven}`).join(' · ')} for ${aim.value?.name}`,
      m =>
        plantTrain(
          { ...m, searches: [...m.searches.filter(s => s.aim !== query.aim), kept] },
          query.aim,
          choice,
        ),
    );
  }

  return { limits, aim, state, asked, rows, result, problem, start, choose, search };
}

const limitsOf = (s: Search): Limits => ({
  least: s.least,
  most: s.most,
  one: s.stages.includes(1),
  two: s.stages.includes(2),
  coaxial: s.coaxial,
  module: s.module,
});

const keptLimits = ({
  query,
  module,
}: {
  query: CountQuery;
  module: number;
}): Omit<Search, 'id' | 'aim'> => ({
  least: query.least,
  most: query.most,
  stages: [...query.stages],
  coaxial: query.coaxial !== 'none',
  module,
});

/** A settled name for a candidate. */
const keyOf = (c: Candidate): string => c.stages.map(s => `${s.driving}/${s.driven}`).join(' · ');
