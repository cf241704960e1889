<script setup lang="ts">
import { sayProblem } from '@tesseron/core/words';
import { computed, ref, watch } from 'vue';
import PlanCanvas from '../../draw/PlanCanvas.vue';
import FlatDrawing from '../../draw/FlatDrawing.vue';
import SpaceCanvas from '../../draw/SpaceCanvas.vue';
import StationLayout from '../../frame/StationLayout.vue';
import { useOpen } from '../../machine/use-open';
import TabRow from '../../parts/TabRow.vue';
import CouponsPane from './CouponsPane.vue';
import DryPane from './DryPane.vue';
import FilesPane from './FilesPane.vue';
import PartsPane from './PartsPane.vue';
import PatternsPane from './PatternsPane.vue';
import SheetsPane from './SheetsPane.vue';
import SolidsPane from './SolidsPane.vue';
import ToolsPane from './ToolsPane.vue';
import { useLooked } from './use-looked';

const { machine } = useOpen();
const PANES = [
  { id: 'tools', title: 'Tools' },
  { id: 'parts', title: 'Parts' },
  { id: 'sheets', title: 'Sheets' },
  { id: 'solids', title: 'Solids' },
  { id: 'patterns', title: 'Patterns' },
  { id: 'coupons', title: 'Coupons' },
  { id: 'dry', title: 'Dry run' },
  { id: 'files', title: 'All files' },
] as const;
const pane = ref<(typeof PANES)[number]['id']>('tools');
const store = useLooked();
const looked = computed(() => store.looked);
watch(pane, () => store.look(undefined));
</script>

<template>
  <StationLayout station="make">
    <template #table>
      <SpaceCanvas v-if="pane === 'solids'" />
      <div v-else class="preview">
        <template v-if="looked">
          <FlatDrawing
            v-if="looked.drawing.ok"
            :drawing="looked.drawing.value"
            :label="looked.label"
            :lettered="looked.lettered === true"
            :filled="looked.filled === true"
          />
          <p v-else>{{ sayProblem(looked.drawing.problem) }}</p>
          <p v-if="looked.note || looked.warning" class="note" data-test="file-note">
            {{ looked.note }}
            <strong v-if="looked.warning" class="error-text" data-test="uncut">{{ looked.warning }}</strong>
          </p>
        </template>
        <PlanCanvas v-else-if="machine.wheels.length > 0" :label="`The whole plan of ${machine.name}`" />
        <p v-else class="quiet">Parts appear here when there are wheels.</p>
      </div>
    </template>
    <template #ledger>
      <TabRow v-model="pane" prefix="make" label="What is made" :panes="PANES" />
      <div id="make-pane" role="tabpanel" :aria-labelledby="`make-tab-${pane}`" class="pane">
        <ToolsPane v-if="pane === 'tools'" />
        <PartsPane v-else-if="pane === 'parts'" />
        <SheetsPane v-else-if="pane === 'sheets'" />
        <SolidsPane v-else-if="pane === 'solids'" />
        <PatternsPane v-else-if="pane === 'patterns'" />
        <CouponsPane v-else-if="pane === 'coupons'" />
        <DryPane v-else-if="pane === 'dry'" />
        <FilesPane v-else />
      </div>
    </template>
  </StationLayout>
</template>

<style scoped>
.preview {
  height: 100%;
  padding: 20px;
  display: grid;
  grid-template-rows: minmax(0, 1fr) auto;
  place-items: center;
}

.note {
  margin: 8px 0 0;
  max-width: 680px;
}

.pane {
  padding-top: 10px;
}
</style>
