<script setup lang="ts">
import { computed } from 'vue';
import { useWorking } from './use-working';
import DialogBox from '../parts/DialogBox.vue';

const panel = useWorking();
const open = computed({ get: () => panel.shown !== undefined, set: value => !value && panel.hide() });
</script>

<template>
  <DialogBox v-model="open" :title="panel.shown?.title ?? ''" :width="560" test="working">
    <template v-if="panel.shown">
      <p class="figure formula">{{ panel.shown.formula }}</p>
      <table class="ruled">
        <thead>
          <tr>
            <th scope="col">symbol</th>
            <th scope="col">what it is</th>
            <th scope="col" class="figure">value</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="value in panel.shown.values" :key="value.symbol">
            <td class="symbol">{{ value.symbol }}</td>
            <td>{{ value.meaning }}</td>
            <td class="figure">{{ value.value }}</td>
          </tr>
        </tbody>
      </table>
      <p v-for="step in panel.shown.steps" :key="step" class="figure step">{{ step }}</p>
      <p class="result">
        Result: <span class="figure">{{ panel.shown.result }}</span>
      </p>
      <p class="quiet source">Source: {{ panel.shown.source }}</p>
      <v-btn @click="panel.hide()">Close</v-btn>
    </template></DialogBox
  >
</template>

<style scoped>
.formula {
  margin: 8px 0 12px;
  padding-left: 10px;
  border-left: 3px solid var(--ink);
}

.step {
  margin: 8px 0 0;
  font-size: 14px;
  overflow-wrap: anywhere;
}

.result {
  margin: 12px 0 4px;
  font-weight: 600;
}

.source {
  font-size: 13px;
  margin-bottom: 14px;
}
</style>
