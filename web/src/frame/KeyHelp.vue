<script setup lang="ts">
import { KEYS } from './use-keys';
import DialogBox from '../parts/DialogBox.vue';

const open = defineModel<boolean>({ required: true });
</script>

<template>
  <DialogBox v-model="open" title="Keys" :width="440" test="keys">
    <table class="ruled">
      <tbody>
        <tr v-for="[keys, does] in KEYS" :key="keys">
          <th scope="row" class="keys">{{ keys }}</th>
          <td>{{ does }}</td>
        </tr>
      </tbody>
    </table>
    <v-btn @click="open = false">Close</v-btn>
  </DialogBox>
</template>

<style scoped>
.keys {
  font-family: var(--figures);
  color: var(--ink) !important;
  width: 12em;
}

.ruled {
  margin: 8px 0 14px;
}
</style>
