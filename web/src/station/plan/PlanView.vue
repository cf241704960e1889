<script setup lang="ts">
import type { Point } from '@tesseron/core/geometry';
import { axisOfWheel, byId, meshes, setAxisPlace } from '@tesseron/core/machine';
import { fixed } from '@tesseron/core/units';
import { centreWorking } from '@tesseron/core/working';
import { nameOf } from '@tesseron/core/words';
import { computed, ref } from 'vue';
import PlanCanvas from '../../draw/PlanCanvas.vue';
import StationLayout from '../../frame/StationLayout.vue';
import { useWorking } from '../../frame/use-working';
import { useOpen } from '../../machine/use-open';
import NumberField from '../../parts/NumberField.vue';
import { swingTo } from './swing';

const { machine, derived, change } = useOpen();
const working = useWorking();
const selected = ref<string>();
const layer = ref<number | null>(null);
let gesture = 0;

const layers = computed(() => [
  { title: 'all layers', value: null },
  ...[...new Set(machine.value.wheels.map(w => w.layer))]
    .sort((a, b) => a - b)
    .map(n => ({ title: `layer ${n + 1}`, value: n })),
]);
const axes = computed(() =>
  machine.value.axes.map(a => {
    const at = derived.value.positions.at[a.id];
    return {
      axis: a,
      name: nameOf(machine.value, a.id),
      x: at ? fixed(at.x, 2) : '',
      y: at ? fixed(at.y, 2) : '',
    };
  }),
);
const distances = computed(() =>
  meshes(machine.value).flatMap(j => {
    const state = derived.value.meshes[j.id];
    return state ? [{ id: j.id, name: nameOf(machine.value, j.id), distance: fixed(state.distance, 3) }] : [];
  }),
);
const label = computed(
  () =>
    `Plan of ${machine.value.name}, drawn to scale: ${axes.value.map(a => `${a.name} at ${a.x}, ${a.y}`).join('; ')}`,
);

function swing(axis: string, to: Point, done: boolean): void {
  change('Swing an arbor', swingTo(axis, to, derived.value.positions.at), `swing ${axis} ${gesture}`);
  if (done) gesture += 1;
}

function setAngle(id: string, angleDeg: number): void {
  const axis = byId(machine.value.axes, id);
  if (axis?.place.kind === 'mesh') change('Swing an arbor', setAxisPlace(id, { ...axis.place, angleDeg }));
}

function setGiven(id: string, x: number, y: number): void {
  const axis = byId(machine.value.axes, id);
  if (axis?.place.kind === 'given') change('Move an axis', setAxisPlace(id, { ...axis.place, x, y }));
}

function other(id: string): void {
  const axis = byId(machine.value.axes, id);
  if (axis?.place.kind === 'between')
    change(
      'Turn an idler to the other side',
      setAxisPlace(id, { ...axis.place, side: axis.place.side === 'left' ? 'right' : 'left' }),
    );
}

function show(meshId: string): void {
  const pair = derived.value.meshes[meshId]?.pair;
  const mesh = byId(meshes(machine.value), meshId);
  if (pair && mesh) working.show(centreWorking(pair, mesh.spread ?? 0));
}

const isSelected = (axis: string): boolean => {
  const w = machine.value.wheels.find(x => x.member === selected.value);
  return w !== undefined && axisOfWheel(machine.value, w) === axis;
};
</script>

<template>
  <StationLayout station="plan">
    <template #table>
      <PlanCanvas
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
      <v-select v-model="layer" :items="layers" label="Show" data-test="layer" />
      <p class="quiet hint">Drag a wheel: its arbor swings about its neighbour at the right distance.</p>
      <h3>Axes, mm</h3>
      <table class="ruled" data-test="axes">
        <thead>
          <tr>
            <th scope="col">on it</th>
            <th scope="col" class="figure">x</th>
            <th scope="col" class="figure">y</th>
            <th scope="col">placed by</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="a in axes" :key="a.axis.id" :class="{ chosen: isSelected(a.axis.id) }">
            <td>{{ a.name }}</td>
            <template v-if="a.axis.place.kind === 'given'">
              <td>
                <NumberField
                  :model-value="a.axis.place.x"
                  label="x"
                  :least="-10000"
                  :most="10000"
                  @update:model-value="setGiven(a.axis.id, $event, Number(a.y))"
                />
              </td>
              <td>
                <NumberField
                  :model-value="a.axis.place.y"
                  label="y"
                  :least="-10000"
                  :most="10000"
                  @update:model-value="setGiven(a.axis.id, Number(a.x), $event)"
                />
              </td>
              <td>given</td>
            </template>
            <template v-else>
              <td class="figure">{{ a.x }}</td>
              <td class="figure">{{ a.y }}</td>
              <td>
                <NumberField
                  v-if="a.axis.place.kind === 'mesh'"
                  :model-value="Number(a.axis.place.angleDeg.toFixed(3))"
                  label="at angle"
                  unit="°"
                  :least="-360"
                  :most="360"
                  data-test="angle"
                  @update:model-value="setAngle(a.axis.id, $event)"
                />
                <v-btn v-else-if="a.axis.place.kind === 'between'" @click="other(a.axis.id)"
                  >other side</v-btn
                >
                <span v-else>{{ a.axis.place.kind }}</span>
              </td>
            </template>
          </tr>
        </tbody>
      </table>
      <h3>Centre distances, mm</h3>
      <table class="ruled" data-test="distances">
        <tbody>
          <tr v-for="d in distances" :key="d.id">
            <td>{{ d.name }}</td>
            <td class="figure">{{ d.distance }}</td>
            <td>
              <button
                type="button"
                class="plain"
                :aria-label="`Show working of the distance of ${d.name}`"
                @click="show(d.id)"
              >
                working
              </button>
            </td>
          </tr>
        </tbody>
      </table>
    </template>
  </StationLayout>
</template>

<style scoped>
.hint {
  font-size: 13px;
  margin: 8px 0 0;
}

td .number {
  min-width: 74px;
}
</style>
