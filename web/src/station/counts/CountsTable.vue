<script setup lang="ts">
import { ppm } from '@tesseron/core/period';
import { type Rational, toFraction, toNumber } from '@tesseron/core/rational';
import { figure, fixed } from '@tesseron/core/units';
import { sayDrift } from '@tesseron/core/words';
import { computed, ref, watch } from 'vue';
import type { Row } from './use-count-search';
import TickBox from '../../parts/TickBox.vue';

const props = defineProps<{
  rows: readonly Row[];
  looked: string | undefined;
  chosen: string | undefined;
  wanted: Rational | undefined;
  driveSeconds: Rational | undefined;
  compared: readonly string[];
  choosable: boolean;
}>();
const emit = defineEmits<{ look: [key: string]; choose: [row: Row]; compare: [row: Row] }>();

/** The first rows are drawn at once, the rest in the next moments, so that the page never stalls. */
const FIRST = 8;
const drawn = ref(FIRST);
watch(
  () => props.rows,
  (now, before) => {
    if (before && now.length === before.length) return;
    drawn.value = FIRST;
    more();
  },
  { immediate: true },
);
function more(): void {
  if (drawn.value >= props.rows.length) return;
  setTimeout(() => {
    drawn.value += FIRST;
    more();
  }, 25);
}

const lines = computed(() =>
  props.rows.slice(0, drawn.value).map(row => ({
    row,
    stages: row.key,
    ratio: toFraction(row.candidate.ratio),
    ppm: figure(toNumber(ppm(row.error)), 4),
    drift: props.wanted ? sayDrift(row.error, props.wanted, props.driveSeconds) : '',
    known: row.asKnown ? 'as good as the figure is known' : '',
    centres: row.centres.map(c => fixed(c, 2)).join(', '),
    sense: row.idler ? 'idler added' : row.sense.replace(' the drive', ''),
  })),
);
</script>

<template>
  <table class="ruled counts" data-test="counts-table">
    <thead>
      <tr>
        <th scope="col">driving / driven</th>
        <th scope="col" class="figure">error, ppm</th>
        <th scope="col">drift</th>
        <th scope="col" class="figure">teeth</th>
        <th scope="col" class="figure">centres, mm</th>
        <th scope="col">sense</th>
        <th scope="col"><span class="visually-hidden">compare</span></th>
        <th scope="col"><span class="visually-hidden">choose</span></th>
      </tr>
    </thead>
    <tbody>
      <tr
        v-for="l in lines"
        :key="l.stages"
        :class="{ chosen: l.stages === chosen, looked: l.stages === looked }"
        @click="emit('look', l.stages)"
      >
        <td>
          <span :class="{ best: l.row.compromise }" class="figure stages">{{ l.stages }}</span>
          <span class="quiet figure ratio">= {{ l.ratio }}</span>
        </td>
        <td class="figure">{{ l.ppm }}</td>
        <td class="drift">
          {{ l.drift }}<span v-if="l.known" class="quiet known">{{ l.known }}</span>
        </td>
        <td class="figure">{{ l.row.candidate.total }}</td>
        <td class="figure centres">{{ l.centres }}</td>
        <td>{{ l.sense }}</td>
        <td>
          <TickBox
            :model-value="compared.includes(l.stages)"
            data-test="compare-row"
            :aria-label="`Compare ${l.stages}`"
            title="compare"
            @click.stop
            @update:model-value="emit('compare', l.row)"
          />
        </td>
        <td>
          <BoxedButton
            v-if="choosable"
            :aria-label="`Choose ${l.stages}`"
            data-test="choose"
            @focus="emit('look', l.stages)"
            @click.stop="emit('choose', l.row)"
          >
            {{ l.stages === chosen ? 'Chosen' : 'Choose' }}
          </BoxedButton>
        </td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
.counts {
  font-size: 13px;
}

.stages {
  white-space: nowrap;
}

.best {
  font-weight: 700;
}

.ratio {
  display: block;
  font-size: 12px;
}

.counts .centres {
  white-space: normal;
  min-width: 118px;
}

.drift {
  min-width: 150px;
}

.known {
  display: block;
  font-size: 12px;
}

tr.looked td {
  background: color-mix(in srgb, var(--ink) 7%, transparent);
}

thead th {
  position: sticky;
  top: 0;
  background: var(--ground);
  z-index: 1;
}

tbody tr {
  cursor: default;
}
</style>
