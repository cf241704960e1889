<script setup lang="ts">
import { writeCsv, writeSvg } from '@tesseron/core/format';
import { byId, type Process, writeMachine } from '@tesseron/core/machine';
import { cautionsFor, partsList } from '@tesseron/core/make';
import { fileName, planDrawing, wheelDrawing } from '@tesseron/core/output';
import { CAUTIONS, sayProblem, wheelName } from '@tesseron/core/words';
import type { Drawing } from '@tesseron/core/drawing';
import type { Result } from '@tesseron/core/result';
import { computed, ref, watch } from 'vue';
import StationLayout from '../../frame/StationLayout.vue';
import { saveText } from '../../keep';
import { useOpen } from '../../machine/use-open';
import SolidsPanel from './SolidsPanel.vue';
import { setProcessKind } from './set-process';

const { machine, derived, change } = useOpen();
const PLAN = 'plan';
const looked = ref(PLAN);
const problem = ref('');
const KINDS: readonly { value: Process['kind']; title: string }[] = [
  { value: 'laser', title: 'laser' },
  { value: 'printer', title: 'printer' },
  { value: 'router', title: 'router' },
  { value: 'saw', title: 'saw and drill' },
];
const process = computed(() => byId(machine.value.processes, machine.value.process));
const cautions = computed(() =>
  cautionsFor(process.value?.kind ?? 'saw').map(c => ({ code: c, text: CAUTIONS[c] })),
);
const drawingOf = (id: string): Result<Drawing> =>
  byId(machine.value.wheels, id) ? wheelDrawing(derived.value, id) : planDrawing(derived.value);
const drawing = computed(() => drawingOf(looked.value));
const svg = computed(() => (drawing.value.ok ? writeSvg(drawing.value.value) : ''));
const picture = ref('');

watch(
  svg,
  (text, _, onCleanup) => {
    if (text === '') {
      picture.value = '';
      return;
    }
    const url = URL.createObjectURL(new Blob([text], { type: 'image/svg+xml' }));
    picture.value = url;
    onCleanup(() => URL.revokeObjectURL(url));
  },
  { immediate: true },
);

async function saveSvg(id: string): Promise<void> {
  const made = drawingOf(id);
  problem.value = made.ok ? '' : sayProblem(made.problem);
  if (made.ok)
    await saveText(
      writeSvg(made.value),
      fileName([machine.value.name, byId(machine.value.wheels, id)?.name ?? PLAN], 'svg'),
      'image/svg+xml',
    );
}

const saveMachine = (): Promise<boolean> =>
  saveText(writeMachine(machine.value), fileName([machine.value.name], 'json'), 'application/json');
const saveParts = (): Promise<boolean> =>
  saveText(writeCsv(partsList(derived.value)), fileName([machine.value.name, 'parts'], 'csv'), 'text/csv');
</script>

<template>
  <StationLayout station="make">
    <template #table>
      <div class="preview">
        <img
          v-if="picture"
          :src="picture"
          :alt="`The file as it is written: ${byId(machine.wheels, looked)?.name ?? 'the whole plan'}`"
        />
        <p v-else-if="!drawing.ok">{{ sayProblem(drawing.problem) }}</p>
      </div>
    </template>
    <template #ledger>
      <v-select
        :model-value="process?.kind"
        :items="[...KINDS]"
        label="Made with"
        data-test="process"
        @update:model-value="change('Choose how parts are made', setProcessKind($event))"
      />
      <div class="cautions" role="note" aria-label="Cautions" data-test="cautions">
        <h3>Cautions</h3>
        <ul>
          <li v-for="c in cautions" :key="c.code">{{ c.text }}</li>
        </ul>
      </div>
      <h3>Files, true size in mm</h3>
      <p class="files">
        <v-btn data-test="save-plan" @click="saveSvg(PLAN)">Whole plan, SVG</v-btn>
        <v-btn data-test="save-parts" @click="saveParts">Parts list, CSV</v-btn>
        <v-btn data-test="save-machine" @click="saveMachine">Machine, JSON</v-btn>
      </p>
      <p class="quiet small">
        Outlines are as the part should measure, play taken. Kerf and nozzle are not compensated: do that in
        the cutter’s or printer’s own program.
      </p>
      <p v-if="problem" class="error-text" role="alert">{{ problem }}</p>
      <table class="ruled">
        <tbody>
          <tr :class="{ chosen: looked === PLAN }">
            <td><button type="button" class="plain" @click="looked = PLAN">The whole plan</button></td>
            <td></td>
          </tr>
          <tr v-for="w in machine.wheels" :key="w.id" :class="{ chosen: looked === w.id }">
            <td>
              <button type="button" class="plain" @click="looked = w.id">{{ wheelName(w) }}</button>
            </td>
            <td class="figure">
              <button
                type="button"
                class="boxed"
                :aria-label="`Save ${wheelName(w)} as SVG`"
                data-test="save-wheel"
                @click="saveSvg(w.id)"
              >
                SVG
              </button>
            </td>
          </tr>
        </tbody>
      </table>
      <SolidsPanel />
    </template>
  </StationLayout>
</template>

<style scoped>
.preview {
  height: 100%;
  padding: 24px;
  display: grid;
  place-items: center;
}

img {
  max-width: 100%;
  max-height: 100%;
  width: 100%;
  height: 100%;
  object-fit: contain;
  background: #fff;
}

.cautions {
  border-left: 4px solid var(--warn);
  padding-left: 12px;
  margin: 12px 0;
  font-size: 14px;
}

.cautions h3 {
  color: var(--warn);
  margin-top: 0;
}

.cautions ul {
  padding-left: 16px;
  margin: 0;
}

.files {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin: 4px 0 8px;
}

.small {
  font-size: 13px;
}
</style>
