<script setup lang="ts">
import { toDecimal, toFraction, toNumber, toSignificant } from '@tesseron/core/rational';
import { errorForDrift, ppm } from '@tesseron/core/period';
import { LEAST_COUNT, MOST_COUNT } from '@tesseron/core/counts';
import { sayProblem } from '@tesseron/core/words';
import { computed, ref, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import StationLayout from '../../frame/StationLayout.vue';
import { useRatioWorking } from '../../frame/use-ratio-working';
import { useOpen } from '../../machine/use-open';
import NumberField from '../../parts/NumberField.vue';
import CountsTable from './CountsTable.vue';
import FrontChart from './FrontChart.vue';
import { type Row, useCountSearch } from './use-count-search';
import { builtStages } from './built-stages';

const route = useRoute();
const router = useRouter();
const { machine, derived } = useOpen();
const working = useRatioWorking();
const looked = ref<string>();
const aimId = computed(() => {
  const asked = route.query['aim'];
  return machine.value.aims.find(a => a.id === asked)?.id ?? machine.value.aims[0]?.id;
});
const { limits, aim, state, asked, rows, result, problem, start, choose, search } = useCountSearch(
  () => aimId.value,
);

const aims = computed(() => machine.value.aims.map(a => ({ title: a.name, value: a.id })));
const chosen = computed(() => builtStages(machine.value, aim.value));
const marked = computed(() => looked.value ?? chosen.value);
const tolerancePpm = computed(() => {
  const s = state.value;
  if (!s?.wanted || !s.toleranceDegrees || !s.span) return undefined;
  const error = errorForDrift(s.toleranceDegrees, s.wanted, s.span, derived.value.driveSeconds);
  return error && toNumber(ppm(error));
});
const reach = computed(
  () =>
    result.value &&
    `${toSignificant(result.value.reach.least, 3)} to ${toSignificant(result.value.reach.most, 3)}`,
);
const wantedText = computed(() => (state.value?.wanted ? toSignificant(state.value.wanted, 10) : ''));
const lookedRow = computed(() => rows.value.find(r => r.key === marked.value) ?? rows.value[0]);

watch(aimId, () => (looked.value = undefined));

function pick(row: Row): void {
  looked.value = row.key;
  choose(row);
}

const ratioText = computed(() =>
  lookedRow.value
    ? `${toFraction(lookedRow.value.candidate.ratio)} = ${toDecimal(lookedRow.value.candidate.ratio, 10)}`
    : '',
);
</script>

<template>
  <StationLayout station="counts">
    <template #table>
      <div v-if="rows.length > 0" class="found">
        <FrontChart :rows="rows" :chosen="marked" :tolerance="tolerancePpm" @look="looked = $event" />
        <div class="scroll" tabindex="0" role="region" aria-label="Trains found">
          <CountsTable
            :rows="rows"
            :looked="looked"
            :chosen="chosen"
            :wanted="state?.wanted"
            :drive-seconds="derived.driveSeconds"
            @look="looked = $event"
            @choose="pick"
          />
        </div>
      </div>
      <div v-else class="empty">
        <p v-if="machine.aims.length === 0">There is no output yet. Name one at Aims.</p>
        <p v-else-if="search.searching.value">Searching…</p>
        <template v-else>
          <p>Set the limits and search.</p>
          <p class="quiet">Every train within them is weighed; none is left out.</p>
        </template>
      </div>
    </template>
    <template #ledger>
      <v-select
        v-if="aims.length > 0"
        :model-value="aimId"
        :items="aims"
        label="For"
        data-test="counts-aim"
        @update:model-value="router.replace({ query: { aim: $event } })"
      />
      <p v-if="wantedText" class="wanted">
        wanted <span class="figure">{{ wantedText }}</span> turns per turn of the drive, {{ aim?.sense }}
      </p>
      <form class="limits" @submit.prevent="start">
        <div class="pair">
          <NumberField
            v-model="limits.least"
            label="Least teeth"
            :least="LEAST_COUNT"
            :most="MOST_COUNT"
            whole
            data-test="least"
          />
          <NumberField
            v-model="limits.most"
            label="Most teeth"
            :least="LEAST_COUNT"
            :most="MOST_COUNT"
            whole
            data-test="most"
          />
          <NumberField v-model="limits.module" label="Module" :least="0.1" :most="50" unit="mm" />
        </div>
        <div class="checks">
          <v-checkbox v-model="limits.one" :disabled="limits.coaxial" label="one stage" />
          <v-checkbox v-model="limits.two" label="two stages" />
        </div>
        <v-checkbox
          v-model="limits.coaxial"
          label="output returns to the drive’s centre"
          data-test="coaxial"
        />
        <div class="go">
          <v-btn v-if="!search.searching.value" type="submit" variant="flat" data-test="search">Search</v-btn>
          <v-btn v-else data-test="cancel" @click="search.cancel()">Cancel</v-btn>
          <progress v-if="search.searching.value" :value="search.done.value" max="1" aria-label="Search" />
        </div>
      </form>
      <p v-if="problem" class="error-text" role="alert" data-test="search-problem">
        {{ sayProblem(problem) }}
      </p>
      <template v-if="result">
        <p class="proof" data-test="proof">
          Proven: no train within these limits beats the filled squares in both error and teeth.
          {{ rows.length }} listed, from {{ asked?.query.least }} to {{ asked?.query.most }} teeth, in
          {{ Math.max(1, Math.round(search.milliseconds.value ?? 0)) }} ms.
        </p>
        <p v-if="result.outOfReach" class="error-text" role="alert" data-test="out-of-reach">
          Out of reach: these limits give {{ reach }} turns per turn of the drive. The nearest are shown.
          Widen the limits{{ limits.two ? '' : ' or allow two stages' }}.
        </p>
        <p v-else-if="rows.length === 0" class="error-text">
          No train within these limits returns to the centre. Widen the limits.
        </p>
        <template v-if="lookedRow">
          <h3>{{ lookedRow.key }}</h3>
          <p class="figure ratio">{{ ratioText }}</p>
          <p class="go">
            <v-btn variant="flat" @click="pick(lookedRow)">Choose</v-btn>
            <v-btn data-test="show-working" @click="working.show(aimId, lookedRow.candidate.stages)"
              >Show working</v-btn
            >
          </p>
        </template>
      </template>
      <p v-if="chosen" class="quiet" data-test="chosen">
        In the machine now: <span class="figure">{{ chosen }}</span>
      </p>
    </template>
  </StationLayout>
</template>

<style scoped>
.found {
  display: grid;
  grid-template-rows: minmax(180px, 42%) minmax(0, 1fr);
  height: 100%;
}

.scroll {
  overflow: auto;
  border-top: var(--line);
  padding: 0 10px;
}

.empty {
  height: 100%;
  display: grid;
  place-content: center;
  text-align: center;
}

.empty p {
  margin: 2px;
}

.wanted {
  margin: 10px 0;
}

.pair {
  display: grid;
  grid-template-columns: 1fr 1fr 1fr;
  gap: 14px;
}

.checks {
  display: flex;
  gap: 20px;
  margin-top: 6px;
}

.go {
  display: flex;
  gap: 12px;
  align-items: center;
  margin: 8px 0;
}

progress {
  flex: 1;
  accent-color: var(--accent);
}

.proof {
  font-size: 14px;
  margin: 12px 0;
}

.ratio {
  overflow-wrap: anywhere;
  margin: 2px 0;
}
</style>
