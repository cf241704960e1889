<script setup lang="ts">
/** A number that is pulled along a line from `least` to `most`; what it says stands beside it. */
defineProps<{ label: string; least: number; most: number; step: number; says?: string }>();
const value = defineModel<number>({ required: true });
</script>

<template>
  <v-slider v-model="value" class="slide" :label="label" :name="label" :min="least" :max="most" :step="step">
    <template v-if="says !== undefined" #append>
      <span class="figure">{{ says }}</span>
    </template>
  </v-slider>
</template>

<style scoped>
.figure {
  min-width: 6ch;
  text-align: right;
}
</style>
