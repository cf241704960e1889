<script setup lang="ts">
import { useId } from 'vue';

/** A dialog with its title; what it does stands in it. */
defineProps<{ title: string; width: number; test: string }>();
const open = defineModel<boolean>({ required: true });
const id = useId();
</script>

<template>
  <v-dialog v-model="open" :max-width="width" :aria-labelledby="id">
    <v-card :data-test="test">
      <h2 :id="id">{{ title }}</h2>
      <slot />
    </v-card>
  </v-dialog>
</template>
