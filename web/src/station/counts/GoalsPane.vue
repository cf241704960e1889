<script setup lang="ts">
import { LIMITS } from '@tesseron/core/machine';
import type { Candidate, CountQuery, GoalResult, Sense } from '@tesseron/core/search';
import { ppm } from '@tesseron/core/period';
import { div, parseDecimal, type Rational, rational, toNumber } from '@tesseron/core/rational';
import { must } from '@tesseron/core/result';
import { figure } from '@tesseron/core/units';
import { sayGoal, sayProblem } from '@tesseron/core/words';
import { computed, ref, watch } from 'vue';
import WorkBar from '../../parts/WorkBar.vue';
import NumberField from '../../parts/NumberField.vue';
import { useSearch } from '../../worker/use-search';
import type { Row } from './use-count-search';

/** Trains that are accurate enough and have least of something else. */
const props = defineProps<{
  query: CountQuery | undefined;
  sense: Sense;
  choosable: boolean;
  tolerancePpm: number | undefined;
  weigh: (candidate: Candidate) => Row | undefined;
}>();
const emit = defineEmits<{ choose: [row: Row]; working: [row: Row] }>();
const search = useSearch<'goals'>();
const allowed = ref(startingPpm());

function startingPpm(): number {
  const t = props.tolerancePpm;
  return t === undefined ? 100 : Math.min(100000, Math.max(0.001, Number(t.toPrecision(3))));
}
watch(
  () => props.query,
  () => {
    search.clear();
    allowed.value = startingPpm();
  },
);

function start(): void {
  if (!props.query) return;
  const error: Rational = div(must(parseDecimal(String(allowed.value))), rational(1000000n));
  search.start({ kind: 'goals', query: props.query, error, sense: props.sense });
}
const problem = computed(() =>
  search.answer.value && !search.answer.value.ok ? search.answer.value.problem : undefined,
);
const results = computed(() => (search.answer.value?.ok ? search.answer.value.value : []));
const lines = computed(() =>
  results.value.map((r: GoalResult) => {
    const row = r.best && props.weigh(r.best);
    return { r, row, ppm: row ? figure(toNumber(ppm(row.error)), 4) : '' };
  }),
);
</script>

<template>
  <div class="goals" tabindex="0" role="region" aria-label="Other goals">
    <p>Among the trains that are accurate enough, which has least to cut or to place?</p>
    <form class="ask" @submit.prevent="start">
      <NumberField
        v-model="allowed"
        label="Error up to"
        :limits="LIMITS.errorPpm"
        unit="ppm"
        data-test="goal-error"
      />
      <v-btn
        v-if="!search.searching.value"
        type="submit"
        variant="flat"
        :disabled="!query"
        data-test="goal-search"
      >
        Search
      </v-btn>
      <WorkBar :work="search" label="Search" />
    </form>
    <p v-if="problem" class="error-text" role="alert">{{ sayProblem(problem) }}</p>
    <table v-if="lines.length > 0" class="ruled" data-test="goals">
      <thead>
        <tr>
          <th scope="col">goal</th>
          <th scope="col" class="figure">least</th>
          <th scope="col">train</th>
          <th scope="col" class="figure">error, ppm</th>
          <th scope="col" class="figure">teeth</th>
          <th scope="col">proof</th>
          <th scope="col"><span class="visually-hidden">choose</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="l in lines" :key="l.r.goal">
          <td>{{ sayGoal(l.r.goal) }}</td>
          <td class="figure">{{ l.r.value ?? '–' }}</td>
          <td class="figure left">{{ l.row?.key ?? 'none is accurate enough' }}</td>
          <td class="figure">{{ l.ppm }}</td>
          <td class="figure">{{ l.row?.candidate.total }}</td>
          <td>{{ l.r.proven ? 'proven least' : 'best found; not all was covered' }}</td>
          <td>
            <template v-if="l.row">
              <BoxedButton v-if="choosable" @click="l.row && emit('choose', l.row)"> Choose </BoxedButton>
              <PlainButton @click="l.row && emit('working', l.row)">working</PlainButton>
            </template>
          </td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
.goals {
  height: 100%;
  overflow: auto;
  padding: 4px 14px 20px;
}

.ask {
  display: flex;
  gap: 14px;
  align-items: center;
  max-width: 420px;
}

td.left {
  text-align: left;
}
td .plain {
  margin-left: 10px;
}
</style>
