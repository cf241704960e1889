<script setup lang="ts">
import { errorForDrift, ppm } from '@tesseron/core/period';
import { type Candidate, LEAST_COUNT } from '@tesseron/core/search';
import { undercutLimit } from '@tesseron/core/tooth';
import { toDecimal, toFraction, toNumber, toSignificant } from '@tesseron/core/rational';
import type { Search } from '@tesseron/core/machine';
import { figure } from '@tesseron/core/units';
import { sayProblem } from '@tesseron/core/words';
import { computed, ref, shallowRef, watch } from 'vue';
import WorkBar from '../../parts/WorkBar.vue';
import { useRoute, useRouter } from 'vue-router';
import StationLayout from '../../frame/StationLayout.vue';
import { useRatioWorking } from '../../frame/use-ratio-working';
import { useOpen } from '../../machine/use-open';
import ComparePane from './ComparePane.vue';
import CountsTable from './CountsTable.vue';
import FrontChart from './FrontChart.vue';
import GoalsPane from './GoalsPane.vue';
import LimitsForm from './LimitsForm.vue';
import PlanForm from './PlanForm.vue';
import PlanPane from './PlanPane.vue';
import { builtStages } from './built-stages';
import ExactWays from './ExactWays.vue';
import { type Row, useCountSearch } from './use-count-search';
import { usePlanSearch } from './use-plan-search';
import WhyPane from './WhyPane.vue';
import TabRow from '../../parts/TabRow.vue';

const PANES = [
  { id: 'trains', title: 'Trains' },
  { id: 'why', title: 'Why not better' },
  { id: 'goals', title: 'Other goals' },
  { id: 'compare', title: 'Compare' },
  { id: 'machine', title: 'Whole machine' },
] as const;
type Pane = (typeof PANES)[number]['id'];
const MOST_COMPARED = 3;

const route = useRoute();
const router = useRouter();
const { machine, derived } = useOpen();
const working = useRatioWorking();
const planning = usePlanSearch();
const panes = computed(() =>
  PANES.map(p => ({
    id: p.id,
    title: p.id === 'compare' && compared.value.length > 0 ? `${p.title} ${compared.value.length}` : p.title,
  })),
);
const pane = ref<Pane>(route.query['pane'] === 'machine' ? 'machine' : 'trains');
const looked = ref<string>();
const compared = shallowRef<Row[]>([]);
const own = ref('');
const aimId = computed(() => {
  const asked = route.query['aim'];
  return machine.value.aims.find(a => a.id === asked)?.id ?? machine.value.aims[0]?.id;
});
const {
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
} = useCountSearch(() => aimId.value);

const aims = computed(() => machine.value.aims.map(a => ({ title: a.name, value: a.id })));
const chosen = computed(() => builtStages(machine.value, aim.value));
const marked = computed(() => looked.value ?? chosen.value);
const seconds = computed(() => derived.value.driveSeconds ?? derived.value.standsFor);
const tolerancePpm = computed(() => {
  const s = state.value;
  if (!s?.wanted || !s.toleranceDegrees || !s.span || s.limit) return undefined;
  const error = errorForDrift(s.toleranceDegrees, s.wanted, s.span, {
    seconds: seconds.value,
    metres: derived.value.driveMetres,
  });
  return error && toNumber(ppm(error));
});
const reach = computed(
  () =>
    result.value &&
    `${toSignificant(result.value.reach.least, 3)} to ${toSignificant(result.value.reach.most, 3)}`,
);
/** By the form of the teeth that a train would get: the first involute one. */
const leastWithoutUndercut = computed(() => {
  const form = machine.value.toothings.map(t => t.form).find(f => f.kind === 'involute');
  return form ? Math.ceil(undercutLimit(form.pressureAngleDeg)) : LEAST_COUNT;
});
const wantedText = computed(() => (state.value?.wanted ? toSignificant(state.value.wanted, 10) : ''));
const wantedKind = computed(() => {
  const limit = state.value?.limit;
  return limit ? (limit === 'most' ? 'at most' : 'at least') : 'wanted';
});
const lookedRow = computed(() => rows.value.find(r => r.key === marked.value) ?? rows.value[0]);
const goodQuery = computed(() => (query.value?.ok ? query.value.value : undefined));
const weigh = (candidate: Candidate): Row | undefined => rowOf(candidate, false, asked.value ?? limits.value);

watch(aimId, () => {
  looked.value = undefined;
  compared.value = [];
  own.value = '';
});

function pick(row: Row): void {
  looked.value = row.key;
  choose(row);
}
function pickCandidate(candidate: Candidate): void {
  const row = weigh(candidate);
  if (row) pick(row);
}
function compare(row: Row): void {
  const without = compared.value.filter(r => r.key !== row.key);
  compared.value =
    without.length < compared.value.length ? without : [...without.slice(1 - MOST_COMPARED), row];
}
const sayKept = (s: Search): string =>
  `${s.least}–${s.most} teeth, ${s.stages.join(' or ')} ` +
  `stage${s.stages.join() === '1' ? '' : 's'}${s.coaxial ? ', returning' : ''}, ` +
  `${s.found?.top.length ?? 0} found`;
const keptItems = computed(() => kept.value.map(s => ({ title: sayKept(s), value: s.id })).reverse());
function recall(id: string | null): void {
  const one = kept.value.find(s => s.id === id);
  if (one) show(one);
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
      <div class="panes">
        <TabRow v-model="pane" prefix="pane" label="Views of the search" :panes="panes" />
        <div id="pane-pane" class="pane" role="tabpanel" :aria-labelledby="`pane-tab-${pane}`">
          <template v-if="pane === 'trains'">
            <div v-if="rows.length > 0" class="found">
              <FrontChart :rows="rows" :chosen="marked" :tolerance="tolerancePpm" @look="looked = $event" />
              <div class="scroll" tabindex="0" role="region" aria-label="Trains found">
                <CountsTable
                  :rows="rows"
                  :looked="looked"
                  :chosen="chosen"
                  :wanted="state?.wanted"
                  :drive-seconds="seconds"
                  :choosable="canChoose"
                  :compared="compared.map(r => r.key)"
                  @look="looked = $event"
                  @choose="pick"
                  @compare="compare"
                />
              </div>
            </div>
            <div v-else class="empty">
              <p v-if="machine.aims.length === 0">There is no output yet. Name one at Aims.</p>
              <p v-else-if="search.searching.value">Searching…</p>
              <template v-else-if="!shown">
                <p>Set the limits and search.</p>
                <p class="quiet">Every train within them is weighed; none is left out.</p>
              </template>
              <p v-else>
                No train fits these limits together. “Why not better” says which one stands in the way.
              </p>
            </div>
          </template>
          <WhyPane
            v-else-if="pane === 'why'"
            :query="goodQuery"
            :choosable="canChoose"
            :best="lookedRow && shown?.top[0]"
            @choose="pickCandidate"
            @working="working.show(aimId, $event.stages)"
          />
          <GoalsPane
            v-else-if="pane === 'goals'"
            :query="goodQuery"
            :choosable="canChoose"
            :sense="state?.sense ?? 'either'"
            :tolerance-ppm="tolerancePpm"
            :weigh="weigh"
            @choose="pick"
            @working="working.show(aimId, $event.candidate.stages)"
          />
          <ComparePane
            v-else-if="pane === 'compare'"
            v-model:own="own"
            :rows="compared"
            :choosable="canChoose"
            :wanted="state?.wanted"
            :drive-seconds="seconds"
            :sense="state?.sense ?? 'either'"
            :weigh="weigh"
            @choose="pick"
            @drop="key => (compared = compared.filter(r => r.key !== key))"
            @working="working.show(aimId, $event.candidate.stages)"
          />
          <PlanPane v-else :planning="planning" />
        </div>
      </div>
    </template>
    <template #ledger>
      <PlanForm v-if="pane === 'machine'" :planning="planning" />
      <template v-else>
        <v-select
          v-if="aims.length > 0"
          :model-value="aimId"
          :items="aims"
          label="For"
          data-test="counts-aim"
          @update:model-value="router.replace({ query: { aim: $event } })"
        />
        <p v-if="wantedText" class="wanted" data-test="wanted">
          {{ wantedKind }} <span class="figure">{{ wantedText }}</span> turns per turn of the
          {{ state?.frame ? 'wheel that drives it on the arm' : 'drive' }}, {{ state?.sense }}
        </p>
        <p v-if="state?.frame" class="quiet" data-test="on-arm">
          An arm carries this output. Its counts are searched and kept here; its train is built at Train,
          where open counts are filled towards it.
        </p>
        <form @submit.prevent="start">
          <LimitsForm v-model="limits" :least-without-undercut="leastWithoutUndercut" />
          <div class="go">
            <!-- Hidden while it searches, but there: Enter in a field starts anew with what is typed. -->
            <v-btn v-show="!search.searching.value" type="submit" variant="flat" data-test="search"
              >Search</v-btn
            >
            <WorkBar :work="search" label="Search" cancel-test="cancel" />
          </div>
        </form>
        <p v-if="problem" class="error-text" role="alert" data-test="search-problem">
          {{ sayProblem(problem) }}
        </p>
        <template v-if="shown">
          <p class="proof" data-test="proof">
            <template v-if="!shown.proven">
              Cut short: these are the best of what was covered; a better train within the limits is not
              excluded.
            </template>
            <template v-else-if="shown.frontTo !== undefined">
              Proven best by error. The filled squares are complete up to
              {{ figure(shown.frontTo * 1e6, 3) }} ppm; coarser trains were not weighed.
            </template>
            <template v-else>
              Proven: no train within these limits beats the filled squares in both error and teeth.
            </template>
            {{ rows.length }} listed, from {{ asked?.least }} to {{ asked?.most }} teeth<template
              v-if="result"
              >, in {{ Math.max(1, Math.round(search.milliseconds.value)) }} ms</template
            ><template v-else>, kept from before</template>.
          </p>
          <p v-if="result?.outOfReach" class="error-text" role="alert" data-test="out-of-reach">
            Out of reach: these limits give {{ reach }} turns per turn of the drive. The nearest are shown.
            Widen the limits or allow more stages.
          </p>
          <p v-else-if="rows.length === 0" class="error-text" data-test="none-fits">
            No train fits these limits together.
            <PlainButton @click="pane = 'why'"> See which limit stands in the way </PlainButton>
          </p>
          <template v-if="lookedRow">
            <h3>{{ lookedRow.key }}</h3>
            <p class="figure ratio">{{ ratioText }}</p>
            <p class="go">
              <v-btn v-if="canChoose" variant="flat" @click="pick(lookedRow)">Choose</v-btn>
              <v-btn data-test="show-working" @click="working.show(aimId, lookedRow.candidate.stages)"
                >Show working</v-btn
              >
            </p>
            <ExactWays
              :query="goodQuery"
              :candidate="lookedRow.candidate"
              :weigh="weigh"
              :chosen="chosen"
              :choosable="canChoose"
              @choose="pick"
            />
          </template>
        </template>
        <p v-if="chosen" class="quiet" data-test="chosen">
          In the machine now: <span class="figure">{{ chosen }}</span>
        </p>
        <v-select
          v-if="keptItems.length > 1"
          :model-value="null"
          :items="keptItems"
          label="Kept searches"
          data-test="kept-searches"
          @update:model-value="recall"
        />
      </template>
    </template>
  </StationLayout>
</template>

<style scoped>
.panes {
  display: grid;
  grid-template-rows: auto minmax(0, 1fr);
  height: 100%;
}

.pane {
  min-height: 0;
}

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
