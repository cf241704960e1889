<script setup lang="ts">
import { driftCourse } from '@tesseron/core/derive';
import { fileName, planDrawing } from '@tesseron/core/output';
import { writeSvg } from '@tesseron/core/format';
import { sayProblem } from '@tesseron/core/words';
import { computed, ref, useTemplateRef } from 'vue';
import { saveBlob, saveText } from '../../keep';
import { useClock } from '../../run/clock';
import PlanCanvas from '../../draw/PlanCanvas.vue';
import StationLayout from '../../frame/StationLayout.vue';
import TabRow from '../../parts/TabRow.vue';
import { useOpen } from '../../machine/use-open';
import AgainPanel from './AgainPanel.vue';
import DriftChart from './DriftChart.vue';
import DriftPanel from './DriftPanel.vue';
import ReadingsPanel from './ReadingsPanel.vue';
import SetPanel from './SetPanel.vue';
import SkyPanel from './SkyPanel.vue';
import SpeedsPanel from './SpeedsPanel.vue';

const { machine, derived } = useOpen();
const clock = useClock();
const plan = useTemplateRef<InstanceType<typeof PlanCanvas>>('plan');
const problem = ref('');
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

async function savePng(): Promise<void> {
  const blob = await plan.value?.picture();
  if (blob) await saveBlob(blob, fileName([machine.value.name, 'plan'], 'png'));
}
async function saveSvg(): Promise<void> {
  const drawing = planDrawing(derived.value, clock.turns);
  problem.value = drawing.ok ? '' : sayProblem(drawing.problem);
  if (drawing.ok) await saveText(writeSvg(drawing.value), fileName([machine.value.name, 'plan'], 'svg'), 'image/svg+xml'); // prettier-ignore
}
</script>

<template>
  <StationLayout station="run">
    <template #table>
      <DriftChart v-if="pane === 'drift' && courses.length > 0" :courses="courses" :years="years" />
      <PlanCanvas
        v-else
        ref="plan"
        turns
        :label="`${machine.name} in plan, turning at exact rates`"
        :marks="marks"
        @turn="clock.turnBy($event)"
      />
    </template>
    <template #ledger>
      <TabRow v-model="pane" prefix="run" label="What to watch" :panes="PANES" />
      <div id="run-pane" role="tabpanel" :aria-labelledby="`run-tab-${pane}`">
        <template v-if="pane === 'readings'">
          <p class="quiet small">
            Pull any wheel round and the whole turns with it. A picture as it stands now:
            <button type="button" class="plain" data-test="save-png" @click="savePng">PNG</button>,
            <button type="button" class="plain" data-test="save-pose-svg" @click="saveSvg">SVG</button>
          </p>
          <p v-if="problem" class="error-text" role="alert">{{ problem }}</p>
          <ReadingsPanel />
        </template>
        <SetPanel v-else-if="pane === 'set'" />
        <SkyPanel v-else-if="pane === 'sky'" />
        <DriftPanel v-else-if="pane === 'drift'" v-model="years" :courses="courses" />
        <AgainPanel v-else-if="pane === 'again'" />
        <SpeedsPanel v-else />
      </div>
    </template>
  </StationLayout>
</template>

<style scoped>
.small {
  font-size: 13px;
  margin: 6px 0 0;
}
</style>
