<script setup lang="ts">
import { byId, meshes, setSpread } from '@tesseron/core/machine';
import { fixed, mm } from '@tesseron/core/units';
import { centreWorking, contactWorking } from '@tesseron/core/working';
import { nameOf } from '@tesseron/core/words';
import { computed, ref } from 'vue';
import PlanCanvas from '../../draw/PlanCanvas.vue';
import StationLayout from '../../frame/StationLayout.vue';
import { useWorking } from '../../frame/use-working';
import { useOpen } from '../../machine/use-open';
import NumberField from '../../parts/NumberField.vue';
import { meshFocus } from './mesh-focus';
import ToothingEditor from './ToothingEditor.vue';
import WheelEditor from './WheelEditor.vue';

const { machine, derived, change } = useOpen();
const working = useWorking();
const picked = ref<string>();

const items = computed(() =>
  meshes(machine.value).map(j => ({ title: nameOf(machine.value, j.id), value: j.id })),
);
const mesh = computed(() => byId(meshes(machine.value), picked.value) ?? meshes(machine.value)[0]);
const state = computed(() => (mesh.value ? derived.value.meshes[mesh.value.id] : undefined));
const wheels = computed(() =>
  [mesh.value?.a, mesh.value?.b].flatMap(id => byId(machine.value.wheels, id) ?? []),
);
const toothing = computed(() => byId(machine.value.toothings, wheels.value[0]?.toothing));
const sharing = computed(() => machine.value.wheels.filter(w => w.toothing === toothing.value?.id));
const focus = computed(() => meshFocus(derived.value, mesh.value?.id));
const figures = computed(() => {
  const s = state.value;
  if (!s) return [];
  return [
    ['centre distance', mm(s.distance, 3)],
    ['working pressure angle', `${fixed(s.workingAngleDeg, 2)}°`],
    ['contact ratio', fixed(s.contactRatio, 2)],
    ['play: by thinning', mm(s.playFromThinning, 3)],
    ['play: by spread', mm(s.playFromSpread, 3)],
    ['play, all', mm(s.play, 3)],
  ] as const;
});
</script>

<template>
  <StationLayout station="teeth">
    <template #table>
      <PlanCanvas
        v-if="mesh"
        :label="`The mesh of ${nameOf(machine, mesh.id)}, enlarged; it turns with the time strip`"
        :focus="focus"
        :layer="wheels[0]?.layer"
      />
      <p v-else class="empty">No wheels yet. Choose counts for an output first.</p>
    </template>
    <template #ledger>
      <template v-if="mesh">
        <v-select
          :model-value="mesh.id"
          :items="items"
          label="Mesh"
          data-test="mesh"
          @update:model-value="picked = $event"
        />
        <dl v-if="state" data-test="mesh-figures">
          <div v-for="[name, value] in figures" :key="name">
            <dt>{{ name }}</dt>
            <dd class="figure">{{ value }}</dd>
          </div>
        </dl>
        <p v-if="state" class="acts">
          <button
            type="button"
            class="plain"
            data-test="centre-working"
            @click="working.show(centreWorking(state.pair, mesh.spread ?? 0))"
          >
            centre distance: working
          </button>
          <button type="button" class="plain" @click="working.show(contactWorking(state))">
            contact and play: working
          </button>
        </p>
        <NumberField
          :model-value="mesh.spread ?? 0"
          label="Centres spread by"
          unit="mm"
          :least="-5"
          :most="20"
          data-test="spread"
          @update:model-value="change('Spread the centres', setSpread(mesh.id, $event))"
        />
        <WheelEditor v-for="w in wheels" :key="w.id" :wheel="w" />
        <template v-if="toothing">
          <h3>{{ toothing.name }}, shared by {{ sharing.length }} wheels</h3>
          <ToothingEditor :toothing="toothing" :wheels="sharing" />
        </template>
      </template>
      <p v-else class="quiet">Teeth appear here when there are wheels.</p>
    </template>
  </StationLayout>
</template>

<style scoped>
.empty {
  height: 100%;
  display: grid;
  place-content: center;
}

dl {
  margin: 8px 0;
  font-size: 14px;
}

dl div {
  display: flex;
  justify-content: space-between;
  border-bottom: var(--line);
  padding: 2px 0;
}

dt {
  color: var(--muted);
}

dd {
  margin: 0;
}

.acts {
  display: grid;
  gap: 4px;
  font-size: 13px;
  justify-items: start;
}
</style>
