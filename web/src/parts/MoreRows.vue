<script setup lang="ts">
import { useIntersectionObserver } from '@vueuse/core';
import { useTemplateRef } from 'vue';

/** The end of a long list as far as it is drawn: more is drawn when it comes into view, or is asked for. */
const props = defineProps<{ left: number; more: () => void }>();
const end = useTemplateRef<HTMLElement>('end');
useIntersectionObserver(end, ([entry]) => entry?.isIntersecting && props.more());
</script>

<template>
  <p v-if="left > 0" ref="end" class="quiet more">
    <PlainButton data-test="more-rows" @click="more()">{{ left }} more</PlainButton>
  </p>
</template>

<style scoped>
.more {
  margin: 4px 0;
  font-size: 13px;
}
</style>
