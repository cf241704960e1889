<script setup lang="ts">
import { driftCourse } from '@tesseron/core/derive';
import { computed, ref } from 'vue';
import PlanCanvas from '../../draw/PlanCanvas.vue';
import StationLayout from '../../frame/StationLayout.vue';
import { useOpen } from '../../machine/use-open';
import AgainPanel from './AgainPanel.vue';
import DriftChart from './DriftChart.vue';
import DriftPanel from './DriftPanel.vue';
import ReadingsPanel from './ReadingsPanel.vue';
import SetPanel from './SetPanel.vue';
import SkyPanel from './SkyPanel.vue';
import SpeedsPanel from './SpeedsPanel.vue';

const { machine, derived } = useOpen();
const PANES = [
  { id: 'readings', title: 'Readings' },
  { id: 'set', title: 'Set' },
  { id: 'sky', title: 'Sky' },
  { id: 'drift', title: 'Drift' },
  { id: 'again', title: 'Again' },
  { id: 'speeds', title: 'Speeds' },
] as const;
const pane = ref<(typeof PANES)[number]['id']>('readings');
const years = ref(50);
const marks = computed(() =>
  machine.value.aims.flatMap(a => (a.member === undefined ? [] : [{ member: a.member, text: a.name }])),
);
const courses = computed(() =>
  machine.value.aims.flatMap(a => {
    const state = derived.value.aims[a.id];
    const course = state && driftCourse(state, derived.value.driveSeconds ?? derived.value.standsFor);
    return course ? [{ id: a.id, name: a.name, course }] : [];
  }),
);
</script>

<template>
  <StationLayout station="run">
    <template #table>
      <DriftChart v-if="pane === 'drift' && courses.length > 0" :courses="courses" :years="years" />
      <PlanCanvas v-else :label="`${machine.name} in plan, turning at exact rates`" :marks="marks" />
    </template>
    <template #ledger>
      <div class="tabs" role="tablist" aria-label="What to watch">
        <button
          v-for="p in PANES"
          :id="`run-tab-${p.id}`"
          :key="p.id"
          type="button"
          role="tab"
          :aria-selected="pane === p.id"
          aria-controls="run-pane"
          :data-test="`run-${p.id}`"
          @click="pane = p.id"
        >
          {{ p.title }}
        </button>
      </div>
      <div id="run-pane" role="tabpanel" :aria-labelledby="`run-tab-${pane}`">
        <ReadingsPanel v-if="pane === 'readings'" />
        <SetPanel v-else-if="pane === 'set'" />
        <SkyPanel v-else-if="pane === 'sky'" />
        <DriftPanel v-else-if="pane === 'drift'" v-model="years" :courses="courses" />
        <AgainPanel v-else-if="pane === 'again'" />
        <SpeedsPanel v-else />
      </div>
    </template>
  </StationLayout>
</template>
