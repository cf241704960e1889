<script setup lang="ts">
import type { GearSet } from '@tesseron/core/machine';
import { LIMITS } from '@tesseron/core/machine';
import { SET_LEAST, SET_MOST, teethInAll, twoRingTeeth } from '@tesseron/core/planetary';
import { ppm } from '@tesseron/core/period';
import { absolute, type Rational, toFraction, toNumber } from '@tesseron/core/rational';
import { parseStock } from '@tesseron/core/search';
import {
  changeSet,
  exactOrNearest,
  MOST_IN_SEARCH,
  setsLike,
  type SetWanted,
  stageRatio,
  twoRingsLike,
} from '@tesseron/core/sets';
import { figure, fixed, parseRatio } from '@tesseron/core/units';
import { sayProblem } from '@tesseron/core/words';
import { computed, ref, watch } from 'vue';
import { useOpen } from '../machine/use-open';
import { useSearch } from '../worker/use-search';
import CheckedField from './CheckedField.vue';
import MoreRows from './MoreRows.vue';
import NumberField from './NumberField.vue';
import SmallChoice from './SmallChoice.vue';
import { useRows } from './use-rows';
import WorkBar from './WorkBar.vue';

/** Other counts for a stage of a set: every size that makes its ratio, or the nearest to another that is typed. */
const props = defineProps<{ set: GearSet; stage: number; planets: number; two: boolean }>();
const emit = defineEmits<{ refused: [why: string] }>();
const { machine, attempt } = useOpen();
const search = useSearch<'two rings'>();
const typed = ref('');
const numbers = ref('');
const outside = ref<number>();
const most = ref(SET_MOST);
const order = ref<SetWanted['order']>('size');
/** Rows of a long list that are drawn at once. */
const ROWS = 8;
const ORDERS = [
  { value: 'size', title: 'smallest ring first' },
  { value: 'teeth', title: 'fewest teeth first' },
] as const;

const stands = computed(() => stageRatio(machine.value, props.set.id, props.stage));
const ratio = computed((): Rational | undefined => {
  const read = parseRatio(typed.value);
  return typed.value !== '' && read.ok && read.value.num !== 0n ? read.value : stands.value;
});
const planets = computed((): readonly number[] => {
  const read = parseStock(numbers.value);
  return numbers.value !== '' && read.ok ? read.value.map(s => s.count) : [props.planets];
});
const wanted = computed(
  (): SetWanted | undefined =>
    ratio.value && {
      ...{ ratio: ratio.value, planets: planets.value, outside: outside.value, order: order.value },
      most: most.value,
    },
);
const found = computed(() =>
  wanted.value && !props.two ? setsLike(machine.value, props.set.id, props.stage, wanted.value) : undefined,
);
watch(
  [wanted, () => props.two],
  () => {
    search.clear();
    const query =
      props.two && wanted.value && twoRingsLike(machine.value, props.set.id, props.stage, wanted.value);
    if (query) search.start({ kind: 'two rings', query });
  },
  { immediate: true },
);
const answer = computed(() => (props.two ? search.answer.value : found.value));
const problem = computed(() => (answer.value && !answer.value.ok ? sayProblem(answer.value.problem) : ''));
const sets = computed(() => [
  ...(found.value?.ok ? found.value.value : []).map(({ set, error }) => ({
    ...{ set, error, counts: `${set.sun}, ${set.planet}, ${set.ring}`, teeth: teethInAll(set) },
    change: { sun: set.sun, planet: set.planet, planets: set.planets },
  })),
  ...(props.two && search.answer.value?.ok ? search.answer.value.value : []).map(({ set, error }) => ({
    ...{ set, error },
    counts: `${set.sun}, ${set.planet} + ${set.second}, ${set.ring}, ${set.secondRing}`,
    teeth: twoRingTeeth(set),
    change: { sun: set.sun, planet: set.planet, second: set.second, planets: set.planets },
  })),
]);
const listed = computed(() => exactOrNearest(sets.value));
const rows = useRows(() => listed.value, ROWS);
const take = (s: (typeof sets.value)[number]): void =>
  emit(
    'refused',
    attempt(`Counts of ${props.set.name}`, changeSet(props.set.id, { ...s.change, stage: props.stage })),
  );
</script>

<template>
  <details data-test="set-search">
    <summary>Other counts for its ratio</summary>
    <div class="two">
      <CheckedField
        v-model="typed"
        label="Ratio"
        :read="t => (t === '' ? { ok: true, value: undefined } : parseRatio(t))"
        :hint="stands ? `empty: as it is, ${toFraction(stands)}` : ''"
        data-test="set-search-ratio"
      />
      <CheckedField
        v-model="numbers"
        label="Planets"
        :read="t => (t === '' ? { ok: true, value: undefined } : parseStock(t))"
        hint="such as 3-6; empty: as many as now"
        data-test="set-search-planets"
      />
      <NumberField
        v-model="outside"
        label="Outside at most"
        unit="mm"
        :limits="LIMITS.largestOutside"
        optional
        data-test="set-search-outside"
        @clear="outside = undefined"
      />
      <NumberField
        v-model="most"
        label="Most teeth"
        :limits="[SET_LEAST, MOST_IN_SEARCH]"
        whole
        data-test="set-search-most"
      />
      <SmallChoice v-model="order" :items="ORDERS" label="" data-test="set-search-order" />
    </div>
    <WorkBar v-if="two" :work="search" label="Search" />
    <p v-if="!stands && !ratio" class="quiet">
      Nothing of this stage is held, or too much: type the ratio that it shall make.
    </p>
    <p v-if="problem" class="error-text" role="alert" data-test="set-search-problem">{{ problem }}</p>
    <table v-else-if="sets.length > 0" class="ruled" data-test="set-search-found">
      <thead>
        <tr>
          <th scope="col">{{ two ? 'sun, planet, rings' : 'sun, planet, ring' }}</th>
          <th scope="col" class="figure">planets</th>
          <th scope="col" class="figure">teeth in all</th>
          <th scope="col" class="figure">error, ppm</th>
          <th scope="col"><span class="visually-hidden">take</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="s in rows.shown.value" :key="`${s.counts} ${s.set.planets}`">
          <td class="figure left">{{ s.counts }}</td>
          <td class="figure">{{ s.set.planets }}</td>
          <td class="figure">{{ fixed(s.teeth, 0) }}</td>
          <td class="figure">{{ figure(toNumber(ppm(absolute(s.error))), 4) }}</td>
          <td>
            <BoxedButton :aria-label="`Take sun ${s.counts}`" @click="take(s)">Take</BoxedButton>
          </td>
        </tr>
      </tbody>
    </table>
    <MoreRows :left="rows.left.value" :more="rows.more" />
  </details>
</template>

<style scoped>
.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0 14px;
}
</style>
