<script setup lang="ts">
import { writeCsv, writeDxf, writeSvg } from '@tesseron/core/format';
import { byId, type Process, writeMachine } from '@tesseron/core/machine';
import { cautionsFor, growthOf, leavesAsIs, leftUncut } from '@tesseron/core/make';
import { compensationName, fileName, fileNotes, planDrawing, wheelDrawing } from '@tesseron/core/output';
import { partsList } from '@tesseron/core/workshop';
import { CAUTIONS, sayProblem, wheelName } from '@tesseron/core/words';
import type { Drawing } from '@tesseron/core/drawing';
import type { Result } from '@tesseron/core/result';
import { computed, ref, watch } from 'vue';
import StationLayout from '../../frame/StationLayout.vue';
import { saveText } from '../../keep';
import { useOpen } from '../../machine/use-open';
import { figure } from '@tesseron/core/units';
import ProcessFields from './ProcessFields.vue';
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
/** Whether files of parts are compensated for the process; the plan never is. */
const compensate = ref(true);
const forProcess = computed(() => (compensate.value ? process.value : undefined));
const drawingOf = (id: string): Result<Drawing> =>
  byId(machine.value.wheels, id)
    ? wheelDrawing(derived.value, id, forProcess.value)
    : planDrawing(derived.value);
const note = computed(() =>
  byId(machine.value.wheels, looked.value) ? (fileNotes(derived.value, forProcess.value)[1] ?? '') : '',
);
/** What a router’s cutter cannot reach of the wheel that is looked at. */
const uncut = computed(() => {
  const outline = derived.value.wheels[looked.value]?.outline;
  const cutter = process.value?.kind === 'router' ? process.value.cutter : undefined;
  if (!outline?.ok || !cutter) return '';
  const left = leftUncut(outline.value, cutter / 2, derived.value.chordError);
  return left < 0.01
    ? ''
    : `A cutter of ${cutter} mm leaves ${figure(left, 3)} mm² uncut in inside corners. Take a smaller one, or give the teeth a larger fillet.`;
});
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

async function save(id: string, kind: 'svg' | 'dxf'): Promise<void> {
  const made = drawingOf(id);
  problem.value = made.ok ? '' : sayProblem(made.problem);
  if (made.ok)
    await saveText(
      kind === 'svg' ? writeSvg(made.value) : writeDxf(made.value),
      fileName([machine.value.name, ...named(id)], kind),
      kind === 'svg' ? 'image/svg+xml' : 'image/vnd.dxf',
    );
}

function named(id: string): string[] {
  const wheel = byId(machine.value.wheels, id);
  return wheel ? [wheel.name, ...compensationName(forProcess.value)] : [PLAN];
}
const moves = computed(() => process.value !== undefined && !leavesAsIs(growthOf(process.value)));
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
        <p v-if="note || uncut" class="note" data-test="file-note">
          {{ note }} <strong v-if="uncut" class="error-text" data-test="uncut">{{ uncut }}</strong>
        </p>
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
      <ProcessFields v-if="process" :process="process" />
      <label v-if="moves" class="tick">
        <input v-model="compensate" type="checkbox" data-test="compensate" />
        compensate the files of single parts
      </label>
      <div class="cautions" role="note" aria-label="Cautions" data-test="cautions">
        <h3>Cautions</h3>
        <ul>
          <li v-for="c in cautions" :key="c.code">{{ c.text }}</li>
        </ul>
      </div>
      <h3>Files, true size in mm</h3>
      <p class="files">
        <v-btn data-test="save-plan" @click="save(PLAN, 'svg')">Whole plan, SVG</v-btn>
        <v-btn data-test="save-parts" @click="saveParts">Parts list, CSV</v-btn>
        <v-btn data-test="save-machine" @click="saveMachine">Machine, JSON</v-btn>
      </p>
      <p class="quiet small">
        The plan shows parts as they should measure; files of single parts are compensated once, if you wish
        so here. Do not do it again in the cutter’s or printer’s own program.
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
                @click="save(w.id, 'svg')"
              >
                SVG
              </button>
              <button
                type="button"
                class="boxed"
                :aria-label="`Save ${wheelName(w)} as DXF`"
                data-test="save-wheel-dxf"
                @click="save(w.id, 'dxf')"
              >
                DXF
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
  grid-template-rows: minmax(0, 1fr) auto;
  place-items: center;
}

.note {
  margin: 8px 0 0;
  max-width: 640px;
}

img {
  max-width: 100%;
  min-height: 0;
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
