<script setup lang="ts">
import { LIMITS } from '@tesseron/core/machine';
import type { Paper } from '@tesseron/core/format/tiles';
import type { Drawing } from '@tesseron/core/drawing';
import { fileName } from '@tesseron/core/drawings';
import { fixed } from '@tesseron/core/units';
import { digitStrip, patternsOf } from '@tesseron/core/workshop';
import { computed, ref, watch } from 'vue';
import { saveFile } from '../../keep';
import { useOpen } from '../../machine/use-open';
import { length } from '../../parts/number-spec';
import NumberFields from '../../parts/NumberFields.vue';
import { useLooked } from './use-looked';
import TickBox from '../../parts/TickBox.vue';
import OneOf from '../../parts/OneOf.vue';
import { useRows } from '../../parts/use-rows';
import MoreRows from '../../parts/MoreRows.vue';

/** Paper patterns at true size: wheels, drilling templates, dials, strips for bevels and digit wheels. */
const { machine, derived } = useOpen();
const { look } = useLooked();
const PAPERS = [
  { value: 'A4', title: 'A4' },
  { value: 'Letter', title: 'Letter' },
] as const;
const MOVES = [
  { value: 'up', title: 'up' },
  { value: 'down', title: 'down' },
] as const;
const paper = ref<Paper>('A4');
const skipped = ref<readonly string[]>([]);
const looked = ref<string>();
const writing = ref(false);
const strip = ref({ diameter: 40, width: 12, digits: '0 1 2 3 4 5 6 7 8 9', moves: 'up' as 'up' | 'down' });
const patterns = computed(() => patternsOf(derived.value));
const chosen = computed(() => patterns.value.filter(p => !skipped.value.includes(p.id)));
const digits = computed(() => strip.value.digits.split(/\s+/).filter(Boolean).slice(0, 60));
const stripDrawing = computed(() =>
  digits.value.length === 0 ? undefined : digitStrip({ ...strip.value, digits: digits.value }),
);
const fields = computed(() => [
  length(
    'Across',
    strip.value.diameter,
    LIMITS.stripDiameter,
    v => (strip.value = { ...strip.value, diameter: v }),
    {
      test: 'strip-diameter',
    },
  ),
  length('Width', strip.value.width, LIMITS.stripWidth, v => (strip.value = { ...strip.value, width: v }), {
    test: 'strip-width',
  }),
]);
const toggle = (id: string): void => {
  skipped.value = skipped.value.includes(id) ? skipped.value.filter(s => s !== id) : [...skipped.value, id];
};
const show = (id: string, drawing: Drawing): void => {
  looked.value = id;
  look({
    drawing: { ok: true, value: drawing },
    label: `Pattern: ${drawing.title}`,
    note: drawing.notes.join(' '),
    lettered: true,
  });
};
async function save(drawings: readonly Drawing[], name: string): Promise<void> {
  writing.value = true;
  try {
    const { writePdf } = await import('@tesseron/core/format/pdf');
    const bytes = await writePdf(drawings, paper.value, machine.value.name);
    await saveFile(bytes, fileName([machine.value.name, name, paper.value], 'pdf'));
  } finally {
    writing.value = false;
  }
}
watch(patterns, list => {
  const still = list.find(p => p.id === looked.value);
  if (still) show(still.id, still.drawing);
});
watch(stripDrawing, drawing => drawing && looked.value === 'strip' && show('strip', drawing));
const patternRows = useRows(() => patterns.value);
</script>

<template>
  <div class="row">
    <OneOf v-model="paper" label="Paper" :choices="PAPERS" test="paper" />
    <v-btn
      :disabled="writing || chosen.length === 0"
      data-test="save-pdf"
      @click="
        save(
          chosen.map(p => p.drawing),
          'patterns',
        )
      "
    >
      Patterns, PDF
    </v-btn>
  </div>
  <p class="quiet small">
    True size, over as many sheets as needed, with marks to join them. Print at 100 % and measure the square
    on the first page before you cut.
  </p>
  <table class="ruled">
    <tbody>
      <tr v-for="p in patternRows.shown.value" :key="p.id" :class="{ chosen: looked === p.id }">
        <td>
          <TickBox
            :model-value="!skipped.includes(p.id)"
            :aria-label="`Print ${p.name}`"
            @update:model-value="toggle(p.id)"
          />
        </td>
        <td>
          <PlainButton data-test="pattern" @click="show(p.id, p.drawing)">
            {{ p.name }}
          </PlainButton>
        </td>
        <td class="quiet">{{ p.kind }}</td>
      </tr>
    </tbody>
  </table>
  <MoreRows :left="patternRows.left.value" :more="patternRows.more" />
  <h3>Strip for a digit wheel</h3>
  <div class="fields"><NumberFields :fields="fields" /></div>
  <v-text-field
    v-model="strip.digits"
    label="Shows, in the order of counting"
    spellcheck="false"
    data-test="strip-digits"
  />
  <div class="row">
    <span class="quiet">Its face moves past the window</span>
    <OneOf v-model="strip.moves" label="Its face moves past the window" :choices="MOVES" test="moves" />
  </div>
  <p v-if="stripDrawing" class="row">
    <v-btn data-test="strip-show" @click="show('strip', stripDrawing)">Show it</v-btn>
    <v-btn :disabled="writing" data-test="strip-pdf" @click="save([stripDrawing], 'digit strip')">PDF</v-btn>
    <span class="quiet small"
      >{{ fixed(Math.PI * strip.diameter, 2) }} mm long, {{ digits.length }} parts</span
    >
  </p>
  <p v-else class="error-text">Write what the wheel shows, such as 0 1 2 3.</p>
</template>

<style scoped>
.row {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 10px;
  margin: 6px 0;
}

.fields {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0 12px;
}

.digits {
  display: grid;
  gap: 2px;
  font-size: 14px;
}

.small {
  font-size: 13px;
}
</style>
