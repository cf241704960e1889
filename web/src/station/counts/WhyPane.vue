<script setup lang="ts">
import type { Candidate, CountQuery, Rung } from '@tesseron/core/search';
import { ppm, rateError } from '@tesseron/core/period';
import { compare, toFraction, toNumber } from '@tesseron/core/rational';
import { figure } from '@tesseron/core/units';
import { sayProblem, sayRelaxed, sayVerdict } from '@tesseron/core/words';
import { scaleLog } from 'd3-scale';
import { computed, watch } from 'vue';
import WorkBar from '../../parts/WorkBar.vue';
import { useSearch } from '../../worker/use-search';

/** Why the answer is not better: the ladder of fractions near the wanted rate, and what each limit costs. */
const props = defineProps<{
  query: CountQuery | undefined;
  best: Candidate | undefined;
  choosable: boolean;
}>();
const emit = defineEmits<{ choose: [candidate: Candidate]; working: [candidate: Candidate] }>();
const search = useSearch<'why'>();

watch(
  () => props.query,
  query => (query ? search.start({ kind: 'why', query, best: props.best }) : search.clear()),
  { immediate: true },
);

const why = computed(() => (search.answer.value?.ok ? search.answer.value.value : undefined));
const problem = computed(() =>
  search.answer.value && !search.answer.value.ok ? search.answer.value.problem : undefined,
);
const WIDTH = 110;
const MIDDLE = WIDTH / 2;
const scale = scaleLog([1e-9, 1], [0, MIDDLE - 8]).clamp(true);

/**
 * Where a rung stands beside the wanted rate: to the left when slow, to the right when fast, nearer the smaller its
 * error.
 */
function place({ ratio, error }: Rung): number {
  if (!props.query || error.num === 0n) return MIDDLE;
  const away = scale(toNumber(error));
  return compare(ratio, props.query.target) < 0 ? MIDDLE - away : MIDDLE + away;
}
const lines = computed(() =>
  (why.value?.rungs ?? []).map(rung => ({
    rung,
    text: toFraction(rung.ratio),
    ppm: figure(toNumber(ppm(rung.error)), 3),
    factors: rung.factors?.map(f => (f.length === 0 ? '1' : f.join('·'))).join(' / ') ?? '',
    verdict: sayVerdict(rung.verdict),
    train: rung.verdict.kind === 'can' ? rung.verdict.train : undefined,
    x: place(rung),
  })),
);
const relaxed = computed(() =>
  (why.value?.relaxed ?? []).map(r => ({
    relaxed: r,
    words: sayRelaxed(r),
    stages: r.best.stages.map(s => `${s.driving}/${s.driven}`).join(' · '),
    ppm: props.query ? figure(toNumber(ppm(rateError(r.best.ratio, props.query.target))), 3) : '',
  })),
);
</script>

<template>
  <div class="why" tabindex="0" role="region" aria-label="Why not better">
    <p v-if="problem" class="error-text" role="alert">{{ sayProblem(problem) }}</p>
    <p v-else-if="!query" class="quiet">Set an aim and its limits first.</p>
    <WorkBar
      v-else-if="search.working.value || search.problem.value"
      :work="search"
      label="Climbing the ladder"
    >
      Climbing the ladder…
    </WorkBar>
    <p v-else-if="!why" class="quiet">Stopped. Change a limit, or come back here, to climb it again.</p>
    <template v-if="why">
      <h3>Fractions near the wanted rate</h3>
      <table class="ruled" data-test="ladder">
        <thead>
          <tr>
            <th scope="col">slow ← → fast</th>
            <th scope="col">fraction</th>
            <th scope="col" class="figure">error, ppm</th>
            <th scope="col">factors</th>
            <th scope="col">as a train</th>
            <th scope="col"><span class="visually-hidden">choose</span></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="l in lines" :key="l.text">
            <td class="ladder">
              <svg :width="WIDTH" height="22" aria-hidden="true">
                <line :x1="MIDDLE" :x2="MIDDLE" y1="0" y2="22" class="rail" />
                <line :x1="MIDDLE" :x2="l.x" y1="11" y2="11" class="rung" />
                <circle :cx="l.x" cy="11" r="4" :class="l.train ? 'can' : 'cannot'" />
              </svg>
            </td>
            <td class="figure fraction" :class="{ convergent: l.rung.convergent }">{{ l.text }}</td>
            <td class="figure">{{ l.ppm }}</td>
            <td class="figure factors">{{ l.factors }}</td>
            <td :class="{ cut: l.train }">{{ l.verdict }}</td>
            <td>
              <template v-if="l.train">
                <BoxedButton
                  v-if="choosable"
                  :aria-label="`Choose ${l.text}`"
                  @click="emit('choose', l.train)"
                >
                  Choose
                </BoxedButton>
                <PlainButton :aria-label="`Working of ${l.text}`" @click="emit('working', l.train)">
                  working
                </PlainButton>
              </template>
            </td>
          </tr>
        </tbody>
      </table>
      <p class="quiet">
        Bold: convergents, each the best for its size. The others lie between two of them. Filled: can be cut.
      </p>
      <h3>What giving way would buy</h3>
      <p v-if="relaxed.length === 0" data-test="nothing-to-gain">
        Nothing: no single limit, given up or widened, brings a better train.
      </p>
      <table v-else class="ruled" data-test="relaxed">
        <thead>
          <tr>
            <th scope="col">if you</th>
            <th scope="col" class="figure">error, ppm</th>
            <th scope="col">best train then</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="r in relaxed" :key="r.words">
            <td>{{ r.words }}</td>
            <td class="figure">{{ r.ppm }}</td>
            <td class="figure left">{{ r.stages }}</td>
          </tr>
        </tbody>
      </table>
    </template>
  </div>
</template>

<style scoped>
.why {
  height: 100%;
  overflow: auto;
  padding: 4px 14px 20px;
}

.working {
  display: flex;
  align-items: center;
  gap: 12px;
}

.ladder {
  padding: 0 6px;
  width: 122px;
}

svg {
  display: block;
}

.rail {
  stroke: var(--ink);
  stroke-width: 1;
}

.rung {
  stroke: var(--muted);
  stroke-width: 1;
}

.can {
  fill: var(--ink);
}

.cannot {
  fill: var(--ground);
  stroke: var(--muted);
}

td.fraction,
td.factors,
td.left {
  text-align: left;
}

.factors,
.fraction {
  white-space: normal;
  overflow-wrap: anywhere;
}

.factors {
  font-size: 12px;
}

.convergent {
  font-weight: 700;
}

td:not(.cut) {
  color: inherit;
}

.cut {
  font-family: var(--figures);
}
td .plain {
  margin-left: 10px;
}
</style>
