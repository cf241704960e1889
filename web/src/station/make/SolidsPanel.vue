<script setup lang="ts">
import { byId } from '@tesseron/core/machine';
import { growthOf, leavesAsIs } from '@tesseron/core/make';
import { compensationName, fileName } from '@tesseron/core/output';
import { solidParts } from '@tesseron/core/solid';
import { sayProblem } from '@tesseron/core/words';
import { computed, ref } from 'vue';
import { saveBlob } from '../../keep';
import { useOpen } from '../../machine/use-open';
import { useSolids } from './use-solids';

/** Bodies for printing: one part as STL, all of them side by side as 3MF. */
const { machine, derived } = useOpen();
const solids = useSolids();
const parts = computed(() => solidParts(derived.value));
const printer = computed(() => {
  const process = byId(machine.value.processes, machine.value.process);
  return process?.kind === 'printer' && !leavesAsIs(growthOf(process)) ? process : undefined;
});
const grown = computed(() =>
  printer.value
    ? 'compensated for how far outlines and holes print off; teeth of bevels are not'
    : 'as the parts should measure',
);
const problem = ref('');
const left = ref<string[]>([]);

async function save(part?: { id: string; name: string }): Promise<void> {
  problem.value = '';
  left.value = [];
  try {
    const made = await solids.make(machine.value, part?.id);
    if (!made) return;
    left.value = made.left.map(l => `${l.name}: ${sayProblem(l.problem)}`);
    if (part && made.left.length > 0) return;
    const name = fileName(
      [machine.value.name, part?.name ?? 'all parts', ...compensationName(printer.value)],
      part ? 'stl' : '3mf',
    );
    await saveBlob(new Blob([made.file], { type: part ? 'model/stl' : 'model/3mf' }), name);
  } catch (error) {
    problem.value = `The bodies could not be made (${error instanceof Error ? error.message : String(error)}). Nothing was written; try one part by itself.`;
  }
}
</script>

<template>
  <h3>Solids, for printing</h3>
  <p class="files">
    <v-btn :disabled="solids.making.value" data-test="save-3mf" @click="save()">All parts, 3MF</v-btn>
    <template v-if="solids.making.value">
      <progress :value="solids.done.value" max="1" aria-label="Bodies made" />
      <v-btn data-test="solids-cancel" @click="solids.cancel()">Cancel</v-btn>
    </template>
  </p>
  <p class="quiet small">
    Closed bodies in millimetres, {{ grown }}. Wheels lie flat and print without support; pegs are drilled,
    not printed.
  </p>
  <p v-if="problem" class="error-text" role="alert">{{ problem }}</p>
  <p v-for="l in left" :key="l" class="error-text" data-test="solids-left">{{ l }}</p>
  <details data-test="solids">
    <summary>One part, STL</summary>
    <table class="ruled">
      <tbody>
        <tr v-for="p in parts" :key="p.id">
          <td>{{ p.name }}</td>
          <td class="figure">{{ p.number > 1 ? `${p.number} of it` : '' }}</td>
          <td class="figure">
            <button
              type="button"
              class="boxed"
              :disabled="solids.making.value"
              :aria-label="`Save ${p.name} as STL`"
              data-test="save-stl"
              @click="save(p)"
            >
              STL
            </button>
          </td>
        </tr>
      </tbody>
    </table>
  </details>
</template>

<style scoped>
.files {
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
