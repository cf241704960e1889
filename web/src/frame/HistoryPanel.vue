<script setup lang="ts">
import { useMachine } from '../machine/store';

const open = defineModel<boolean>({ required: true });
const store = useMachine();
</script>

<template>
  <v-dialog v-model="open" max-width="480" :transition="false" aria-labelledby="history-title">
    <v-card class="panel" data-test="history-panel">
      <h2 id="history-title">History</h2>
      <p class="quiet">
        What was done since the machine was opened, the newest last. Go back to any step, and on again.
      </p>
      <ol>
        <li v-for="(step, i) in store.steps" :key="i" :class="{ undone: i > store.at }">
          <button
            type="button"
            class="plain"
            :aria-current="i === store.at ? 'step' : undefined"
            @click="store.goTo(i)"
          >
            {{ step.label }}
          </button>
          <span v-if="i === store.at" class="now">now</span>
        </li>
      </ol>
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

ol {
  margin: 10px 0 14px;
  padding-left: 28px;
}

li {
  padding: 2px 0;
}

.undone {
  color: var(--muted);
}

.now {
  margin-left: 10px;
  font-size: 13px;
  font-weight: 700;
}
</style>
