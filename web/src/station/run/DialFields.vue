<script setup lang="ts">
import { kept } from '../../parts/kept-items';
import { fullSeconds } from '@tesseron/core/indicator';
import { DIAL_STARTS, type DialStart, startRings } from '@tesseron/core/indicators';
import { usualFixing } from '@tesseron/core/layout';
import { FIXING_SCREWS } from '@tesseron/core/bought';
import { type Dial, type DialWindow, GROUND, type Ring, LIMITS } from '@tesseron/core/machine';
import { computed, ref } from 'vue';
import { length, number, type NumberSpec } from '../../parts/number-spec';
import NumberFields from '../../parts/NumberFields.vue';
import { type Change, newWindow, windowFields } from './indicator-fields';
import RingEditor from './RingEditor.vue';
import TickBox from '../../parts/TickBox.vue';

/** What a dial alone has: the way it counts, its rings, its windows, its moons. */
const props = defineProps<{ dial: Dial; days: number | undefined }>();
const emit = defineEmits<{ set: [change: Parameters<Change>[0]] }>();
const begin = ref<DialStart>();
const windowKind = ref<DialWindow['kind']>('round');
const rings = (next: readonly Ring[]): void => emit('set', { rings: next });
const setRing = (i: number, ring: Ring): void => rings(props.dial.rings.map((r, k) => (k === i ? ring : r)));
const without = <T,>(list: readonly T[], i: number): T[] => list.filter((_, k) => k !== i);
function startWith(start: DialStart): void {
  rings(startRings(start, props.dial.radius, props.days ?? daysRead.value));
}
const daysRead = computed(() => {
  const seconds = fullSeconds(props.dial.reads);
  return seconds === undefined ? undefined : seconds / 86400;
});
function addRing(): void {
  const last = props.dial.rings.at(-1);
  const outer = Number(((last ? Math.min(last.inner, last.outer) : props.dial.radius) * 0.7).toFixed(2));
  rings([...props.dial.rings, { outer, inner: Number((outer * 0.9).toFixed(2)), divisions: 12 }]);
}
const windows = (next: readonly DialWindow[]): void => emit('set', { windows: next });
const setWindow = (i: number, w: DialWindow): void =>
  windows(props.dial.windows.map((o, k) => (k === i ? w : o)));
function moons(on: boolean): void {
  const two = (x: number): number => Number((props.dial.radius * x).toFixed(2));
  emit('set', { moons: on ? { distance: two(0.5), radius: two(0.33) } : undefined });
}
const HELD = [
  { value: 'nothing', title: 'nothing said' },
  { value: 'screws', title: 'screws' },
  { value: 'glue', title: 'glue' },
] as const;
const SCREWS = FIXING_SCREWS.map(s => ({ value: s.name, title: `${s.name}, countersunk` }));
function hold(by: string): void {
  emit('set', { fixed: by === 'nothing' ? undefined : by === 'glue' ? { by } : usualFixing(props.dial) });
}
const screwFields = computed((): NumberSpec[] => {
  const { fixed } = props.dial;
  if (fixed?.by !== 'screws') return [];
  const put = (to: Partial<typeof fixed>): void => emit('set', { fixed: { ...fixed, ...to } });
  return [
    number('How many', fixed.number, LIMITS.dialScrews, x => put({ number: x }), { whole: true }),
    length('On a circle Ø', fixed.circle, LIMITS.largestOutside, x => put({ circle: x }), {
      test: 'dial-circle',
    }),
    number('First at', fixed.atDeg, LIMITS.angleDeg, x => put({ atDeg: x }), { unit: '°' }),
  ];
});
const TITLES = { round: 'round window', sector: 'part of a ring', phases: 'opening for the Moon’s phases' };
const KINDS = (['round', 'sector', 'phases'] as const).map(value => ({ value, title: TITLES[value] }));
</script>

<template>
  <div class="fields">
    <v-select
      :model-value="dial.sense"
      :items="['clockwise', 'counter-clockwise']"
      label="Counts"
      data-test="dial-sense"
      @update:model-value="emit('set', { sense: $event })"
    />
    <v-select
      v-model="begin"
      :items="kept(DIAL_STARTS)"
      :label="
        dial.rings.length > 0 ? `Begin anew, in place of ${dial.rings.length} rings, with` : 'Begin with'
      "
      data-test="dial-start"
      @update:model-value="startWith"
    />
  </div>
  <div v-if="dial.member === GROUND" class="fields">
    <v-select
      :model-value="dial.fixed?.by ?? 'nothing'"
      :items="kept(HELD)"
      label="Held on the front plate by"
      data-test="dial-held"
      @update:model-value="hold"
    />
    <v-select
      v-if="dial.fixed?.by === 'screws'"
      :model-value="dial.fixed.screw"
      :items="SCREWS"
      label="Screws"
      data-test="dial-screw"
      @update:model-value="emit('set', { fixed: { ...dial.fixed, screw: $event } })"
    />
    <NumberFields :fields="screwFields" />
  </div>
  <RingEditor
    v-for="(r, i) in dial.rings"
    :key="i"
    :ring="r"
    :n="i + 1"
    @change="setRing(i, $event)"
    @remove="rings(without(dial.rings, i))"
  />
  <p class="acts">
    <v-btn :disabled="dial.rings.length >= 12" data-test="add-ring" @click="addRing">Add a ring</v-btn>
  </p>
  <details v-for="(w, i) in dial.windows" :key="`w${i}`" class="window">
    <summary>{{ TITLES[w.kind] }}</summary>
    <div class="fields"><NumberFields :fields="windowFields(w, next => setWindow(i, next))" /></div>
    <PlainButton @click="windows(without(dial.windows, i))">take it away</PlainButton>
  </details>
  <div class="acts">
    <v-select v-model="windowKind" :items="KINDS" label="Cut out" data-test="window-kind" />
    <v-btn
      :disabled="dial.windows.length >= 24"
      data-test="add-window"
      @click="windows([...dial.windows, newWindow(windowKind, dial)])"
      >Add it</v-btn
    >
  </div>
  <TickBox
    :model-value="dial.moons !== undefined"
    label="two moons, to be seen through an opening"
    data-test="dial-moons"
    @update:model-value="moons($event)"
  />
  <div v-if="dial.moons" class="fields">
    <NumberFields
      :fields="[
        {
          label: 'Moon’s distance',
          value: dial.moons.distance,
          limits: LIMITS.dialSize,
          unit: 'mm',
          set: v => emit('set', { moons: { ...dial.moons, distance: v } }),
        },
        {
          label: 'Moon’s radius',
          value: dial.moons.radius,
          limits: LIMITS.dialSize,
          unit: 'mm',
          set: v => emit('set', { moons: { ...dial.moons, radius: v } }),
        },
      ]"
    />
  </div>
</template>

<style scoped>
.fields {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0 12px;
}

.window {
  border-bottom: var(--line);
  padding: 4px 0 8px;
}

.acts {
  display: flex;
  gap: 12px;
  align-items: end;
  margin: 8px 0;
}
</style>
