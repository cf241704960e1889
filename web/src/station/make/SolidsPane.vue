<script setup lang="ts">
import { byId, processOf } from '@tesseron/core/machine';
import { compensationName, fileName } from '@tesseron/core/drawings';
import { inPlaceSets } from '@tesseron/core/layout';
import { solidParts } from '@tesseron/core/solid';
import { sayProblem } from '@tesseron/core/words';
import { computed, ref } from 'vue';
import WorkBar from '../../parts/WorkBar.vue';
import { saveFile } from '../../keep';
import { useOpen } from '../../machine/use-open';
import type { NotMade } from '@tesseron/core/archive';
import { useMake } from '../../worker/use-make';

/** Bodies for printing: beds of parts as 3MF, and planetary sets that are printed in place. */
const { machine, derived } = useOpen();
const maker = useMake();
const left = ref<readonly NotMade[]>([]);
const said = ref('');
const printers = computed(() => {
  const parts = solidParts(derived.value);
  return machine.value.processes.filter(
    p => p.kind === 'printer' && parts.some(q => processOf(machine.value, q.id)?.id === p.id),
  );
});
const sets = computed(() => inPlaceSets(machine.value));
const setNote = (id: string): string => {
  const wheel = byId(machine.value.wheels, id);
  const toothing = byId(machine.value.toothings, wheel?.toothing);
  return toothing?.double
    ? 'chevrons hold it together'
    : 'straight or leaning one way: lips hold it together';
};

async function savePlates(process: string): Promise<void> {
  [left.value, said.value] = [[], ''];
  const made = await maker.make({ task: 'plates', machine: machine.value, process });
  if (!made) return;
  left.value = made.left;
  const printer = byId(machine.value.processes, process);
  for (const { name, bytes } of made.files)
    await saveFile(bytes, fileName([machine.value.name, name, ...compensationName(printer)], '3mf'));
  said.value = made.files.length === 0 ? 'There is nothing to print.' : `Beds: ${made.files.length}.`;
}
async function saveInPlace(set: string, name: string): Promise<void> {
  [left.value, said.value] = [[], ''];
  const made = await maker.make({ task: 'in place', machine: machine.value, set });
  if (!made) return;
  left.value = made.left;
  if (made.file) await saveFile(made.file, fileName([machine.value.name, name, 'in place'], '3mf'));
}
</script>

<template>
  <p class="quiet small">
    Drag to turn, roll to come closer. Every body is closed; wheels lie flat and print without support.
  </p>
  <h3>Beds, 3MF</h3>
  <p v-if="printers.length === 0" class="quiet">
    No part is printed: choose a printer at Tools or Parts. Single bodies are there as STL.
  </p>
  <p v-for="p in printers" :key="p.id" class="row">
    <v-btn :disabled="maker.making.value" data-test="save-3mf" @click="savePlates(p.id)"
      >Beds of {{ p.name || 'the printer' }}</v-btn
    >
  </p>
  <template v-if="sets.length > 0">
    <h3>Printed in place, 3MF</h3>
    <p v-for="s in sets" :key="s.id" class="row">
      <v-btn :disabled="maker.making.value" data-test="save-in-place" @click="saveInPlace(s.id, s.name)">{{
        s.name
      }}</v-btn>
      <span class="quiet small">{{ setNote(s.id) }}</span>
    </p>
    <p class="quiet small">
      The wheels stand in mesh with the play of their toothing. Print a ring-in-place coupon first: the play
      must be no less than the gap that came free.
    </p>
  </template>
  <WorkBar :work="maker" label="Bodies made" cancel-test="solids-cancel" />
  <p v-if="said" role="status">{{ said }}</p>
  <p v-for="l in left" :key="l.name" class="error-text" data-test="solids-left">
    {{ l.name }}: {{ sayProblem(l.problem) }}
  </p>
</template>

<style scoped>
.row {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px;
  margin: 4px 0 8px;
}

.small {
  font-size: 13px;
}
</style>
