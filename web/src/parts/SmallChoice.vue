<script setup lang="ts" generic="T extends string | number">
import { kept } from './kept-items';
/** One of several in little room: in the row of a table, in the corner of a drawing. */
defineOptions({ inheritAttrs: false });
defineProps<{ items: readonly { value: T; title: string }[]; label?: string }>();
const chosen = defineModel<T | undefined>({ required: true });
</script>

<template>
  <span class="small-choice-row">
    <span v-if="label" class="quiet">{{ label }}</span>
    <v-select
      v-model="chosen"
      class="small-choice"
      variant="plain"
      hide-details
      :items="kept(items)"
      :aria-label="label"
      v-bind="$attrs"
    />
  </span>
</template>
