<script setup lang="ts">
import { byId, meshes } from '@tesseron/core/machine';
import { setAxis } from '@tesseron/core/change';
import { fixed } from '@tesseron/core/units';
import { centreWorking } from '@tesseron/core/working';
import { nameOf } from '@tesseron/core/words';
import { computed } from 'vue';
import { useWorking } from '../../frame/use-working';
import { useOpen } from '../../machine/use-open';
import PlaceEditor from './PlaceEditor.vue';
import TickBox from '../../parts/TickBox.vue';
import { useRows } from '../../parts/use-rows';
import MoreRows from '../../parts/MoreRows.vue';

/** Where every axis stands and by what; the chosen one can be placed otherwise. */
const chosen = defineModel<string | undefined>();
const { machine, derived, change } = useOpen();
const working = useWorking();
const SAID = {
  given: 'given',
  mesh: 'by a mesh',
  between: 'between two',
  line: 'on a line',
  polar: 'so far from',
  coaxial: 'same axis',
  mirror: 'mirrored',
} as const;

const axes = computed(() =>
  machine.value.axes.map(axis => {
    const at = derived.value.positions.at[axis.id];
    return {
      axis,
      name: nameOf(machine.value, axis.id),
      x: at ? fixed(at.x, 2) : '',
      y: at ? fixed(at.y, 2) : '',
      by: SAID[axis.place.kind],
    };
  }),
);
const axis = computed(() => byId(machine.value.axes, chosen.value));
const distances = computed(() =>
  meshes(machine.value).flatMap(j => {
    const state = derived.value.meshes[j.id];
    return state
      ? [
          {
            id: j.id,
            name: nameOf(machine.value, j.id),
            distance: fixed(state.distance, 3),
            pair: state.pair,
          },
        ]
      : [];
  }),
);

function show(meshId: string): void {
  const pair = derived.value.meshes[meshId]?.pair;
  const mesh = byId(meshes(machine.value), meshId);
  if (pair && mesh) working.show(centreWorking(pair, mesh.spread ?? 0));
}
const lock = (id: string, on: boolean): void =>
  change(on ? 'Lock an axis' : 'Unlock an axis', setAxis(id, { locked: on ? true : undefined }));
const axisRows = useRows(() => axes.value);
const distanceRows = useRows(() => distances.value);
</script>

<template>
  <p class="quiet hint">
    Drag a wheel: its arbor goes where it can go. A locked axis stays, also when the train is folded.
  </p>
  <table class="ruled" data-test="axes">
    <thead>
      <tr>
        <th scope="col">axis</th>
        <th scope="col" class="figure">x, mm</th>
        <th scope="col" class="figure">y, mm</th>
        <th scope="col">placed</th>
        <th scope="col">locked</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="a in axisRows.shown.value" :key="a.axis.id" :class="{ chosen: chosen === a.axis.id }">
        <td>
          <PlainButton @click="chosen = a.axis.id">{{ a.name }}</PlainButton>
        </td>
        <td class="figure">{{ a.x }}</td>
        <td class="figure">{{ a.y }}</td>
        <td>{{ a.by }}</td>
        <td>
          <TickBox
            :model-value="a.axis.locked === true"
            data-test="lock"
            :aria-label="`Lock ${a.name}`"
            @update:model-value="lock(a.axis.id, $event)"
          />
        </td>
      </tr>
    </tbody>
  </table>
  <MoreRows :left="axisRows.left.value" :more="axisRows.more" />
  <PlaceEditor v-if="axis" :axis="axis" />
  <p v-else class="quiet hint">Choose an axis to place it otherwise.</p>
  <h3>Centre distances, mm</h3>
  <table class="ruled" data-test="distances">
    <tbody>
      <tr v-for="d in distanceRows.shown.value" :key="d.id">
        <td>{{ d.name }}</td>
        <td class="figure">{{ d.distance }}</td>
        <td>
          <PlainButton
            v-if="d.pair"
            :aria-label="`Show working of the distance of ${d.name}`"
            @click="show(d.id)"
          >
            working
          </PlainButton>
        </td>
      </tr>
    </tbody>
  </table>
  <MoreRows :left="distanceRows.left.value" :more="distanceRows.more" />
</template>

<style scoped>
.hint {
  font-size: 13px;
  margin: 8px 0 4px;
}
</style>
