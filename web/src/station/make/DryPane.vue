<script setup lang="ts">
import { type CutRun, type Mishap, type PrintedBody, judge, judgeLayer } from '@tesseron/core/dry-run';
import { writeDxf } from '@tesseron/core/format/dxf';
import { flatten, type Path, type Point, polygon } from '@tesseron/core/geometry';
import type { Drawing } from '@tesseron/core/drawing';
import { byId, processOf } from '@tesseron/core/machine';
import { bedOf, growthOf, rateOf } from '@tesseron/core/process';
import { fixed } from '@tesseron/core/units';
import { sayProblem } from '@tesseron/core/words';
import { batchName, finishedOn, flatParts, sheetDrawing } from '@tesseron/core/workshop';
import { computed, ref, shallowRef, watch } from 'vue';
import WorkBar from '../../parts/WorkBar.vue';
import { openToolFile } from '../../keep';
import { useOpen } from '../../machine/use-open';
import { useMake } from '../../worker/use-make';
import { useLooked } from './use-looked';
import SlideField from '../../parts/SlideField.vue';

/** A cutter and a printer that stand in for the real ones: they take the file itself and show what would come of it. */
const { machine, derived } = useOpen();
const { look } = useLooked();
const maker = useMake();
const tool = ref(machine.value.process);
const process = computed(() => byId(machine.value.processes, tool.value) ?? machine.value.processes[0]);
const problem = ref('');
const name = ref('');
const cut = shallowRef<CutRun>();
const printed = shallowRef<readonly PrintedBody[]>();
const judged = shallowRef<ReturnType<typeof judge>>();
const step = ref(0);
const body = ref(0);
const TRAVEL = 150;
const MISHAPS: Readonly<Record<Mishap['code'], string>> = {
  'open-line': 'is not closed: nothing drops out of it',
  'cut-after-loose': 'is cut after the piece it lies in has come loose',
  'engraved-after-loose': 'is engraved after the piece it lies on has come loose',
  'cut-twice': 'is drawn twice and would be cut twice',
  'nothing-left': 'encloses less than the cut is wide: nothing is left',
};

function clear(): void {
  [problem.value, cut.value, printed.value, judged.value] = ['', undefined, undefined, undefined];
}
async function choose(): Promise<void> {
  const file = await openToolFile();
  if (!file) return;
  clear();
  name.value = file.name;
  if (file.bytes.length === 0) {
    problem.value = 'That file is empty or larger than 200 MB. Take one sheet or one bed of it.';
    return;
  }
  if (/\.(stl|3mf)$/i.test(file.name)) await print(file.name, file.bytes);
  else await run(file.name, new TextDecoder().decode(file.bytes));
}
async function run(file: string, text: string): Promise<CutRun | undefined> {
  const p = process.value;
  if (!p) return undefined;
  const kerf = p.kind === 'router' ? (p.cutter ?? 0) : (p.kerf ?? 0);
  const made = await maker.make({
    task: 'cut',
    file: { name: file, text },
    cutter: { kerf, rate: rateOf(p), travel: TRAVEL, pierce: 1 },
  });
  if (!made) return undefined;
  if (!made.ok) {
    problem.value = sayProblem(made.problem);
    return undefined;
  }
  cut.value = made.value;
  step.value = made.value.dropped.length;
  return made.value;
}
async function print(file: string, bytes: Uint8Array): Promise<void> {
  const p = process.value;
  if (!p) return;
  const printer = { line: p.nozzle ?? 0.4, layer: p.layer ?? 0.2, rate: rateOf(p), bed: bedOf(p) };
  const made = await maker.make({ task: 'print', file: { name: file, bytes }, printer });
  if (!made) return;
  if (made.ok) [printed.value, body.value, step.value] = [made.value, 0, 0];
  else problem.value = sayProblem(made.problem);
}
/** The first sheet of the machine as its own DXF file is written, run, and held against the finished parts. */
async function ownSheet(): Promise<void> {
  clear();
  const answer = await maker.make({ task: 'sheets', machine: machine.value, sets: 1 });
  const laid = answer?.laid.find(b => b.batch.process.id === process.value?.id && b.sheets.length > 0);
  if (!laid) {
    problem.value = 'No part is cut with this tool. Choose another, or a file.';
    return;
  }
  name.value = `${batchName(laid.batch)}, sheet 1, as DXF`;
  const made = await run('sheet.dxf', writeDxf(sheetDrawing(derived.value, laid, 0)));
  if (made) judged.value = judge(finishedOn(laid, 0, 0.002), made.dropped);
}
/**
 * The first flat part that this printer makes, as its own STL file is written, built, and held against the finished
 * part.
 */
async function ownPart(): Promise<void> {
  clear();
  const p = process.value;
  const part = flatParts(derived.value).parts.find(q => processOf(machine.value, q.id)?.id === p?.id);
  const file = part && (await maker.make({ task: 'solid', machine: machine.value, part: part.id }))?.file;
  if (!p || !part || !file) {
    problem.value = maker.problem.value
      ? ''
      : 'No flat part is printed with this tool. Choose another, or a file.';
    return;
  }
  name.value = `${part.name}, as STL`;
  await print('part.stl', file);
  const layers = printed.value?.[0]?.layers ?? [];
  const middle = layers[Math.floor(layers.length / 2)];
  const { outline, hole } = growthOf(p);
  const finished = {
    name: part.name,
    outline: flatten(part.outline, 0.002),
    holes: part.holes.map(h => flatten(h, 0.002)),
  };
  if (middle) judged.value = [judgeLayer(middle.paths, { outline: -outline, hole: -hole }, finished)];
}
const clock = (s: number): string => (s > 5400 ? `${fixed(s / 3600, 1)} h` : `${fixed(s / 60, 1)} min`);
const shownBody = computed(() => printed.value?.[body.value]);
const asPath = (p: readonly Point[]): Path => polygon(p);
const drawing = computed((): Drawing | undefined => {
  if (cut.value) {
    const done = cut.value.dropped.slice(0, step.value);
    const now = done.at(-1);
    return {
      ...{ title: name.value, notes: [] },
      groups: [
        {
          name: 'lines',
          x: 0,
          y: 0,
          angle: 0,
          labels: [],
          shapes: [
            {
              name: 'lines',
              role: 'reference',
              paths: cut.value.lines.map(l => ({ ...asPath(l.points), closed: l.closed })),
            },
          ],
        },
        ...done.map((d, i) => ({
          name: `${i}`,
          x: 0,
          y: 0,
          angle: 0,
          labels: [],
          shapes: [
            {
              name: `${i}`,
              role: d === now ? ('drill' as const) : ('cut' as const),
              paths: d.kind === 'part' ? d.paths.map(asPath) : [],
            },
          ],
        })),
      ],
    };
  }
  const layer = shownBody.value?.layers[Math.min(step.value, shownBody.value.layers.length - 1)];
  if (!layer) return undefined;
  return {
    title: name.value,
    notes: [],
    groups: [
      {
        name: 'layer',
        x: 0,
        y: 0,
        angle: 0,
        labels: [],
        shapes: [{ name: 'layer', role: 'cut', paths: layer.paths.map(asPath) }],
      },
    ],
  };
});
const say = computed(() => {
  if (cut.value)
    return (
      `After ${step.value} of ${cut.value.dropped.length} pieces, ` +
      `${clock(cut.value.dropped[step.value - 1]?.at ?? 0)}.`
    );
  const layer = shownBody.value?.layers[Math.min(step.value, (shownBody.value?.layers.length ?? 1) - 1)];
  return layer
    ? `Layer at ${fixed(layer.z, 2)} mm: ${fixed(layer.area, 1)} mm², ` +
        `${fixed(layer.thin, 2)} mm² too thin for a line, ${fixed(layer.hanging, 2)} mm² ` +
        'hanging.'
    : '';
});
watch(drawing, d =>
  look(
    d && {
      drawing: { ok: true, value: d },
      label: `Dry run of ${name.value}`,
      note: say.value,
      filled: true,
    },
  ),
);
watch(tool, clear);
const worst = computed(() =>
  (printed.value ?? []).map(b => ({
    b,
    thin: Math.max(...b.layers.map(l => l.thin)),
    hanging: Math.max(0, ...b.layers.slice(2).map(l => l.hanging)),
  })),
);
</script>

<template>
  <p class="quiet small">
    A cutter and a printer that stand in for yours. They take the file itself, follow it with the tool’s cut
    or line, and show what would drop out or be built.
  </p>
  <v-select
    v-model="tool"
    :items="machine.processes.map(p => ({ value: p.id, title: p.name || p.kind }))"
    label="Tool"
    data-test="dry-tool"
  />
  <p class="row">
    <v-btn data-test="dry-choose" @click="choose">Choose a file</v-btn>
    <v-btn v-if="process && process.kind !== 'printer'" data-test="dry-own" @click="ownSheet"
      >This machine’s first sheet</v-btn
    >
    <v-btn v-if="process?.kind === 'printer'" data-test="dry-own-part" @click="ownPart"
      >This machine’s first printed part</v-btn
    >
  </p>
  <WorkBar :work="maker" label="Dry run" />
  <p v-if="problem" class="error-text" role="alert" data-test="dry-problem">{{ problem }}</p>
  <template v-if="cut">
    <h3>{{ name }}</h3>
    <table class="ruled" data-test="dry-cut">
      <tbody>
        <tr>
          <td>Cut</td>
          <td class="figure">{{ fixed(cut.cut / 1000, 2) }} m</td>
        </tr>
        <tr>
          <td>Between lines</td>
          <td class="figure">{{ fixed(cut.travelled / 1000, 2) }} m</td>
        </tr>
        <tr>
          <td>Time, about</td>
          <td class="figure">{{ clock(cut.seconds) }}</td>
        </tr>
        <tr>
          <td>Parts</td>
          <td class="figure">{{ cut.dropped.filter(d => d.kind === 'part').length }}</td>
        </tr>
        <tr>
          <td>Waste</td>
          <td class="figure">{{ cut.dropped.filter(d => d.kind === 'waste').length }}</td>
        </tr>
      </tbody>
    </table>
    <SlideField
      v-model="step"
      label="as cut"
      :least="0"
      :most="cut.dropped.length"
      :step="1"
      data-test="dry-step"
    />
    <p v-for="(m, n) in cut.mishaps" :key="n" class="error-text">
      Line {{ m.line + 1 }} {{ MISHAPS[m.code] }}.
    </p>
    <p v-if="cut.mishaps.length === 0">
      Every line is closed, none is cut twice, and inner lines come first.
    </p>
  </template>
  <template v-if="printed">
    <h3>{{ name }}</h3>
    <table class="ruled" data-test="dry-printed">
      <thead>
        <tr>
          <th scope="col">body</th>
          <th scope="col" class="figure">size mm</th>
          <th scope="col" class="figure">about</th>
          <th scope="col">mind</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="({ b, thin, hanging }, n) in worst" :key="n" :class="{ chosen: n === body }">
          <td>
            <PlainButton @click="((body = n), (step = 0))">
              {{ b.name || `body ${n + 1}` }}
            </PlainButton>
          </td>
          <td class="figure">{{ fixed(b.width, 1) }} × {{ fixed(b.depth, 1) }} × {{ fixed(b.height, 1) }}</td>
          <td class="figure">{{ clock(b.seconds) }}</td>
          <td class="small">
            {{
              [
                b.onBed ? '' : 'not on the bed',
                thin > 0.5 ? `${fixed(thin, 1)} mm² too thin` : '',
                hanging > 1 ? `${fixed(hanging, 1)} mm² hanging` : '',
              ]
                .filter(Boolean)
                .join(', ') || 'nothing'
            }}
          </td>
        </tr>
      </tbody>
    </table>
    <SlideField
      v-if="shownBody"
      v-model="step"
      label="layer"
      :least="0"
      :most="shownBody.layers.length - 1"
      :step="1"
      data-test="dry-layer"
    />
  </template>
  <table v-if="judged" class="ruled" data-test="dry-judged">
    <thead>
      <tr>
        <th scope="col">finished part</th>
        <th scope="col" class="figure">off by at most</th>
        <th scope="col" class="figure">holes</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="(j, n) in judged" :key="n">
        <td>{{ j.name }}</td>
        <td class="figure">{{ j.found ? `${fixed(j.off, 3)} mm` : 'not found' }}</td>
        <td class="figure">{{ j.holes.found }} of {{ j.holes.wanted }}</td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
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
</style>
