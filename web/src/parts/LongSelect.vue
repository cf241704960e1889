<script setup lang="ts" generic="T extends string | number">
import { computed, ref } from 'vue';

/**
 * One of many: a select that is given all its choices only when it is turned to, so that a page with hundreds of them
 * is drawn as quickly as one with few.
 */
defineOptions({ inheritAttrs: false });
const props = defineProps<{ items: readonly { value: T; title: string }[]; modelValue: T | undefined }>();
const emit = defineEmits<{ 'update:modelValue': [value: T] }>();
const FEW = 12;
const asked = ref(false);
const shown = computed(() =>
  asked.value || props.items.length <= FEW
    ? [...props.items]
    : props.items.filter(i => i.value === props.modelValue),
);
</script>

<template>
  <v-select
    v-bind="$attrs"
    :model-value="modelValue"
    :items="shown"
    @pointerenter="asked = true"
    @focus="asked = true"
    @update:menu="asked = true"
    @update:model-value="emit('update:modelValue', $event as T)"
  />
</template>
