<script setup lang="ts">
import { absolute, toNumber } from '@tesseron/core/rational';
import { rubbingPairs, spansOf } from '@tesseron/core/layout';
import { figure } from '@tesseron/core/units';
import { driveWay } from '@tesseron/core/machine';
import { nameOf, sayRate } from '@tesseron/core/words';
import { computed } from 'vue';
import { useOpen } from '../../machine/use-open';

/** What turns on what, as the layout nests it, and how fast. */
const { machine, derived } = useOpen();
const MOST = 12;
const inner = (id: string | undefined): string =>
  id === undefined ? 'its standing rod' : nameOf(machine.value, id);
const pairs = computed(() => rubbingPairs(spansOf(machine.value), derived.value.train.rates));
const rows = computed(() =>
  pairs.value.slice(0, MOST).map(p => {
    const seconds = derived.value.driveSeconds;
    const rpm = seconds && Math.abs((toNumber(absolute(p.relative)) * 60) / toNumber(seconds));
    return {
      key: `${p.inner ?? 'rod'} ${p.outer}`,
      names: `${nameOf(machine.value, p.outer)} on ${inner(p.inner)}`,
      rate: sayRate(p.relative, 24, driveWay(machine.value)),
      rpm: rpm === undefined ? '' : `${figure(rpm, 3)} a minute`,
    };
  }),
);
</script>

<template>
  <details v-if="rows.length > 0" data-test="tubes">
    <summary>Tubes and rods: {{ pairs.length }} {{ pairs.length === 1 ? 'pair rubs' : 'pairs rub' }}</summary>
    <table class="ruled">
      <thead>
        <tr>
          <th scope="col">one on the other</th>
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
