<script setup lang="ts">
import { LIMITS } from '@tesseron/core/machine';
import { writeDxf } from '@tesseron/core/format/dxf';
import { writeSvg } from '@tesseron/core/format/svg';
import type { Drawing } from '@tesseron/core/drawing';
import { compensationName, fileName } from '@tesseron/core/drawings';
import { fixed } from '@tesseron/core/units';
import { sayProblem } from '@tesseron/core/words';
import { batchName, batchTotals, type LaidBatch, padOf, sheetDrawing } from '@tesseron/core/workshop';
import { computed, ref, shallowRef, watch } from 'vue';
import WorkBar from '../../parts/WorkBar.vue';
import { saveFile } from '../../keep';
import { useOpen } from '../../machine/use-open';
import { number } from '../../parts/number-spec';
import NumberFields from '../../parts/NumberFields.vue';
import type { MakeAnswers } from '@tesseron/core/archive';
import { useMake } from '../../worker/use-make';
import { useLooked } from './use-looked';

/** Parts laid on sheets: as they will be cut, what they take, and their files. */
const { machine, derived } = useOpen();
const { look } = useLooked();
const maker = useMake();
const sets = ref(1);
const laid = shallowRef<MakeAnswers['sheets']>();
const shown = ref<readonly [batch: number, sheet: number]>([0, 0]);
const fields = computed(() => [
  number('Sets of the machine', sets.value, LIMITS.setsMade, v => (sets.value = v), {
    whole: true,
    test: 'sheet-sets',
  }),
]);
const cut = computed(() => laid.value?.laid.map((b, i) => ({ b, i })) ?? []);
const left = computed(() => [...(laid.value?.left ?? []), ...cut.value.flatMap(c => c.b.left)]);
const drawingOf = (b: LaidBatch, sheet: number): Drawing => sheetDrawing(derived.value, b, sheet);

/** Time, mass and cost of everything on all sheets of a batch, in words. */
function sums(b: LaidBatch): string {
  const { seconds, mass, cost } = batchTotals(b);
  return [
    padOf(b.batch.process) > 1 ? `in pads of ${padOf(b.batch.process)} sheets` : '',
    `about ${seconds > 5400 ? `${fixed(seconds / 3600, 1)} h` : `${fixed(seconds / 60, 0)} min`}`,
    mass === undefined ? '' : `${fixed(mass, 0)} g`,
    cost === undefined ? '' : `cost ${fixed(cost, 2)} in your own money`,
  ]
    .filter(Boolean)
    .join(', ');
}
async function lay(): Promise<void> {
  const answer = await maker.make({ task: 'sheets', machine: machine.value, sets: sets.value });
  if (!answer) return;
  laid.value = answer;
  shown.value = [0, 0];
}
function save(b: LaidBatch, sheet: number, kind: 'svg' | 'dxf'): void {
  const drawing = drawingOf(b, sheet);
  const name = fileName(
    [machine.value.name, batchName(b.batch), `sheet ${sheet + 1}`, ...compensationName(b.batch.process)],
    kind,
  );
  void saveFile(kind === 'svg' ? writeSvg(drawing) : writeDxf(drawing), name);
}
watch([shown, laid], () => {
  const [b, sheet] = [laid.value?.laid[shown.value[0]], shown.value[1]];
  if (!b?.sheets[sheet]) return;
  const { width, height, used } = b.sheets[sheet];
  look({
    drawing: { ok: true, value: drawingOf(b, sheet) },
    label: `Sheet ${sheet + 1} of ${batchName(b.batch)}`,
    filled: true,
    note:
      `${batchName(b.batch)}, sheet ${sheet + 1} of ${b.sheets.length}: ${width} × ` +
      `${height} mm, used up to ${fixed(used, 0)} mm.`,
  });
});
watch([machine, sets], () => void lay(), { immediate: true });
</script>

<template>
  <NumberFields :fields="fields" />
  <WorkBar :work="maker" label="Parts laid out" cancel-test="sheets-cancel" />
  <p v-if="!laid && !maker.working.value" class="row">
    <v-btn data-test="sheets-lay" @click="lay">Lay out</v-btn>
  </p>
  <section v-for="{ b, i } in cut" :key="i" data-test="batch">
    <h3>{{ batchName(b.batch) }}</h3>
    <p class="quiet small">
      {{ b.nesting.places.length }} parts, {{ b.batch.process.kind === 'printer' ? 'beds' : 'sheets' }}:
      {{ b.sheets.length }}, {{ fixed(100 * b.nesting.filled, 0) }} % of what is used is parts; {{ sums(b) }}.
      Time and cost are estimates.
    </p>
    <table class="ruled">
      <tbody>
        <tr v-for="(s, n) in b.sheets" :key="n" :class="{ chosen: shown[0] === i && shown[1] === n }">
          <td>
            <PlainButton data-test="show-sheet" @click="shown = [i, n]">
              {{ b.batch.process.kind === 'printer' ? 'bed' : 'sheet' }} {{ n + 1 }}
            </PlainButton>
          </td>
          <td class="figure">{{ s.width }} × {{ s.height }} mm</td>
          <td class="figure">
            <template v-if="b.batch.process.kind !== 'printer'">
              <BoxedButton
                :aria-label="`Save sheet ${n + 1} as SVG`"
                data-test="save-sheet-svg"
                @click="save(b, n, 'svg')"
              >
                SVG
              </BoxedButton>
              <BoxedButton
                :aria-label="`Save sheet ${n + 1} as DXF`"
                data-test="save-sheet-dxf"
                @click="save(b, n, 'dxf')"
              >
                DXF
              </BoxedButton>
            </template>
          </td>
        </tr>
      </tbody>
    </table>
  </section>
  <p v-if="laid && cut.length === 0">No flat part is made yet.</p>
  <p v-for="(l, n) in left" :key="n" class="error-text" data-test="sheets-left">
    {{ l.name }}: {{ sayProblem(l.problem) }}
  </p>
  <p class="quiet small">
    Lines are in the order in which they should be cut: marks, what is drilled, holes, outlines; parts within
    holes first. Layers: CUT, ENGRAVE, DRILL, REFERENCE.
  </p>
</template>

<style scoped>
.row {
  display: flex;
  align-items: center;
  gap: 8px;
  margin: 6px 0;
}

.small {
  font-size: 13px;
}
</style>
