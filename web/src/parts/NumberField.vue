<script setup lang="ts">
import type { Limit } from '@tesseron/core/machine';
import { ref, watch } from 'vue';
import { z } from 'zod';

/** A number that is checked before it counts: what is typed goes on only when it is one, within its limits. */
const props = defineProps<{
  label: string;
  modelValue: number | undefined;
  limits: Limit;
  whole?: boolean;
  unit?: string;
  hint?: string;
  /** May be left empty, for no limit. */
  optional?: boolean;
}>();
const emit = defineEmits<{ 'update:modelValue': [value: number]; clear: [] }>();
/** A figure as it stands in the field: without the last digits of doubles. */
const shown = (value: number | undefined): string =>
  value === undefined ? '' : String(Number(value.toPrecision(9)));
const text = ref('');
const error = ref('');

watch(
  () => props.modelValue,
  value => {
    text.value = shown(value);
    error.value = '';
  },
  { immediate: true },
);

function commit(): void {
  const [least, most] = props.limits;
  const unit = props.unit ? ` ${props.unit}` : '';
  const number = z.coerce.number({ error: 'x' }).min(least).max(most);
  const schema = props.whole ? number.int() : number;
  const typed = text.value.trim();
  if (typed !== '' && typed === shown(props.modelValue)) {
    error.value = '';
    return;
  }
  if (typed === '' && props.optional) {
    error.value = '';
    if (props.modelValue !== undefined) emit('clear');
    return;
  }
  const parsed = schema.safeParse(typed === '' ? Number.NaN : typed);
  if (!parsed.success) {
    error.value = `Write ${props.whole ? 'a whole number' : 'a number'} from ${least} to ${most}${unit}.`;
    return;
  }
  error.value = '';
  if (parsed.data !== props.modelValue) emit('update:modelValue', parsed.data);
}
</script>

<template>
  <v-text-field
    v-model="text"
    :label="label"
    :suffix="unit ?? ''"
    :hint="hint ?? ''"
    :error-messages="error"
    inputmode="decimal"
    autocomplete="off"
    class="number"
    @change="commit"
    @keydown.enter="commit"
  />
</template>

<style scoped>
.number :deep(input) {
  font-family: var(--figures);
}
</style>
