<script setup lang="ts">
import type { Work } from '../worker/use-worker';

/** How far long work is, what stops it, and what went wrong with it. Nothing is shown while nothing is asked. */
defineProps<{ work: Work; label: string; cancelTest?: string }>();
</script>

<template>
  <div v-if="work.working.value" class="work" role="status">
    <progress :value="work.done.value" max="1" :aria-label="label" />
    <span v-if="work.doing?.value" class="quiet small">{{ work.doing.value }}</span>
    <slot />
    <v-btn :data-test="cancelTest" @click="work.cancel()">Cancel</v-btn>
  </div>
  <p v-else-if="work.problem.value" class="error-text" role="alert" data-test="work-problem">
    {{ work.problem.value }}
  </p>
</template>

<style scoped>
.work {
  display: inline-flex;
  gap: 8px;
  align-items: center;
}
</style>
