<script setup lang="ts">
import { KEYS } from './use-keys';

const open = defineModel<boolean>({ required: true });
</script>

<template>
  <v-dialog v-model="open" max-width="440" :transition="false" aria-labelledby="keys-title">
    <v-card class="help">
      <h2 id="keys-title">Keys</h2>
      <table class="ruled">
        <tbody>
          <tr v-for="[keys, does] in KEYS" :key="keys">
            <th scope="row" class="keys">{{ keys }}</th>
            <td>{{ does }}</td>
          </tr>
        </tbody>
      </table>
      <v-btn @click="open = false">Close</v-btn>
    </v-card>
  </v-dialog>
</template>

<style scoped>
.help {
  padding: 20px 22px;
  display: block;
  overflow: auto;
}

.keys {
  font-family: var(--figures);
  color: var(--ink) !important;
  width: 12em;
}

.ruled {
  margin: 8px 0 14px;
}
</style>
