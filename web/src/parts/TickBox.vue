<script setup lang="ts">
/** Something that is so or not. Without a label, what it is must stand in its `aria-label`. */
defineProps<{ label?: string }>();
const ticked = defineModel<boolean>({ required: true });
</script>

<template>
  <v-checkbox v-model="ticked" :label="label ?? ''" class="tick" />
</template>
