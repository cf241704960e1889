<script setup lang="ts">
import { useMachine } from '../machine/store';
import FindingList from './FindingList.vue';
import DialogBox from '../parts/DialogBox.vue';

const open = defineModel<boolean>({ required: true });
const store = useMachine();
</script>

<template>
  <DialogBox v-model="open" title="Findings" :width="640" test="findings-panel">
    <p v-if="store.judging" class="quiet" role="status">
      Being judged; what stands here was so before the last change.
    </p>
    <FindingList
      :findings="store.judged?.findings ?? []"
      :of="store.judged?.machine"
      places
      @gone="open = false"
    />
    <v-btn @click="open = false">Close</v-btn>
  </DialogBox>
</template>
