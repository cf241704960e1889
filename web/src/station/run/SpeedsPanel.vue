<script setup lang="ts">
import { LIMITS } from '@tesseron/core/machine';
import { GUESSED_EFFICIENCY, torquesLeft } from '@tesseron/core/ask';
import { HAND_RPM } from '@tesseron/core/judge';
import { rubbingPairs, spansOf } from '@tesseron/core/layout';
import { memberSpeeds } from '@tesseron/core/motion';
import { toNumber } from '@tesseron/core/rational';
import { figure } from '@tesseron/core/units';
import { nameOf } from '@tesseron/core/words';
import { computed, ref } from 'vue';
import { useOpen } from '../../machine/use-open';
import NumberField from '../../parts/NumberField.vue';
import { useRows } from '../../parts/use-rows';
import MoreRows from '../../parts/MoreRows.vue';

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
/** How fast arbors turn on each other, as the layout nests them. */
const tubes = computed(() =>
  rubbingPairs(spansOf(machine.value), derived.value.train.rates).map(p => ({
    key: `${p.inner ?? 'rod'} ${p.outer}`,
    outer: nameOf(machine.value, p.outer),
    inner: p.inner === undefined ? 'its standing rod' : nameOf(machine.value, p.inner),
    rpm: figure(Math.abs(toNumber(p.relative)) * rpm.value, 3),
  })),
);
/** The most that what drives can turn with, N cm; undefined while it is not said. */
const stall = ref<number>();
const efficiency = ref(GUESSED_EFFICIENCY);
const torques = computed(() =>
  torquesLeft(derived.value, efficiency.value).map(t => ({
    ...t,
    name: nameOf(machine.value, t.member),
    times: figure(t.times, 3),
    torque: stall.value === undefined ? '' : figure(t.times * stall.value, 3),
  })),
);
const rows = computed(() =>
  memberSpeeds(machine.value, derived.value.train.rates, rpm.value, radii.value).map(s => ({
    ...s,
    name: nameOf(machine.value, s.member),
    rpm: figure(s.rpm, 3),
    tooth: s.toothSpeed === undefined ? '' : figure(s.toothSpeed, 3),
  })),
);
const speedRows = useRows(() => rows.value);
const torqueRows = useRows(() => torques.value);
</script>

<template>
  <NumberField
    :model-value="asked"
    label="With the drive at"
    unit="turns a minute"
    :limits="LIMITS.rpm"
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
      <tr v-for="r in speedRows.shown.value" :key="r.member">
        <td>{{ r.name }}</td>
        <td class="figure">{{ r.rpm }}</td>
        <td class="figure">{{ r.tooth }}</td>
      </tr>
    </tbody>
  </table>
  <MoreRows :left="speedRows.left.value" :more="speedRows.more" />
  <template v-if="tubes.length > 0">
    <h3>Tube in tube</h3>
    <table class="ruled" data-test="tube-speeds">
      <tbody>
        <tr v-for="t in tubes" :key="t.key">
          <td>{{ t.outer }} on {{ t.inner }}</td>
          <td class="figure">{{ t.rpm }} a minute</td>
        </tr>
      </tbody>
    </table>
  </template>
  <h3>Torque, roughly</h3>
  <NumberField
    v-model="efficiency"
    label="Each mesh passes on"
    :limits="LIMITS.efficiency"
    hint="a guess: oiled brass about 0.95, printed 0.85, dry wood 0.7"
    data-test="efficiency"
  />
  <NumberField
    :model-value="stall"
    label="What drives stalls at"
    unit="N cm"
    :limits="LIMITS.torque"
    optional
    hint="a motor’s stall torque from its sheet; left empty, only proportions"
    data-test="stall"
    @update:model-value="stall = $event"
    @clear="stall = undefined"
  />
  <p v-if="torques[0]" data-test="stalls-first">
    With loads alike, <strong>{{ torques[0].name }}</strong> stalls first: no more than
    <span class="figure">{{
      torques[0].torque ? `${torques[0].torque} N cm` : `${torques[0].times} × the drive’s`
    }}</span>
    is left there.
  </p>
  <table class="ruled" data-test="torques">
    <thead>
      <tr>
        <th scope="col">weakest first</th>
        <th scope="col" class="figure">meshes</th>
        <th scope="col" class="figure">× the drive’s</th>
        <th v-if="stall !== undefined" scope="col" class="figure">N cm</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="t in torqueRows.shown.value" :key="t.member">
        <td>{{ t.name }}</td>
        <td class="figure">{{ t.meshes }}</td>
        <td class="figure">{{ t.times }}</td>
        <td v-if="stall !== undefined" class="figure">{{ t.torque }}</td>
      </tr>
    </tbody>
  </table>
  <MoreRows :left="torqueRows.left.value" :more="torqueRows.more" />
  <p class="quiet small">
    A model with one guessed figure for every mesh; weights, springs and rubbing tubes are not in it. It is no
    proof of strength.
  </p>
</template>

<style scoped>
.small {
  font-size: 13px;
}

.acts {
  margin: 12px 0;
}
</style>
