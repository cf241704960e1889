<script setup lang="ts">
import { useMachine } from '../machine/store';
import FindingList from './FindingList.vue';

const open = defineModel<boolean>({ required: true });
const store = useMachine();
</script>

<template>
  <v-dialog v-model="open" max-width="640" :transition="false" aria-labelledby="findings-title">
    <v-card class="panel" data-test="findings-panel">
      <h2 id="findings-title">Findings</h2>
      <FindingList :findings="store.derived?.findings ?? []" places @gone="open = false" />
      <v-btn @click="open = false">Close</v-btn>
    </v-card>
  </v-dialog>
</template>

<style scoped>
.panel {
  padding: 20px 22px;
  display: block;
  overflow: auto;
  max-height: 80vh;
}

.panel > .v-btn {
  margin-top: 12px;
}
</style>
