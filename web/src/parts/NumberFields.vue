<script setup lang="ts">
import type { NumberSpec } from './number-spec';
import NumberField from './NumberField.vue';

/** Several numbers, one field each. */
defineProps<{ fields: readonly NumberSpec[] }>();
</script>

<template>
  <NumberField
    v-for="f in fields"
    :key="f.label"
    :model-value="f.value"
    :label="f.label"
    :limits="f.limits"
    :unit="f.unit ?? ''"
    :hint="f.hint ?? ''"
    :whole="f.whole === true"
    :optional="f.clear !== undefined"
    :data-test="f.test"
    @update:model-value="f.set"
    @clear="f.clear?.()"
  />
</template>
