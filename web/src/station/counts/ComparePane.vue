<script setup lang="ts">
import { type Candidate, candidateOf, differentCounts, parseTrain, partsOf } from '@tesseron/core/search';
import { ppm } from '@tesseron/core/period';
import { type Rational, toDecimal, toFraction, toNumber } from '@tesseron/core/rational';
import { must } from '@tesseron/core/result';
import { figure, fixed } from '@tesseron/core/units';
import { sayDrift } from '@tesseron/core/words';
import { computed } from 'vue';
import CheckedField from '../../parts/CheckedField.vue';
import type { Row } from './use-count-search';

/** Two or three trains side by side, one of them typed in by the maker if they like. */
const props = defineProps<{
  rows: readonly Row[];
  choosable: boolean;
  own: string;
  wanted: Rational | undefined;
  driveSeconds: Rational | undefined;
  sense: 'with the drive' | 'against the drive' | 'either';
  weigh: (candidate: Candidate) => Row | undefined;
}>();
const emit = defineEmits<{
  'update:own': [text: string];
  choose: [row: Row];
  drop: [key: string];
  working: [row: Row];
}>();

const typed = computed(() => {
  const read = parseTrain(props.own);
  return read.ok ? props.weigh(candidateOf(read.value)) : undefined;
});
const columns = computed(() => {
  const shown = props.rows.map(row => ({ row, own: false }));
  return typed.value ? [...shown, { row: typed.value, own: true }] : shown;
});

interface Line {
  readonly name: string;
  readonly of: (row: Row) => string;
}
const drift = (row: Row): string =>
  props.wanted ? sayDrift(row.error, props.wanted, props.driveSeconds) : '';
const LINES: readonly Line[] = [
  { name: 'ratio', of: r => toFraction(r.candidate.ratio) },
  { name: 'as a decimal', of: r => toDecimal(r.candidate.ratio, 10) },
  { name: 'error, ppm', of: r => figure(toNumber(ppm(r.error)), 4) },
  { name: 'drift', of: r => (r.asKnown ? `${drift(r)}: as good as the figure is known` : drift(r)) },
  { name: 'all teeth', of: r => String(r.candidate.total) },
  {
    name: 'largest wheel',
    of: r => String(Math.max(...r.candidate.stages.flatMap(s => [s.driving, s.driven]))),
  },
  { name: 'different counts', of: r => String(differentCounts(r.candidate.stages)) },
  { name: 'wheels', of: r => String(partsOf(r.candidate.stages.length, props.sense).wheels) },
  { name: 'arbors', of: r => String(partsOf(r.candidate.stages.length, props.sense).arbors) },
  { name: 'centres, mm', of: r => r.centres.map(c => fixed(c, 2)).join(', ') },
  { name: 'sense', of: r => (r.idler ? 'idler added' : r.sense) },
];
const readOwn = (text: string): ReturnType<typeof parseTrain> =>
  text === '' ? { ok: true, value: [] } : parseTrain(text);
const keyOfOwn = computed(() => must(readOwn(props.own)).length > 0);
</script>

<template>
  <div class="compare" tabindex="0" role="region" aria-label="Compare">
    <CheckedField
      class="own"
      :model-value="own"
      label="Your own counts, driving first"
      hint="such as 41/84 61/56"
      :read="readOwn"
      data-test="own-train"
      @update:model-value="emit('update:own', $event)"
    />
    <p v-if="columns.length === 0" class="quiet">
      Nothing to compare yet. Tick trains in the list, up to three, or write your own counts above.
    </p>
    <table v-else class="ruled" data-test="compare">
      <thead>
        <tr>
          <th scope="col"><span class="visually-hidden">measure</span></th>
          <th v-for="c in columns" :key="`${c.own}${c.row.key}`" scope="col" class="train">
            {{ c.row.key }}<span v-if="c.own && keyOfOwn" class="quiet"> yours</span>
          </th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="l in LINES" :key="l.name">
          <th scope="row">{{ l.name }}</th>
          <td v-for="c in columns" :key="`${c.own}${c.row.key}`" class="figure">{{ l.of(c.row) }}</td>
        </tr>
        <tr>
          <th scope="row"><span class="visually-hidden">act</span></th>
          <td v-for="c in columns" :key="`${c.own}${c.row.key}`" class="acts">
            <BoxedButton v-if="choosable" @click="emit('choose', c.row)"> Choose </BoxedButton>
            <PlainButton @click="emit('working', c.row)">working</PlainButton>
            <PlainButton v-if="!c.own" @click="emit('drop', c.row.key)">remove</PlainButton>
          </td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
.compare {
  height: 100%;
  overflow: auto;
  padding: 4px 14px 20px;
}

.own {
  max-width: 420px;
  margin-bottom: 12px;
}

th.train {
  font-family: var(--figures);
  color: var(--ink);
  font-weight: 700;
  text-align: right;
}

td.figure {
  white-space: normal;
}

.acts {
  text-align: right;
}

.acts > * + * {
  margin-left: 10px;
}
</style>
