<script setup lang="ts">
import { recurrenceOf } from '@tesseron/core/motion';
import { mul, type Rational, rational, toNumber } from '@tesseron/core/rational';
import { sayTime } from '@tesseron/core/units';
import { nameOf } from '@tesseron/core/words';
import { computed } from 'vue';
import { useOpen } from '../../machine/use-open';
import { useRows } from '../../parts/use-rows';
import MoreRows from '../../parts/MoreRows.vue';

/** When everything stands as it did, and when the same teeth meet again. */
const { machine, derived } = useOpen();
const found = computed(() => recurrenceOf(machine.value, derived.value.train.rates));
const seconds = computed(() => derived.value.driveSeconds);
const time = (turns: bigint, drive: Rational | undefined): string =>
  drive ? sayTime(Math.abs(toNumber(mul(rational(turns), drive)))) : '';
const big = (n: bigint): string => n.toLocaleString('en').replaceAll(',', '\u202f');
const outputs = computed(() =>
  machine.value.aims.flatMap(a => {
    const turns = a.member === undefined ? undefined : found.value.members[a.member];
    return turns === undefined
      ? []
      : [{ id: a.id, name: a.name, turns: big(turns), time: time(turns, seconds.value) }];
  }),
);
const pairs = computed(() =>
  Object.entries(found.value.meshes).map(([id, p]) => ({
    id,
    name: nameOf(machine.value, id),
    turns: big(p.turns),
    teeth: big(p.teeth),
  })),
);
const outputRows = useRows(() => outputs.value);
const pairRows = useRows(() => pairs.value);
</script>

<template>
  <p v-if="found.whole !== undefined" data-test="whole">
    Everything stands as it did after <strong class="figure">{{ big(found.whole) }}</strong> turns of the
    drive<template v-if="seconds">, {{ time(found.whole, seconds) }}</template
    >. Exact.
  </p>
  <p v-else class="quiet">Not every rate is known, so nothing can be said of the whole.</p>
  <h3>Outputs, against the ground</h3>
  <table class="ruled" data-test="again">
    <thead>
      <tr>
        <th scope="col">output</th>
        <th scope="col" class="figure">turns of the drive</th>
        <th scope="col" class="figure">time</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="o in outputRows.shown.value" :key="o.id">
        <td>{{ o.name }}</td>
        <td class="figure">{{ o.turns }}</td>
        <td class="figure">{{ o.time }}</td>
      </tr>
    </tbody>
  </table>
  <MoreRows :left="outputRows.left.value" :more="outputRows.more" />
  <h3>The same two teeth meet again</h3>
  <table class="ruled" data-test="teeth-again">
    <thead>
      <tr>
        <th scope="col">mesh</th>
        <th scope="col" class="figure">teeth</th>
        <th scope="col" class="figure">turns of the first</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="p in pairRows.shown.value" :key="p.id">
        <td>{{ p.name }}</td>
        <td class="figure">{{ p.teeth }}</td>
        <td class="figure">{{ p.turns }}</td>
      </tr>
    </tbody>
  </table>
  <MoreRows :left="pairRows.left.value" :more="pairRows.more" />
</template>
