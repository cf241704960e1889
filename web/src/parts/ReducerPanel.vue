<script setup lang="ts">
import { opposedDiscDeg } from '@tesseron/core/judge';
import { driveWay, LIMITS } from '@tesseron/core/machine';
import {
  changeReducer,
  DISCS,
  OUTPUTS,
  type ReducerChange,
  reducerFacts,
  type ReducerParts,
  RINGS,
} from '@tesseron/core/sets';
import { fixed, mm } from '@tesseron/core/units';
import { sayRate } from '@tesseron/core/words';
import { computed, ref, watch } from 'vue';
import { useOpen } from '../machine/use-open';
import { length, number, type NumberSpec } from './number-spec';
import { kept } from './kept-items';
import NumberFields from './NumberFields.vue';

/** A reducer, changed as one: whatever is typed, the rest of it follows. */
const props = defineProps<{ parts: ReducerParts }>();
const { machine, attempt } = useOpen();
const refused = ref('');
const first = computed(() => props.parts.discs[0].wheel);
watch(
  () => first.value.id,
  () => (refused.value = ''),
);
const facts = computed(() => reducerFacts(machine.value, props.parts));

function ask(what: string, asked: ReducerChange): void {
  refused.value = attempt(`${what} of ${first.value.name}`, changeReducer(first.value.id, asked));
}
const tidy = (x: number, decimals = 3): number => Number(x.toFixed(decimals));
const fields = computed((): NumberSpec[] => {
  const f = facts.value;
  if (!f) return [];
  return [
    number('Lobes', f.lobes, LIMITS.setCount, x => ask('Lobes', { lobes: x }), {
      ...{ whole: true, test: 'reducer-lobes' },
    }),
    number('Pins', f.pins, LIMITS.setCount, x => ask('Pins', { pins: x }), {
      ...{ whole: true, test: 'reducer-pins' },
    }),
    number('Output pins', f.outputPins, LIMITS.outputPins, x => ask('Output pins', { outputPins: x }), {
      ...{ whole: true, test: 'reducer-output-pins' },
    }),
    length('Module', tidy(f.module, 6), LIMITS.module, x => ask('Module', { module: x }), {
      test: 'reducer-module',
    }),
    length('Outside', tidy(f.outside), LIMITS.largestOutside, x => ask('Outside', { outside: x }), {
      test: 'reducer-outside',
    }),
    length('Pin Ø', f.pinDiameter, LIMITS.pinDiameter, x => ask('Pins', { pinDiameter: x }), { test: 'pin' }),
    length(
      'Eccentricity',
      f.eccentricity,
      LIMITS.eccentricity,
      x => ask('Eccentricity', { eccentricity: x }),
      { test: 'eccentricity' },
    ),
    length('Disc stands back', f.offset, LIMITS.offset, x => ask('Play of the disc', { offset: x }), {
      test: 'offset',
    }),
    length('Play of output', f.play, LIMITS.play, x => ask('Play of the output', { play: x }), {
      test: 'reducer-play',
    }),
    length('Shaft Ø', f.shaft, LIMITS.pinDiameter, x => ask('Shaft', { shaft: x }), {
      test: 'reducer-shaft',
    }),
    length('Height', f.height, LIMITS.stackThickness, x => ask('Height', { height: x }), {
      test: 'reducer-height',
    }),
  ];
});
const turned = computed(() => opposedDiscDeg(props.parts.lobes, props.parts.pins));
</script>

<template>
  <section data-test="reducer-panel">
    <h3>Reducer: {{ first.name }}</h3>
    <p v-if="!facts" class="error-text">This reducer cannot be changed as one: its module is not known.</p>
    <template v-else>
      <v-select
        :model-value="String(facts.discs)"
        :items="kept(DISCS)"
        label="Discs"
        data-test="reducer-discs"
        @update:model-value="ask('Discs', { discs: $event === '2' ? 2 : 1 })"
      />
      <v-select
        :model-value="facts.ring"
        :items="kept(RINGS)"
        label="Pins of the ring are"
        data-test="reducer-ring"
        @update:model-value="ask('Ring', { ring: $event })"
      />
      <v-select
        :model-value="facts.output"
        :items="kept(OUTPUTS)"
        label="Output is"
        data-test="reducer-turns"
        @update:model-value="ask('Output', { output: $event })"
      />
      <div class="fields"><NumberFields :fields="fields" /></div>
      <p v-if="refused" class="error-text" role="alert" data-test="reducer-refused">{{ refused }}</p>
      <p class="quiet" data-test="reducer-says">
        Its output turns {{ sayRate(facts.ratio, 24, driveWay(machine)) }} for a turn of
        {{ parts.driver.name }}. Output pins {{ mm(facts.outputPin, 2) }} across on a circle of
        {{ mm(facts.circle, 2) }}; the ring is {{ mm(facts.outside, 1) }} across.
      </p>
      <p class="quiet" data-test="second-disc">
        <template v-if="turned === 0"
          >Discs opposite each other are the same part, turned half round.</template
        >
        <template v-else
          >Discs opposite each other are two parts: the lobes of one stand {{ fixed(turned, 2) }}° further
          round against its holes.</template
        >
      </p>
    </template>
  </section>
</template>

<style scoped>
.fields {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(96px, 1fr));
  gap: 0 14px;
}
</style>
