<script setup lang="ts">
import type { Ring } from '@tesseron/core/machine';
import { computed } from 'vue';
import NumberFields from '../../parts/NumberFields.vue';
import { numeralFields, ringFields } from './indicator-fields';
import TickBox from '../../parts/TickBox.vue';

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
    <TickBox
      :model-value="ring.numerals !== undefined"
      label="something is written along it"
      data-test="ring-numerals"
      @update:model-value="toggle($event)"
    />
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
      <TickBox
        v-if="ring.numerals.writes.kind === 'names'"
        :model-value="ring.numerals.writes.between === true"
        label="each in the middle of its part"
        @update:model-value="setBetween($event)"
      />
      <TickBox
        v-else
        :model-value="ring.numerals.writes.roman === true"
        label="in Roman figures"
        @update:model-value="setRoman($event)"
      />
    </template>
    <PlainButton @click="emit('remove')">take this ring away</PlainButton>
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
