<script setup lang="ts">
import { addAims, type Edit, setDriveSpeed } from '@tesseron/core/change';

import { findPeriods, type ListedBody, parseBodies, wantedTextOf } from '@tesseron/core/period';
import { parsePeriod, parseWanted, wantedRate } from '@tesseron/core/units';
import { sayProblem, sayReduction } from '@tesseron/core/words';
import { computed, ref } from 'vue';
import { useOpen } from '../../machine/use-open';
import { useOwnPeriods } from './use-own-periods';
import DialogBox from '../../parts/DialogBox.vue';

/** A whole orrery at once: pasted as a list, or picked from the library, with the ratios to what drives them. */
const open = defineModel<boolean>({ required: true });
const { derived, change } = useOpen();
const { all } = useOwnPeriods();
const text = ref('');
const asked = ref('');
const driver = ref<string>('');
const bodies = computed(() => parseBodies(text.value, all.value));
const good = computed(() => bodies.value.filter(b => !b.problem));
const found = computed(() => findPeriods([...all.value], asked.value).slice(0, 60));

const DRIVE_AS_IT_IS = '';
const HAND = 'hand';
const drivers = computed(() => [
  { title: 'the drive as it is', value: DRIVE_AS_IT_IS },
  { title: 'a hand crank: only their ratios matter', value: HAND },
  ...good.value
    .filter(b => parsePeriod(b.wanted.split('±')[0] ?? '').ok)
    .map(b => ({ title: `an arbor that turns with ${b.name}`, value: b.wanted })),
]);
const seconds = computed(() => {
  if (driver.value === DRIVE_AS_IT_IS) return derived.value.driveSeconds;
  const read = parsePeriod(driver.value.split('±')[0] ?? '');
  return read.ok ? read.value : undefined;
});
function ratioOf(body: ListedBody): string {
  const read = parseWanted(body.wanted);
  const rate = read.ok ? wantedRate(read.value, { seconds: seconds.value }) : read;
  return rate.ok ? sayReduction(rate.value, 9) : '–';
}
function pick(name: string, wanted: string): void {
  text.value = `${text.value.trimEnd()}${text.value.trim() === '' ? '' : '\n'}${name.split(',')[0]}; ${wanted}`;
}
function add(): void {
  const own = good.value;
  const drive = driver.value;
  change(`Add ${own.length} outputs`, m => addAims(own)(withDriver(drive)(m)));
  text.value = '';
  open.value = false;
}
function withDriver(drive: string): Edit {
  if (drive === DRIVE_AS_IT_IS) return m => m;
  if (drive === HAND) return setDriveSpeed({ kind: 'free' });
  return setDriveSpeed({ kind: 'period', text: (drive.split('±')[0] ?? '').trim() });
}
</script>

<template>
  <DialogBox v-model="open" title="Several outputs at once" :width="980" test="add-many-panel">
    <div class="sides">
      <div class="paste">
        <v-textarea
          v-model="text"
          label="A line for each: name, period"
          rows="7"
          no-resize
          hint="such as Mars, 686.98 d; a name alone is looked up"
          persistent-hint
          spellcheck="false"
          data-test="many-text"
        />
      </div>
      <div class="pick">
        <v-text-field v-model="asked" label="or pick from the library" data-test="many-search" />
        <ul tabindex="0" aria-label="Library">
          <li v-for="p in found" :key="p.id">
            <PlainButton @click="pick(p.name, wantedTextOf(p))">{{ p.name }}</PlainButton>
            <span class="quiet figure">{{ p.text }}</span>
          </li>
        </ul>
      </div>
    </div>
    <v-select v-model="driver" :items="drivers" label="Driven by" data-test="many-driver" />
    <div class="list" tabindex="0" role="region" aria-label="Outputs to add">
      <table v-if="bodies.length > 0" class="ruled" data-test="many-table">
        <thead>
          <tr>
            <th scope="col">output</th>
            <th scope="col">wanted</th>
            <th scope="col" class="figure">turns of the drive : of the output</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(b, i) in bodies" :key="i">
            <td>{{ b.name }}</td>
            <td v-if="b.problem" colspan="2" class="error-text">{{ sayProblem(b.problem) }}</td>
            <template v-else>
              <td class="figure left">{{ b.wanted }}</td>
              <td class="figure">{{ ratioOf(b) }}</td>
            </template>
          </tr>
        </tbody>
      </table>
      <p v-else class="quiet">Nothing listed yet.</p>
    </div>
    <p class="go">
      <v-btn variant="flat" :disabled="good.length === 0" data-test="many-add" @click="add">
        Add {{ good.length }} {{ good.length === 1 ? 'output' : 'outputs' }}
      </v-btn>
      <v-btn @click="open = false">Close</v-btn>
    </p>
  </DialogBox>
</template>

<style scoped>
.sides {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 22px;
}

.paste {
  padding-bottom: 10px;
}

ul {
  list-style: none;
  padding: 0;
  margin: 6px 0;
  height: 150px;
  overflow: auto;
  font-size: 14px;
}

li {
  display: flex;
  justify-content: space-between;
  gap: 10px;
  padding: 2px 0;
}

.list {
  max-height: 240px;
  overflow: auto;
  margin: 10px 0;
}

td.left {
  text-align: left;
}

.go {
  display: flex;
  gap: 12px;
}

@media (max-width: 600px) {
  .sides {
    grid-template-columns: 1fr;
  }
}
</style>
