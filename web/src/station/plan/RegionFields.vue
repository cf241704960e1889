<script setup lang="ts">
import { type Region, LIMITS } from '@tesseron/core/machine';
import { computed } from 'vue';
import { length, type NumberSpec } from '../../parts/number-spec';
import NumberFields from '../../parts/NumberFields.vue';
import BorderImport from './BorderImport.vue';

/** A region of the plan: its shape and its size. */
const region = defineModel<Region>({ required: true });
const KINDS = [
  { value: 'circle', title: 'circle' },
  { value: 'rectangle', title: 'rectangle' },
] as const;
const items = computed(() =>
  region.value.kind === 'outline' ? [...KINDS, { value: 'outline', title: region.value.name }] : [...KINDS],
);

function become(kind: string): void {
  const r = region.value;
  if (kind === r.kind) return;
  const size = r.kind === 'circle' ? r.diameter : r.kind === 'rectangle' ? Math.max(r.width, r.height) : 100;
  const at = r.kind === 'outline' ? { x: 0, y: 0 } : { x: r.x, y: r.y };
  if (kind === 'circle') region.value = { kind, ...at, diameter: size };
  if (kind === 'rectangle') region.value = { kind, ...at, width: size, height: size };
}
const set = (more: object): void => {
  region.value = { ...region.value, ...more } as Region;
};
const fields = computed((): NumberSpec[] => {
  const r = region.value;
  if (r.kind === 'outline') return [];
  const size = LIMITS.regionSize;
  const place = LIMITS.place;
  const sizes =
    r.kind === 'circle'
      ? [length('diameter', r.diameter, size, x => set({ diameter: x }), { test: 'region-diameter' })]
      : [
          length('width', r.width, size, x => set({ width: x }), { test: 'region-width' }),
          length('height', r.height, size, x => set({ height: x }), { test: 'region-height' }),
        ];
  return [
    ...sizes,
    length('middle x', r.x, place, x => set({ x })),
    length('middle y', r.y, place, y => set({ y })),
  ];
});
</script>

<template>
  <div class="fields">
    <v-select
      :model-value="region.kind"
      :items="items"
      label="Shape"
      data-test="region-kind"
      @update:model-value="become"
    />
    <NumberFields :fields="fields" />
    <p v-if="region.kind === 'outline'" class="quiet">{{ region.points.length }} corners</p>
    <BorderImport class="wide" @read="region = $event" />
  </div>
</template>

<style scoped>
.fields {
  display: grid;
  grid-template-columns: 1fr 1fr 1fr;
  gap: 0 12px;
}

.wide {
  grid-column: 1 / -1;
  margin-top: 4px;
}
</style>
