<script setup lang="ts">
import type { Point } from '@tesseron/core/geometry';
import { swingTo } from '@tesseron/core/edit';
import { type Folded, usualSection } from '@tesseron/core/layout';
import { byId } from '@tesseron/core/machine';
import { plateDrawing } from '@tesseron/core/drawings';
import { fixed } from '@tesseron/core/units';
import { nameOf, sayProblem } from '@tesseron/core/words';
import { computed, ref, shallowRef } from 'vue';
import FlatDrawing from '../../draw/FlatDrawing.vue';
import PlanCanvas from '../../draw/PlanCanvas.vue';
import StationLayout from '../../frame/StationLayout.vue';
import TabRow from '../../parts/TabRow.vue';
import { useOpen } from '../../machine/use-open';
import FoldChoices from './FoldChoices.vue';
import FoldPanel from './FoldPanel.vue';
import LayersPanel from './LayersPanel.vue';
import PlacesPanel from './PlacesPanel.vue';
import PlatesPanel from './PlatesPanel.vue';
import PlayPanel from './PlayPanel.vue';
import RoomPanel from './RoomPanel.vue';
import SectionAxes from './SectionAxes.vue';
import SectionDrawing from './SectionDrawing.vue';

const { machine, derived, change } = useOpen();
const PANES = [
  { id: 'places', title: 'Places' },
  { id: 'room', title: 'Room' },
  { id: 'layers', title: 'Layers' },
  { id: 'fold', title: 'Fold' },
  { id: 'plates', title: 'Plates' },
  { id: 'play', title: 'Play' },
] as const;
const pane = ref<(typeof PANES)[number]['id']>('places');
const selected = ref<string>();
const layer = ref<number | null>(null);
const folds = shallowRef<readonly Folded[]>([]);
const chosenSide = ref<'back' | 'front'>('front');
/** The plate that is looked at: a plank has only its back one. */
const side = computed({
  get: () => (machine.value.layout.plates?.plank ? ('back' as const) : chosenSide.value),
  set: s => (chosenSide.value = s),
});
const through = ref<readonly string[]>();
let gesture = 0;

const axis = computed({
  get: () => {
    const member = byId(machine.value.members, selected.value);
    return member?.kind === 'arbor' ? member.axis : undefined;
  },
  set: id => (selected.value = machine.value.members.find(m => m.kind === 'arbor' && m.axis === id)?.id),
});
const section = computed({
  get: () => (through.value ?? usualSection(machine.value)).filter(a => byId(machine.value.axes, a)),
  set: axes => (through.value = axes),
});
const layers = computed(() => [
  { title: 'all layers', value: null },
  ...[...new Set(machine.value.wheels.map(w => w.layer))]
    .sort((a, b) => a - b)
    .map(n => ({ title: `layer ${n + 1}`, value: n })),
]);
const label = computed(() => {
  const places = machine.value.axes.map(a => {
    const at = derived.value.positions.at[a.id];
    return `${nameOf(machine.value, a.id)} at ${fixed(at?.x ?? 0, 2)}, ${fixed(at?.y ?? 0, 2)}`;
  });
  return `Plan of ${machine.value.name}, drawn to scale: ${places.join('; ')}`;
});
const plate = computed(() => plateDrawing(derived.value, side.value));

function swing(id: string, to: Point, done: boolean): void {
  change('Swing an arbor', swingTo(id, to, derived.value.positions.at), `swing ${id} ${gesture}`);
  if (done) gesture += 1;
}
</script>

<template>
  <StationLayout station="plan">
    <template #table>
      <div v-if="pane === 'layers'" class="cut">
        <SectionAxes v-model="section" />
        <SectionDrawing :axes="section" />
      </div>
      <FoldChoices v-else-if="pane === 'fold' && folds.length > 0" :folds="folds" @taken="folds = []" />
      <template v-else-if="pane === 'plates' && machine.layout.plates">
        <FlatDrawing v-if="plate.ok" :drawing="plate.value" :label="plate.value.title" lettered />
        <p v-else class="quiet">{{ sayProblem(plate.problem) }}</p>
      </template>
      <PlanCanvas
        v-else
        :label="label"
        :selected="selected"
        :layer="layer ?? undefined"
        swings
        data-test="plan"
        @select="selected = $event"
        @swing="swing"
      />
    </template>
    <template #ledger>
      <TabRow v-model="pane" prefix="plan" label="Parts of the layout" :panes="PANES" />
      <div id="plan-pane" role="tabpanel" :aria-labelledby="`plan-tab-${pane}`">
        <v-select
          v-if="pane === 'places' || pane === 'room'"
          v-model="layer"
          :items="layers"
          label="Show"
          data-test="layer"
        />
        <PlacesPanel v-if="pane === 'places'" v-model="axis" />
        <RoomPanel v-else-if="pane === 'room'" @select="selected = $event" />
        <LayersPanel v-else-if="pane === 'layers'" />
        <FoldPanel v-else-if="pane === 'fold'" @found="folds = $event" />
        <PlatesPanel v-else-if="pane === 'plates'" v-model:side="side" />
        <PlayPanel v-else />
      </div>
    </template>
  </StationLayout>
</template>

<style scoped>
.cut {
  display: grid;
  grid-template-rows: auto minmax(0, 1fr);
  height: 100%;
}
</style>
