<script setup lang="ts" generic="T extends string">
/** One of a few, all in sight. */
defineProps<{ label: string; choices: readonly { value: T; title: string }[]; test: string }>();
const chosen = defineModel<T | undefined>({ required: true });
</script>

<template>
  <v-radio-group v-model="chosen" :aria-label="label">
    <v-radio
      v-for="c in choices"
      :key="c.value"
      :value="c.value"
      :label="c.title"
      :data-test="`${test}-${c.value.replaceAll(' ', '-')}`"
    />
  </v-radio-group>
</template>
