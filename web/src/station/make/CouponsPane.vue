<script setup lang="ts">
import {
  couponDrawing,
  type CouponKind,
  couponsFor,
  type Fitted,
  fittedFrom,
  ladderHoles,
  pairGaps,
  pairPlays,
  type Reading,
  SQUARE,
  STRIP,
  STRIPS,
  wheelPairDrawing,
  withFitted,
} from '@tesseron/core/coupon';
import { writeDxf } from '@tesseron/core/format/dxf';
import { writeSvg } from '@tesseron/core/format/svg';
import type { Drawing } from '@tesseron/core/drawing';
import { byId, ISO_53_A, LIMITS } from '@tesseron/core/machine';
import { addMeasurement, patch, removeMeasurement, setToothing } from '@tesseron/core/change';
import { compensationName, fileName } from '@tesseron/core/drawings';
import type { Result } from '@tesseron/core/result';
import { fixed } from '@tesseron/core/units';
import { sayProblem } from '@tesseron/core/words';
import { computed, ref, watch } from 'vue';
import { saveFile } from '../../keep';
import { useOpen } from '../../machine/use-open';
import { length, type NumberSpec } from '../../parts/number-spec';
import NumberFields from '../../parts/NumberFields.vue';
import { useMake } from '../../worker/use-make';
import { useLooked } from './use-looked';
import WorkBar from '../../parts/WorkBar.vue';
import OneOf from '../../parts/OneOf.vue';

/** Test pieces that measure a tool: make one, type what it measures, and take what follows into the tool's profile. */
const { machine, derived, change } = useOpen();
const { look } = useLooked();
const maker = useMake();
const tool = ref(machine.value.process);
const process = computed(() => byId(machine.value.processes, tool.value) ?? machine.value.processes[0]);
const kinds = computed(() => (process.value ? couponsFor(process.value.kind) : []));
const kind = ref<CouponKind>();
const rod = ref(machine.value.layout.tubes?.rod ?? 6);
const toothing = computed(() => machine.value.toothings.find(t => t.form.kind === 'involute'));
const form = computed(() => (toothing.value?.form.kind === 'involute' ? toothing.value.form : ISO_53_A));
const module = computed(() => derived.value.modules[toothing.value?.id ?? ''] ?? 1.5);
const chosen = computed(() => (kind.value && kinds.value.includes(kind.value) ? kind.value : kinds.value[0]));
const drawing = computed((): Result<Drawing> | undefined => {
  const [p, k] = [process.value, chosen.value];
  if (!p || !k) return undefined;
  return k === 'wheel pair'
    ? wheelPairDrawing(form.value, module.value, p, rod.value, derived.value.chordError)
    : couponDrawing(k, p, rod.value, derived.value.chordError);
});
watch(
  drawing,
  d =>
    look(
      d && {
        drawing: d,
        label: `Coupon: ${chosen.value}`,
        note: d.ok ? d.value.notes.join(' ') : '',
        filled: true,
      },
    ),
  { immediate: true },
);
const problem = computed(() => (drawing.value && !drawing.value.ok ? sayProblem(drawing.value.problem) : ''));

async function save(as: 'svg' | 'dxf'): Promise<void> {
  const made = drawing.value;
  if (!made?.ok || !process.value) return;
  const name = fileName(
    [machine.value.name, 'coupon', chosen.value ?? '', ...compensationName(process.value)],
    as,
  );
  await saveFile(as === 'svg' ? writeSvg(made.value) : writeDxf(made.value), name);
}

async function saveBodies(): Promise<void> {
  const [made, p] = [drawing.value, process.value];
  if (!made?.ok || !p) return;
  const answer = await maker.make({
    task: 'coupon',
    drawing: made.value,
    process: p,
    raw: chosen.value === 'square and hole',
  });
  if (answer)
    await saveFile(
      answer.file,
      fileName([machine.value.name, 'coupon', chosen.value ?? '', ...compensationName(p)], '3mf'),
    );
}

const note = (what: Reading, nominal: number, value: number): void => {
  if (process.value)
    change(
      'Note a reading',
      addMeasurement({
        subject: process.value.id,
        what,
        nominal,
        value,
        unit: 'mm',
        at: new Date().toISOString().slice(0, 10),
      }),
    );
};
/** What is typed and not noted yet. */
const typed = ref<Partial<Record<Reading, readonly [nominal: number, value: number]>>>({});
const reading = (label: string, what: Reading, nominal: number, hint: string): NumberSpec =>
  length(
    label,
    typed.value[what]?.[1],
    LIMITS.partsMade,
    v => (typed.value = { ...typed.value, [what]: [nominal, v] }),
    { hint, test: `reading-${what.replace(' ', '-')}` },
  );
function noteTyped(): void {
  for (const [what, read] of Object.entries(typed.value)) if (read) note(what as Reading, read[0], read[1]);
  typed.value = {};
}
/** The outside above the first layer, against which the first layer is held. */
const lastOutside = computed(
  () =>
    machine.value.measurements.filter(m => m.subject === process.value?.id && m.what === 'outside').at(-1)
      ?.value ?? SQUARE.side,
);
const readings = computed((): readonly NumberSpec[] => {
  switch (chosen.value) {
    case 'kerf comb':
      return [
        reading(
          `All ${STRIPS} strips together`,
          'comb',
          STRIPS * STRIP.width,
          `${STRIPS * STRIP.width} mm drawn`,
        ),
      ];
    case 'square and hole':
      return [
        reading('Outside', 'outside', SQUARE.side, `${SQUARE.side} mm drawn`),
        reading('Hole', 'hole', SQUARE.hole, `${SQUARE.hole} mm drawn`),
        reading(
          'First layer',
          'first layer',
          lastOutside.value,
          `${fixed(lastOutside.value, 2)} mm above it`,
        ),
      ];
    case 'bore ladder':
    case 'clearance pairs':
    case 'ring in place':
    case 'wheel pair':
    case undefined:
      return [];
  }
  return chosen.value satisfies never;
});
const FITS: readonly (readonly [Reading, string])[] = [
  ['press', 'it presses into'],
  ['sliding', 'it slides in'],
  ['free', 'it turns in'],
];
const choices = computed(
  (): readonly { label: string; values: readonly string[]; take: (v: string) => void }[] => {
    switch (chosen.value) {
      case 'bore ladder':
        return FITS.map(([what, label]) => ({
          label: `The hole that ${label}`,
          values: ladderHoles(rod.value).map(h => h.toFixed(2)),
          take: v => note(what, rod.value, Number(v)),
        }));
      case 'clearance pairs':
      case 'ring in place':
        return [
          {
            label: 'The least gap that turns',
            values: pairGaps().map(g => g.toFixed(2)),
            take: v => note('free', 0, 2 * Number(v)),
          },
        ];
      case 'wheel pair':
        return [
          {
            label: 'The play that runs best',
            values: pairPlays(form.value.pressureAngleDeg).map(p => p.toFixed(3)),
            take: takePlay,
          },
        ];
      case 'kerf comb':
      case 'square and hole':
      case undefined:
        return [];
    }
    return chosen.value satisfies never;
  },
);
function takePlay(value: string): void {
  if (toothing.value)
    change('Take the play that runs best', setToothing(toothing.value.id, { play: Number(value) }));
}
const SAYS: Readonly<Record<Fitted, string>> = {
  kerf: 'kerf',
  outlineGrowth: 'outlines print wider by',
  holeShrink: 'holes print smaller by',
  flare: 'first layer spreads by',
  press: 'to press',
  sliding: 'to slide',
  free: 'to turn',
};
const found = computed(() => (process.value ? fittedFrom(machine.value, process.value) : {}));
const rows = computed(() =>
  (Object.entries(found.value) as [Fitted, NonNullable<(typeof found.value)[Fitted]>][]).map(
    ([field, e]) => ({
      field,
      says: SAYS[field],
      value: `${fixed(e.value, 3)} mm`,
      sure:
        e.within === undefined
          ? 'one reading: not known how sure'
          : `± ${fixed(e.within, 3)} mm at 95 %, ${e.readings} readings`,
    }),
  ),
);
const notes = computed(() => machine.value.measurements.filter(m => m.subject === process.value?.id));
const take = (): void => {
  const p = process.value;
  if (p)
    change(
      'Fit a profile from its coupons',
      patch('processes', p.id, q => withFitted(q, found.value)),
    );
};
const rodField = computed(() => [
  length('Rod, as measured', rod.value, LIMITS.couponRod, v => (rod.value = v), { test: 'coupon-rod' }),
]);
</script>

<template>
  <v-select
    v-model="tool"
    :items="machine.processes.map(p => ({ value: p.id, title: p.name || p.kind }))"
    label="Tool"
    data-test="coupon-tool"
  />
  <OneOf
    :model-value="chosen"
    label="Coupon"
    :choices="kinds.map(k => ({ value: k, title: k }))"
    test="coupon"
    @update:model-value="kind = $event"
  />
  <NumberFields v-if="chosen === 'bore ladder' || chosen === 'wheel pair'" :fields="rodField" />
  <p v-if="problem" class="error-text">{{ problem }}</p>
  <p v-else class="row">
    <v-btn
      v-if="process?.kind === 'printer'"
      :disabled="maker.making.value"
      data-test="coupon-3mf"
      @click="saveBodies"
      >3MF</v-btn
    >
    <v-btn data-test="coupon-svg" @click="save('svg')">SVG</v-btn>
    <v-btn data-test="coupon-dxf" @click="save('dxf')">DXF</v-btn>
  </p>
  <WorkBar :work="maker" label="Coupon made" />
  <h3>What it measures</h3>
  <template v-if="readings.length > 0">
    <NumberFields :fields="readings" />
    <p>
      <v-btn :disabled="Object.keys(typed).length === 0" data-test="note-reading" @click="noteTyped"
        >Note it</v-btn
      >
    </p>
  </template>
  <v-select
    v-for="c in choices"
    :key="c.label"
    :model-value="undefined"
    :items="[...c.values]"
    :label="`${c.label}, mm`"
    :data-test="`choice-${c.label}`"
    @update:model-value="c.take(String($event))"
  />
  <template v-if="rows.length > 0">
    <table class="ruled" data-test="fitted">
      <tbody>
        <tr v-for="r in rows" :key="r.field">
          <td>{{ r.says }}</td>
          <td class="figure">{{ r.value }}</td>
          <td class="quiet small">{{ r.sure }}</td>
        </tr>
      </tbody>
    </table>
    <p><v-btn data-test="take-fitted" @click="take">Take into the profile</v-btn></p>
  </template>
  <details v-if="notes.length > 0">
    <summary>Readings: {{ notes.length }}</summary>
    <ul class="notes">
      <li v-for="m in notes" :key="m.id">
        {{ m.what }}: {{ m.value }} mm, drawn {{ m.nominal }} mm <span class="quiet">{{ m.at }}</span>
        <PlainButton
          :aria-label="`Remove the reading ${m.what} ${m.value}`"
          @click="change('Remove a reading', removeMeasurement(m.id))"
        >
          remove
        </PlainButton>
      </li>
    </ul>
  </details>
</template>

<style scoped>
.row {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px;
  margin: 6px 0;
}

.kinds {
  display: grid;
  grid-template-columns: 1fr 1fr;
  font-size: 14px;
  margin: 6px 0 10px;
}

.notes {
  padding-left: 18px;
  font-size: 14px;
}

.small {
  font-size: 13px;
}
</style>
