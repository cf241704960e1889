<script setup lang="ts">
import { useTitle } from '@vueuse/core';
import { computed, ref, watch } from 'vue';
import { onBeforeRouteLeave, RouterLink, RouterView, useRoute } from 'vue-router';
import { useMachine } from '../machine/store';
import { STATIONS } from '../station/stations';
import { useClock } from '../run/clock';
import FindingsPanel from './FindingsPanel.vue';
import HistoryPanel from './HistoryPanel.vue';
import KeepNotice from './KeepNotice.vue';
import KeyHelp from './KeyHelp.vue';
import RouteRail from './RouteRail.vue';
import TimeStrip from './TimeStrip.vue';
import { useKeys } from './use-keys';
import WorkingPanel from './WorkingPanel.vue';

const route = useRoute();
const store = useMachine();
const clock = useClock();
const problem = ref('');
const findingsOpen = ref(false);
const helpOpen = ref(false);
const historyOpen = ref(false);

watch(
  () => String(route.params['id']),
  async id => {
    clock.runs(id);
    problem.value = (await store.open(id)) ?? '';
  },
  { immediate: true },
);
// What is not written yet is written before the shelf lists what is kept.
onBeforeRouteLeave(async () => {
  await store.close();
});
const station = computed(() => STATIONS.find(s => s.name === route.name)?.title);
useTitle(
  computed(() => [store.machine?.name, station.value, 'Tesseron'].filter(Boolean).join(' · ')),
  { restoreOnUnmount: () => 'Tesseron' },
);
useKeys({
  help: () => (helpOpen.value = true),
  findings: () => (findingsOpen.value = true),
  history: () => (historyOpen.value = true),
});
</script>

<template>
  <div v-if="problem" class="problem" role="alert">
    <h1>This machine cannot be opened</h1>
    <p>{{ problem }}</p>
    <RouterLink to="/">Back to the shelf</RouterLink>
  </div>
  <div v-else-if="store.derived" class="frame">
    <RouteRail
      class="rail"
      @findings="findingsOpen = true"
      @help="helpOpen = true"
      @history="historyOpen = true"
    />
    <div class="station">
      <KeepNotice />
      <RouterView />
    </div>
    <TimeStrip class="time" />
    <WorkingPanel />
    <FindingsPanel v-model="findingsOpen" />
    <KeyHelp v-model="helpOpen" />
    <HistoryPanel v-model="historyOpen" />
  </div>
  <p v-else class="quiet opening">Opening…</p>
</template>

<style scoped>
.frame {
  display: grid;
  grid-template: minmax(0, 1fr) auto / 176px minmax(0, 1fr);
  height: 100dvh;
  overflow: hidden;
}

.rail {
  grid-row: 1 / 3;
}

.station {
  min-width: 0;
  min-height: 0;
  display: flex;
  flex-direction: column;
}

.station > :deep(*:last-child) {
  flex: 1;
  min-height: 0;
}

.problem,
.opening {
  max-width: 46em;
  margin: 15vh auto;
  padding: 0 20px;
}

@media (max-width: 900px) {
  .frame {
    grid-template: auto minmax(0, 1fr) auto / minmax(0, 1fr);
  }

  .rail {
    grid-row: auto;
  }
}
</style>
