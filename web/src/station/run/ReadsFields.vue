<script setup lang="ts">
import { kept } from '../../parts/kept-items';
import type { Reads } from '@tesseron/core/machine';
import { parseDecimal } from '@tesseron/core/rational';
import { parsePeriod } from '@tesseron/core/units';
import CheckedField from '../../parts/CheckedField.vue';

/** How an indicator is read: what a full turn of it stands for. */
const props = defineProps<{ reads: Reads | undefined }>();
const emit = defineEmits<{ change: [reads: Reads | undefined] }>();
const KINDS = [
  { value: 'clock', title: 'hours, minutes, seconds' },
  { value: 'days', title: 'days' },
  { value: 'age', title: 'age of the Moon' },
  { value: 'scale', title: 'a scale of its own' },
  { value: 'names', title: 'names' },
  { value: 'turns', title: 'turns' },
  { value: 'degrees', title: 'degrees' },
] as const;

function become(kind: Reads['kind']): void {
  const before = props.reads && 'full' in props.reads && props.reads.kind !== 'scale' ? props.reads.full : '';
  if (kind === 'clock') emit('change', { kind, full: before || '12 h' });
  else if (kind === 'days') emit('change', { kind, full: before || '30 d' });
  else if (kind === 'age') emit('change', { kind, full: '29.530588 d' });
  else if (kind === 'scale') emit('change', { kind, full: '100', unit: '' });
  else if (kind === 'names') emit('change', { kind, names: ['first', 'second', 'third', 'fourth'] });
  else emit('change', { kind });
}
function setNames(text: string): void {
  const names = text
    .split(',')
    .map(n => n.trim().slice(0, 30))
    .filter(Boolean)
    .slice(0, 400);
  if (names.length > 0) emit('change', { kind: 'names', names });
}
</script>

<template>
  <v-select
    :model-value="reads?.kind ?? 'degrees'"
    :items="kept(KINDS)"
    label="Reads"
    data-test="reads"
    @update:model-value="become"
  />
  <CheckedField
    v-if="reads && 'full' in reads"
    :model-value="reads.full"
    label="A full turn is"
    :read="reads.kind === 'scale' ? parseDecimal : parsePeriod"
    data-test="reads-full"
    @update:model-value="emit('change', { ...reads, full: $event })"
  />
  <v-text-field
    v-if="reads?.kind === 'scale'"
    :model-value="reads.unit"
    label="of"
    maxlength="20"
    @change="emit('change', { ...reads, unit: ($event.target as HTMLInputElement).value })"
  />
  <v-text-field
    v-if="reads?.kind === 'names'"
    :model-value="reads.names.join(', ')"
    label="Names, between commas"
    data-test="reads-names"
    @change="setNames(($event.target as HTMLInputElement).value)"
  />
</template>
