<script setup lang="ts">
import { writeCsv } from '@tesseron/core/format/csv';
import { writeDxf } from '@tesseron/core/format/dxf';
import { writeSvg } from '@tesseron/core/format/svg';
import { workingText, type NotMade } from '@tesseron/core/archive';
import type { Table } from '@tesseron/core/drawing';
import { LIMITS, writeMachine } from '@tesseron/core/machine';
import { fileName, planDrawing } from '@tesseron/core/drawings';
import { sayProblem } from '@tesseron/core/words';
import { hardwareList, notMade, partsList } from '@tesseron/core/lists';
import { computed, ref, watch } from 'vue';
import NumberField from '../../parts/NumberField.vue';
import WorkBar from '../../parts/WorkBar.vue';
import { saveFile } from '../../keep';
import { useOpen } from '../../machine/use-open';
import { useMake } from '../../worker/use-make';
import { useRows } from '../../parts/use-rows';
import MoreRows from '../../parts/MoreRows.vue';

/** Everything as one archive; lists, the plan, the working, the machine by itself. */
const { machine, derived } = useOpen();
const maker = useMake();
/** What the last archive could not make; before that, what no file will. */
const left = ref<readonly NotMade[]>();
const without = computed(() => left.value ?? notMade(derived.value));
watch(machine, () => (left.value = undefined));
const sets = ref(1);
const said = ref('');
const problem = ref('');
const hardware = computed(() => hardwareList(derived.value));
const parts = computed(() => partsList(derived.value));

async function archive(): Promise<void> {
  [left.value, said.value, problem.value] = [undefined, '', ''];
  const made = await maker.make({ task: 'archive', machine: machine.value, paper: 'A4', sets: sets.value });
  if (!made) return;
  left.value = made.left;
  const saved = await saveFile(made.file, fileName([machine.value.name], 'zip'));
  said.value = saved ? `${made.files} files in one archive.` : 'Nothing was written.';
}
async function savePlan(kind: 'svg' | 'dxf'): Promise<void> {
  const plan = planDrawing(derived.value);
  problem.value = plan.ok ? '' : sayProblem(plan.problem);
  if (!plan.ok) return;
  await saveFile(
    kind === 'svg' ? writeSvg(plan.value) : writeDxf(plan.value),
    fileName([machine.value.name, 'plan'], kind),
  );
}
const saveTable = (table: Table, name: string): Promise<boolean> =>
  saveFile(writeCsv(table), fileName([machine.value.name, name], 'csv'));
const saveMachine = (): Promise<boolean> =>
  saveFile(writeMachine(machine.value), fileName([machine.value.name], 'json'));
const saveWorking = (): Promise<boolean> =>
  saveFile(workingText(derived.value), fileName([machine.value.name, 'working'], 'txt'));
const print = (): void => window.print();
/** Of the parts list what fits the ledger: name, number, tool, material, mass, time, cost. */
const SHOWN = ['part', 'number', 'process', 'mass g', 'time min', 'cost'] as const;
const short = computed(() => {
  const at = SHOWN.map(c => parts.value.columns.indexOf(c));
  return parts.value.rows
    .filter(r => r[parts.value.columns.indexOf('process')] !== '')
    .map(r => at.map(i => r[i] ?? ''));
});
const shortRows = useRows(() => short.value);
const withoutRows = useRows(() => without.value);
</script>

<template>
  <p class="row">
    <v-btn :disabled="maker.making.value" color="primary" data-test="save-archive" @click="archive"
      >Everything, one archive</v-btn
    >
  </p>
  <div class="sets">
    <NumberField
      v-model="sets"
      label="Sets of the machine"
      :limits="LIMITS.setsMade"
      whole
      data-test="archive-sets"
    />
    <p class="quiet small">Of several: sheets for all, and a list for the bag of each.</p>
  </div>
  <WorkBar :work="maker" label="Files made" cancel-test="archive-cancel" />
  <p v-if="said" role="status" data-test="archive-said">{{ said }}</p>
  <p v-if="problem" class="error-text" role="alert">{{ problem }}</p>
  <p class="quiet small">
    Sheets, single parts, beds, patterns, coupons, lists, the working and the machine. From a command line:
    npm run export -- machine.json out/
  </p>
  <p class="row">
    <v-btn data-test="save-plan" @click="savePlan('svg')">Plan, SVG</v-btn>
    <v-btn @click="savePlan('dxf')">Plan, DXF</v-btn>
    <v-btn data-test="save-machine" @click="saveMachine">Machine, JSON</v-btn>
    <v-btn data-test="save-working" @click="saveWorking">Working, text</v-btn>
  </p>
  <p class="row">
    <v-btn data-test="save-parts" @click="saveTable(parts, 'parts')">Parts, CSV</v-btn>
    <v-btn data-test="save-hardware" @click="saveTable(hardware, 'hardware')">Hardware, CSV</v-btn>
    <v-btn @click="print">Print this page</v-btn>
  </p>
  <template v-if="without.length > 0">
    <h3>Not made</h3>
    <table class="ruled small" data-test="not-made">
      <tbody>
        <tr v-for="(l, n) in withoutRows.shown.value" :key="n">
          <td>{{ l.name }}</td>
          <td class="quiet">{{ sayProblem(l.problem) }}</td>
        </tr>
      </tbody>
    </table>
    <MoreRows :left="withoutRows.left.value" :more="withoutRows.more" />
  </template>
  <h3>Parts that are made</h3>
  <table class="ruled small" data-test="parts-table">
    <thead>
      <tr>
        <th v-for="c in SHOWN" :key="c" scope="col" :class="{ figure: c !== 'part' && c !== 'process' }">
          {{ c }}
        </th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="(r, n) in shortRows.shown.value" :key="n">
        <td v-for="(c, i) in r" :key="i" :class="{ figure: typeof c === 'number' }">{{ c }}</td>
      </tr>
    </tbody>
  </table>
  <MoreRows :left="shortRows.left.value" :more="shortRows.more" />
  <p class="quiet small">
    Of all pieces of a row. Time and cost are estimates: without setting up, cooling and mistakes.
  </p>
  <h3>Hardware</h3>
  <table class="ruled small" data-test="hardware">
    <thead>
      <tr>
        <th scope="col">item</th>
        <th scope="col">size mm</th>
        <th scope="col" class="figure">length mm</th>
        <th scope="col" class="figure">number</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="(r, n) in hardware.rows" :key="n">
        <td>{{ r[0] }}</td>
        <td>{{ r[1] }}</td>
        <td class="figure">{{ r[2] }}</td>
        <td class="figure">{{ r[3] }}</td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
.sets {
  display: grid;
  grid-template-columns: 180px 1fr;
  gap: 0 16px;
  align-items: center;
}

.row {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px;
  margin: 6px 0;
}

.small {
  font-size: 13px;
}

table.small td,
table.small th {
  font-size: 13px;
}
</style>
