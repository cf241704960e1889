<script setup lang="ts">
import { driftCourse } from '@tesseron/core/ask';
import type { DriveTurns } from '@tesseron/core/motion';
import { radians } from '@tesseron/core/units';
import { computed, ref, useTemplateRef } from 'vue';
import { useClock } from '../../run/clock';
import SideCanvas from '../../draw/SideCanvas.vue';
import PlanCanvas from '../../draw/PlanCanvas.vue';
import StationLayout from '../../frame/StationLayout.vue';
import TabRow from '../../parts/TabRow.vue';
import { useOpen } from '../../machine/use-open';
import DialsPanel from './DialsPanel.vue';
import AgainPanel from './AgainPanel.vue';
import DriftChart from './DriftChart.vue';
import DriftPanel from './DriftPanel.vue';
import PicturesPanel from './PicturesPanel.vue';
import ReadingsPanel from './ReadingsPanel.vue';
import SetPanel from './SetPanel.vue';
import SkyPanel from './SkyPanel.vue';
import SpeedsPanel from './SpeedsPanel.vue';
import OneOf from '../../parts/OneOf.vue';

const { machine, derived } = useOpen();
const clock = useClock();
const plan = useTemplateRef<InstanceType<typeof PlanCanvas>>('plan');
const side = useTemplateRef<InstanceType<typeof SideCanvas>>('side');
const PANES = [
  { id: 'readings', title: 'Read' },
  { id: 'set', title: 'Set' },
  { id: 'dials', title: 'Dials' },
  { id: 'sky', title: 'Sky' },
  { id: 'drift', title: 'Drift' },
  { id: 'again', title: 'Again' },
  { id: 'speeds', title: 'Speeds' },
  { id: 'pictures', title: 'Pictures' },
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

const VIEWS = [
  { id: 'plan', title: 'in plan' },
  { id: 'side', title: 'from the side' },
  { id: 'cut', title: 'cut open' },
] as const;
const view = ref<(typeof VIEWS)[number]['id']>('plan');
const angleDeg = ref(0);
const depth = ref(0);
const drawn = (): InstanceType<typeof PlanCanvas> | InstanceType<typeof SideCanvas> | null =>
  plan.value ?? side.value;
const shape = (): { width: number; height: number } => drawn()?.shape() ?? { width: 4, height: 3 };
const draw = (turns: DriveTurns, on: CanvasRenderingContext2D): void => drawn()?.frameAt(turns, on);
const sideView = computed(() =>
  view.value === 'plan'
    ? undefined
    : { angle: radians(angleDeg.value), cut: view.value === 'cut' ? depth.value : undefined },
);
</script>

<template>
  <StationLayout station="run">
    <template #table>
      <DriftChart v-if="pane === 'drift' && courses.length > 0" :courses="courses" :years="years" />
      <PlanCanvas
        v-else-if="view === 'plan'"
        ref="plan"
        turns
        indicators
        :label="`${machine.name} in plan, turning at exact rates`"
        :marks="marks"
        @turn="clock.turnBy($event)"
      />
      <SideCanvas
        v-else
        ref="side"
        v-model:angle-deg="angleDeg"
        v-model:depth="depth"
        :open="view === 'cut'"
        :label="`${machine.name} ${view === 'cut' ? 'cut open' : 'from the side'}, turning at exact rates`"
      />
      <OneOf
        v-if="pane !== 'drift' || courses.length === 0"
        v-model="view"
        class="views"
        label="View"
        :choices="VIEWS.map(v => ({ value: v.id, title: v.title }))"
        test="view"
      />
    </template>
    <template #ledger>
      <TabRow v-model="pane" prefix="run" label="What to watch" :panes="PANES" />
      <div id="run-pane" role="tabpanel" :aria-labelledby="`run-tab-${pane}`">
        <template v-if="pane === 'readings'">
          <p class="quiet small">Pull any wheel round and the whole turns with it.</p>
          <ReadingsPanel />
        </template>
        <SetPanel v-else-if="pane === 'set'" />
        <DialsPanel v-else-if="pane === 'dials'" />
        <SkyPanel v-else-if="pane === 'sky'" />
        <DriftPanel v-else-if="pane === 'drift'" v-model="years" :courses="courses" />
        <AgainPanel v-else-if="pane === 'again'" />
        <SpeedsPanel v-else-if="pane === 'speeds'" />
        <PicturesPanel v-else :view="view" :side="sideView" :shape="shape" :draw="draw" />
      </div>
    </template>
  </StationLayout>
</template>

<style scoped>
.small {
  font-size: 13px;
  margin: 6px 0 0;
}
.views {
  position: absolute;
  right: 10px;
  top: 8px;
  padding: 0 8px;
  border: var(--line);
  background: var(--panel);
  font-size: 13px;
}

@media (max-width: 700px) {
  .views {
    top: 34px;
  }
}
</style>
