<script setup lang="ts">
import { useMachine } from '../machine/store';
import DialogBox from '../parts/DialogBox.vue';

const open = defineModel<boolean>({ required: true });
const store = useMachine();
</script>

<template>
  <DialogBox v-model="open" title="History" :width="480" test="history-panel">
    <p class="quiet">
      What was done since the machine was opened, the newest last. Go back to any step, and on again.
    </p>
    <ol>
      <li v-for="(step, i) in store.steps" :key="i" :class="{ undone: i > store.at }">
        <PlainButton :aria-current="i === store.at ? 'step' : undefined" @click="store.goTo(i)">
          {{ step.label }}
        </PlainButton>
        <span v-if="i === store.at" class="now">now</span>
      </li>
    </ol>
    <v-btn @click="open = false">Close</v-btn>
  </DialogBox>
</template>

<style scoped>
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
