<script setup lang="ts">
import type { Ring } from '@tesseron/core/machine';
import { computed } from 'vue';
import NumberFields from '../../parts/NumberFields.vue';
import { numeralFields, ringFields } from './indicator-fields';

/** A ring of a dial: its divisions, and what is written along it. */
const props = defineProps<{ ring: Ring; n: number }>();
const emit = defineEmits<{ change: [ring: Ring]; remove: [] }>();
type Numerals = NonNullable<Ring['numerals']>;
const fields = computed(() => ringFields(props.ring, r => emit('change', r)));
const set = (numerals: Numerals | undefined): void => {
  const { numerals: _, ...rest } = props.ring;
  emit('change', numerals ? { ...rest, numerals } : rest);
};
const written = computed(() => (props.ring.numerals ? numeralFields(props.ring.numerals, set) : []));
const START: Numerals['writes'] = { kind: 'numbers', count: 12, first: 0, step: 1 };
function toggle(on: boolean): void {
  const r = Math.min(props.ring.inner, props.ring.outer);
  const two = (x: number): number => Number(x.toFixed(2));
  set(on ? { radius: two(r * 0.86), height: two(r * 0.12), writes: START, stand: 'upright' } : undefined);
}
const writes = (w: Numerals['writes']): void => {
  if (props.ring.numerals) set({ ...props.ring.numerals, writes: w });
};
function setNames(text: string): void {
  const names = text
    .split(',')
    .map(t => t.trim().slice(0, 30))
    .slice(0, 400);
  const old = props.ring.numerals?.writes;
  writes({ kind: 'names', names, ...(old?.kind === 'names' && old.between ? { between: true } : {}) });
}
const checked = (event: Event): boolean => (event.target as HTMLInputElement).checked;
function setRoman(on: boolean): void {
  const old = props.ring.numerals?.writes;
  if (old?.kind !== 'numbers') return;
  const { roman: _, ...rest } = old;
  writes(on ? { ...rest, roman: true } : rest);
}
function setBetween(on: boolean): void {
  const old = props.ring.numerals?.writes;
  if (old?.kind === 'names') writes({ kind: 'names', names: old.names, ...(on ? { between: true } : {}) });
}
</script>

<template>
  <details class="ring" :data-test="`ring-${n}`">
    <summary>Ring {{ n }}: {{ ring.divisions }} divisions{{ ring.numerals ? ', with writing' : '' }}</summary>
    <div class="fields"><NumberFields :fields="fields" /></div>
    <label class="tick">
      <input
        type="checkbox"
        :checked="ring.numerals !== undefined"
        data-test="ring-numerals"
        @change="toggle(checked($event))"
      />
      something is written along it
    </label>
    <template v-if="ring.numerals">
      <div class="fields">
        <v-select
          :model-value="ring.numerals.writes.kind"
          :items="['numbers', 'names']"
          label="Writes"
          @update:model-value="
            writes($event === 'numbers' ? START : { kind: 'names', names: ['a', 'b', 'c', 'd'] })
          "
        />
        <v-select
          :model-value="ring.numerals.stand"
          :items="['upright', 'outward']"
          label="Letters stand"
          @update:model-value="set({ ...ring.numerals, stand: $event })"
        />
        <NumberFields :fields="written" />
      </div>
      <v-text-field
        v-if="ring.numerals.writes.kind === 'names'"
        :model-value="ring.numerals.writes.names.join(', ')"
        label="Names, between commas"
        data-test="ring-names"
        @change="setNames(($event.target as HTMLInputElement).value)"
      />
      <label v-if="ring.numerals.writes.kind === 'names'" class="tick">
        <input
          type="checkbox"
          :checked="ring.numerals.writes.between"
          @change="setBetween(checked($event))"
        />
        each in the middle of its part
      </label>
      <label v-else class="tick">
        <input type="checkbox" :checked="ring.numerals.writes.roman" @change="setRoman(checked($event))" />
        in Roman figures
      </label>
    </template>
    <button type="button" class="plain" @click="emit('remove')">take this ring away</button>
  </details>
</template>

<style scoped>
.ring {
  border-bottom: var(--line);
  padding: 4px 0 8px;
}

.fields {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0 12px;
}
</style>
