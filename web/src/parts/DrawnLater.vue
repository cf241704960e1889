<script setup lang="ts">
import { onMounted, onScopeDispose, ref } from 'vue';
import { inTurn } from './in-turn';

/** What may be drawn a frame or two after the rest, so that opening a page never holds it up. */
const ready = ref(false);
let leave: (() => void) | undefined;
onMounted(() => (leave = inTurn(() => (ready.value = true))));
onScopeDispose(() => leave?.());
</script>

<template>
  <slot v-if="ready" />
</template>
