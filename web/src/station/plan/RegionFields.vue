<script setup lang="ts">
import type { Region } from '@tesseron/core/machine';
import { computed } from 'vue';
import NumberField from '../../parts/NumberField.vue';
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
    <NumberField
      v-if="region.kind === 'circle'"
      :model-value="region.diameter"
      label="diameter"
      unit="mm"
      :least="0.1"
      :most="20000"
      data-test="region-diameter"
      @update:model-value="set({ diameter: $event })"
    />
    <template v-if="region.kind === 'rectangle'">
      <NumberField
        :model-value="region.width"
        label="width"
        unit="mm"
        :least="0.1"
        :most="20000"
        data-test="region-width"
        @update:model-value="set({ width: $event })"
      />
      <NumberField
        :model-value="region.height"
        label="height"
        unit="mm"
        :least="0.1"
        :most="20000"
        data-test="region-height"
        @update:model-value="set({ height: $event })"
      />
    </template>
    <template v-if="region.kind !== 'outline'">
      <NumberField
        :model-value="region.x"
        label="middle x"
        unit="mm"
        :least="-10000"
        :most="10000"
        @update:model-value="set({ x: $event })"
      />
      <NumberField
        :model-value="region.y"
        label="middle y"
        unit="mm"
        :least="-10000"
        :most="10000"
        @update:model-value="set({ y: $event })"
      />
    </template>
    <p v-else class="quiet">{{ region.points.length }} corners</p>
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
