<script setup lang="ts">
import { findPeriods, type KnownPeriod, wantedTextOf } from '@tesseron/core/period';
import { figure, parseWanted } from '@tesseron/core/units';
import { sayProblem } from '@tesseron/core/words';
import { computed, ref } from 'vue';
import { useOwnPeriods } from './use-own-periods';
import DialogBox from '../../parts/DialogBox.vue';

/** The library of periods: searched, with sources; one is picked, or the maker's own is added. */
const open = defineModel<boolean>({ required: true });
const emit = defineEmits<{ pick: [text: string, name: string] }>();
const { all, add, remove } = useOwnPeriods();
const asked = ref('');
const found = computed(() => findPeriods([...all.value], asked.value));
const name = ref('');
const text = ref('');
const error = ref('');

const sure = (p: KnownPeriod): string =>
  p.uncertaintySeconds === 0 ? '' : `± ${figure(p.uncertaintySeconds, 2)} s`;
function pick(p: KnownPeriod): void {
  emit('pick', wantedTextOf(p), p.name);
  open.value = false;
}
async function keep(): Promise<void> {
  const read = parseWanted(text.value);
  error.value = name.value.trim() === '' ? 'Give it a name.' : read.ok ? '' : sayProblem(read.problem);
  if (error.value) return;
  await add(name.value.trim().slice(0, 120), text.value.trim(), 'your own');
  asked.value = name.value.trim();
  name.value = text.value = '';
}
</script>

<template>
  <DialogBox v-model="open" class="library" title="Periods" :width="860" test="library">
    <v-text-field
      v-model="asked"
      label="Search by name, group or figure"
      autofocus
      data-test="library-search"
    />
    <div class="list" tabindex="0" role="region" aria-label="Periods found">
      <table class="ruled">
        <thead>
          <tr>
            <th scope="col">name</th>
            <th scope="col" class="figure">value</th>
            <th scope="col" class="figure">known to</th>
            <th scope="col">source</th>
            <th scope="col"><span class="visually-hidden">act</span></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="p in found" :key="p.id">
            <td>
              {{ p.name }}<span class="quiet group">{{ p.group }}</span>
            </td>
            <td class="figure">{{ p.text }}</td>
            <td class="figure">{{ sure(p) }}</td>
            <td class="source">{{ p.source }}</td>
            <td class="acts">
              <BoxedButton :aria-label="`Take ${p.name}`" @click="pick(p)"> Take </BoxedButton>
              <PlainButton
                v-if="p.group === 'your own'"
                :aria-label="`Remove ${p.name}`"
                @click="remove(p.id)"
              >
                remove
              </PlainButton>
            </td>
          </tr>
        </tbody>
      </table>
      <p v-if="found.length === 0" class="quiet">Nothing of that name. Add it as your own below.</p>
    </div>
    <form class="own" @submit.prevent="keep">
      <v-text-field v-model="name" label="Your own: name" maxlength="120" data-test="own-name" />
      <v-text-field v-model="text" label="period or ratio" :error-messages="error" data-test="own-text" />
      <v-btn type="submit" data-test="own-keep">Keep</v-btn>
      <v-btn @click="open = false">Close</v-btn>
    </form>
  </DialogBox>
</template>

<style scoped>
.library {
  padding: 18px 22px;
  display: grid;
  grid-template-rows: auto auto minmax(0, 1fr) auto;
  height: min(640px, 86vh);
}

.list {
  overflow: auto;
  margin: 8px 0;
  border-top: var(--line);
  border-bottom: var(--line);
}

.group {
  display: block;
  font-size: 12px;
}

.source {
  font-size: 12px;
  color: var(--muted);
  max-width: 260px;
}

.acts {
  white-space: nowrap;
}

.own {
  display: grid;
  grid-template-columns: 1fr 1fr auto auto;
  gap: 14px;
  align-items: center;
}

@media (max-width: 600px) {
  .own {
    grid-template-columns: 1fr 1fr;
  }
}
</style>
