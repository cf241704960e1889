<script setup lang="ts">
import { absolute, toNumber } from '@tesseron/core/rational';
import { nestedPairs } from '@tesseron/core/train';
import { figure } from '@tesseron/core/units';
import { driveWay } from '@tesseron/core/machine';
import { nameOf, sayRate } from '@tesseron/core/words';
import { computed } from 'vue';
import { useOpen } from '../../machine/use-open';

/** How fast arbors on one line turn in each other. */
const { machine, derived } = useOpen();
const MOST = 12;
const pairs = computed(() => nestedPairs(machine.value, derived.value.train.rates));
const rows = computed(() =>
  pairs.value.slice(0, MOST).map(p => {
    const seconds = derived.value.driveSeconds;
    const rpm = seconds && Math.abs((toNumber(absolute(p.relative)) * 60) / toNumber(seconds));
    return {
      key: `${p.inner} ${p.outer}`,
      names: `${nameOf(machine.value, p.outer)} in ${nameOf(machine.value, p.inner)}`,
      rate: sayRate(p.relative, 24, driveWay(machine.value)),
      rpm: rpm === undefined ? '' : `${figure(rpm, 3)} a minute`,
    };
  }),
);
</script>

<template>
  <details v-if="rows.length > 0" data-test="tubes">
    <summary>
      Arbors on one line: {{ pairs.length }} {{ pairs.length === 1 ? 'pair rubs' : 'pairs can rub' }}
    </summary>
    <table class="ruled">
      <thead>
        <tr>
          <th scope="col">one in the other</th>
          <th scope="col" class="figure">turns</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="r in rows" :key="r.key">
          <td>{{ r.names }}</td>
          <td class="figure">
            {{ r.rate }} <span class="quiet">{{ r.rpm }}</span>
          </td>
        </tr>
      </tbody>
    </table>
    <p v-if="pairs.length > MOST" class="quiet">The {{ MOST }} fastest of {{ pairs.length }}.</p>
  </details>
</template>

<style scoped>
summary {
  cursor: pointer;
  margin: 14px 0 4px;
  color: var(--muted);
  font-size: 13px;
}
</style>
