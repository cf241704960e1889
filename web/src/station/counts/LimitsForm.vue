<script setup lang="ts">
import { LIMITS } from '@tesseron/core/machine';
import type { SearchLimits } from '@tesseron/core/planting';
import { LEAST_COUNT, MOST_COUNT, MOST_STAGES, parseStock } from '@tesseron/core/search';
import { ok, type Result } from '@tesseron/core/result';
import { STANDARD_MODULES } from '@tesseron/core/units';
import { computed } from 'vue';
import CheckedField from '../../parts/CheckedField.vue';
import NumberField from '../../parts/NumberField.vue';

const props = defineProps<{ leastWithoutUndercut: number }>();
/** The limits of a search. What is seldom needed is folded away, and says how much of it is in use. */
const limits = defineModel<SearchLimits>({ required: true });

const set = (change: Partial<SearchLimits>): void => {
  limits.value = { ...limits.value, ...change };
};
function drop(name: keyof SearchLimits): void {
  const { [name]: _, ...rest } = limits.value;
  limits.value = rest as SearchLimits;
}
const put = (name: keyof SearchLimits, value: SearchLimits[keyof SearchLimits]): void =>
  value === undefined || value === false || value === '' ? drop(name) : set({ [name]: value });

function toggle(stages: number, on: boolean): void {
  const others = limits.value.stages.filter(s => s !== stages);
  set({ stages: (on ? [...others, stages] : others).sort((a, b) => a - b) });
}
const list = (text: string): Result<unknown> => (text === '' ? ok([]) : parseStock(text));

const SECOND = [
  { title: 'the same module', value: 0 },
  ...STANDARD_MODULES.filter(m => m >= 0.2 && m <= 12).map(m => ({ title: `${m} mm`, value: m })),
];
const ALIKE = [
  { title: 'any counts', value: '' },
  { title: 'all driving wheels alike', value: 'driving' },
  { title: 'all driven wheels alike', value: 'driven' },
];
const deepest = computed(() => Math.max(1, ...limits.value.stages));
const MORE = [
  'stock',
  'forbidden',
  'noPrimes',
  'hunting',
  'alike',
  'positions',
  'stageRatio',
  'largestOutside',
  'centre',
  'reach',
  'exactTotal',
] as const;
const inUse = computed(() => MORE.filter(name => limits.value[name] !== undefined).length);

type Range = { least: number; most: number };
type StageRanges = { driving?: Range; driven?: Range };
const rangeAt = (stage: number, side: 'driving' | 'driven'): Range | undefined =>
  limits.value.positions?.[stage]?.[side];
const sayRange = (r: Range | undefined): string =>
  r ? (r.least === r.most ? `${r.least}` : `${r.least}-${r.most}`) : '';
const readRange = (text: string): Result<Range | undefined> => {
  if (text === '') return ok(undefined);
  const read = parseStock(text);
  if (!read.ok) return read;
  const counts = read.value.map(s => s.count);
  return ok({ least: Math.min(...counts), most: Math.max(...counts) });
};
function setRange(stage: number, side: 'driving' | 'driven', text: string): void {
  const read = readRange(text);
  if (!read.ok) return;
  const positions = Array.from(
    { length: Math.max(stage + 1, limits.value.positions?.length ?? 0) },
    (_, i): StageRanges => {
      const own: StageRanges = limits.value.positions?.[i] ?? {};
      if (i !== stage) return own;
      const { [side]: _dropped, ...rest } = own;
      return read.value ? { ...rest, [side]: read.value } : rest;
    },
  );
  put('positions', positions.some(p => p.driving || p.driven) ? positions : undefined);
}
</script>

<template>
  <div class="limits">
    <div class="three">
      <NumberField
        :model-value="limits.least"
        label="Least teeth"
        :limits="[LEAST_COUNT, MOST_COUNT]"
        whole
        :hint="
          limits.least < props.leastWithoutUndercut ? `no undercut from ${props.leastWithoutUndercut}` : ''
        "
        persistent-hint
        data-test="least"
        @update:model-value="set({ least: $event })"
      />
      <NumberField
        :model-value="limits.most"
        label="Most teeth"
        :limits="[LEAST_COUNT, MOST_COUNT]"
        whole
        data-test="most"
        @update:model-value="set({ most: $event })"
      />
      <NumberField
        :model-value="limits.module"
        label="Module"
        :limits="LIMITS.module"
        unit="mm"
        data-test="search-module"
        @update:model-value="set({ module: $event })"
      />
    </div>
    <fieldset class="stages">
      <legend>Stages</legend>
      <v-checkbox
        v-for="n in MOST_STAGES"
        :key="n"
        :model-value="limits.stages.includes(n)"
        :label="String(n)"
        :data-test="`stages-${n}`"
        @update:model-value="toggle(n, $event === true)"
      />
    </fieldset>
    <div class="return">
      <v-checkbox
        :model-value="limits.coaxial"
        label="returns to the drive’s centre"
        data-test="coaxial"
        @update:model-value="set({ coaxial: $event === true })"
      />
      <v-select
        v-if="limits.coaxial"
        :model-value="limits.secondModule ?? 0"
        :items="SECOND"
        label="second stage"
        data-test="second-module"
        @update:model-value="put('secondModule', $event || undefined)"
      />
    </div>
    <details :open="inUse > 0" data-test="more-limits">
      <summary>More limits{{ inUse > 0 ? `: ${inUse} in use` : '' }}</summary>
      <CheckedField
        :model-value="limits.stock ?? ''"
        label="Only counts in stock"
        :read="list"
        hint="such as 12, 20-30, 48×2 for two pieces"
        data-test="stock"
        @update:model-value="put('stock', $event)"
      />
      <CheckedField
        :model-value="limits.forbidden ?? ''"
        label="None of these counts"
        :read="list"
        data-test="forbidden"
        @update:model-value="put('forbidden', $event)"
      />
      <div class="two">
        <v-checkbox
          :model-value="limits.noPrimes ?? false"
          label="no prime counts"
          data-test="no-primes"
          @update:model-value="put('noPrimes', $event === true)"
        />
        <v-checkbox
          :model-value="limits.hunting ?? false"
          label="hunting tooth"
          data-test="hunting"
          @update:model-value="put('hunting', $event === true)"
        />
      </div>
      <v-select
        :model-value="limits.alike ?? ''"
        :items="ALIKE"
        label="Shared counts"
        @update:model-value="put('alike', $event)"
      />
      <div class="three">
        <NumberField
          :model-value="limits.stageRatio"
          label="Steepest stage"
          :limits="LIMITS.stageRatio"
          unit=": 1"
          optional
          @update:model-value="put('stageRatio', $event)"
          @clear="drop('stageRatio')"
        />
        <NumberField
          :model-value="limits.largestOutside"
          label="Largest wheel"
          :limits="LIMITS.largestOutside"
          unit="mm"
          optional
          data-test="largest-outside"
          @update:model-value="put('largestOutside', $event)"
          @clear="drop('largestOutside')"
        />
        <NumberField
          :model-value="limits.reach"
          label="Centres add up to"
          :limits="LIMITS.reach"
          unit="mm"
          optional
          @update:model-value="put('reach', $event)"
          @clear="drop('reach')"
        />
        <NumberField
          :model-value="limits.centre?.distance"
          label="Every centre at"
          :limits="LIMITS.centre"
          unit="mm"
          optional
          @update:model-value="put('centre', { distance: $event, within: limits.centre?.within ?? 0.5 })"
          @clear="drop('centre')"
        />
        <NumberField
          v-if="limits.centre"
          :model-value="limits.centre.within"
          label="give or take"
          :limits="LIMITS.centreWithin"
          unit="mm"
          @update:model-value="put('centre', { distance: limits.centre.distance, within: $event })"
        />
        <NumberField
          :model-value="limits.exactTotal"
          label="Teeth in all"
          :limits="LIMITS.exactTotal"
          whole
          optional
          @update:model-value="put('exactTotal', $event)"
          @clear="drop('exactTotal')"
        />
      </div>
      <table class="ruled positions">
        <thead>
          <tr>
            <th scope="col">stage</th>
            <th scope="col">driving, given or range</th>
            <th scope="col">driven</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="n in deepest" :key="n">
            <th scope="row">{{ n }}</th>
            <td v-for="side in ['driving', 'driven'] as const" :key="side">
              <CheckedField
                :model-value="sayRange(rangeAt(n - 1, side))"
                :label="`${n}, ${side}`"
                :read="readRange"
                @update:model-value="setRange(n - 1, side, $event)"
              />
            </td>
          </tr>
        </tbody>
      </table>
    </details>
  </div>
</template>

<style scoped>
.three {
  display: grid;
  grid-template-columns: 1fr 1fr 1fr;
  gap: 0 14px;
}

.two {
  display: flex;
  gap: 16px;
}

.stages {
  border: 0;
  padding: 0;
  margin: 8px 0 0;
  display: flex;
  align-items: center;
  gap: 12px;
}

.stages legend {
  float: left;
  font-size: 14px;
  margin-right: 12px;
}

.return {
  display: grid;
}

details {
  border-top: var(--line);
  border-bottom: var(--line);
  margin: 8px 0;
  padding: 6px 0;
}

summary {
  cursor: pointer;
  font-size: 14px;
}

.positions {
  margin: 8px 0;
}

.positions td {
  padding: 0 8px 4px 0;
}
</style>
