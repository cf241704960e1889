<script setup lang="ts">
import { HAND_RPM } from '@tesseron/core/derive';
import { memberSpeeds } from '@tesseron/core/motion';
import { toNumber } from '@tesseron/core/rational';
import { figure } from '@tesseron/core/units';
import { nameOf } from '@tesseron/core/words';
import { computed, ref } from 'vue';
import { useOpen } from '../../machine/use-open';
import NumberField from '../../parts/NumberField.vue';

/** How fast everything turns, with the drive as stated or as fast as is asked. */
const { machine, derived } = useOpen();
const asked = ref<number>();
const own = computed(() => {
  const seconds = derived.value.driveSeconds;
  return seconds && toNumber(seconds) !== 0 ? 60 / Math.abs(toNumber(seconds)) : undefined;
});
const rpm = computed(() => asked.value ?? own.value ?? HAND_RPM);
const radii = computed(() =>
  Object.fromEntries(Object.entries(derived.value.wheels).map(([id, w]) => [id, w.dimensions.pitchRadius])),
);
const rows = computed(() =>
  memberSpeeds(machine.value, derived.value.train.rates, rpm.value, radii.value).map(s => ({
    ...s,
    name: nameOf(machine.value, s.member),
    rpm: figure(s.rpm, 3),
    tooth: s.toothSpeed === undefined ? '' : figure(s.toothSpeed, 3),
  })),
);
</script>

<template>
  <NumberField
    :model-value="asked"
    label="With the drive at"
    unit="turns a minute"
    :least="0.000001"
    :most="100000"
    optional
    :hint="`left empty: ${own === undefined ? `a hand’s ${HAND_RPM} (common practice)` : `its own, ${figure(own, 3)}`}`"
    data-test="speed-rpm"
    @update:model-value="asked = $event"
    @clear="asked = undefined"
  />
  <p class="acts">
    <v-btn data-test="by-hand" @click="asked = HAND_RPM">By hand, {{ HAND_RPM }}</v-btn>
  </p>
  <table class="ruled" data-test="speeds">
    <thead>
      <tr>
        <th scope="col">fastest first</th>
        <th scope="col" class="figure">turns a minute</th>
        <th scope="col" class="figure">teeth, m/s</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="r in rows" :key="r.member">
        <td>{{ r.name }}</td>
        <td class="figure">{{ r.rpm }}</td>
        <td class="figure">{{ r.tooth }}</td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
.acts {
  margin: 12px 0;
}
</style>
