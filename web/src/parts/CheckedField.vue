<script setup lang="ts">
import type { Result } from '@tesseron/core/result';
import { sayProblem } from '@tesseron/core/words';
import { ref, watch } from 'vue';

/** A text that is read before it counts; until then the field says what is wrong and keeps what was typed. */
const props = defineProps<{
  label: string;
  modelValue: string;
  read: (text: string) => Result<unknown>;
  hint?: string;
}>();
const emit = defineEmits<{ 'update:modelValue': [value: string] }>();
const text = ref(props.modelValue);
const error = ref('');

watch(
  () => props.modelValue,
  value => {
    text.value = value;
    error.value = '';
  },
);

function commit(): void {
  const typed = text.value.trim();
  const read = props.read(typed);
  error.value = read.ok ? '' : sayProblem(read.problem);
  if (read.ok && typed !== props.modelValue) emit('update:modelValue', typed);
}
</script>

<template>
  <v-text-field
    v-model="text"
    :label="label"
    :hint="hint ?? ''"
    persistent-hint
    :error-messages="error"
    autocomplete="off"
    spellcheck="false"
    @change="commit"
    @keydown.enter="commit"
  />
</template>
