<script setup lang="ts">
import { kept } from '../../parts/kept-items';
import { writeCsv } from '@tesseron/core/format/csv';
import { writeDxf } from '@tesseron/core/format/dxf';
import { writeSvg } from '@tesseron/core/format/svg';
import { bearingAllowance } from '@tesseron/core/layout';
import { type Layout, LIMITS } from '@tesseron/core/machine';
import { newPillar, onPlank, shapePlates } from '@tesseron/core/edit';
import { setLayout, setPlates } from '@tesseron/core/change';
import { drillingTable, fileName, plateDrawing } from '@tesseron/core/drawings';
import { fixed, mm } from '@tesseron/core/units';
import { nameOf, sayProblem } from '@tesseron/core/words';
import { computed, ref } from 'vue';
import { saveFile } from '../../keep';
import { useOpen } from '../../machine/use-open';
import { length, type NumberSpec } from '../../parts/number-spec';
import NumberFields from '../../parts/NumberFields.vue';
import TickBox from '../../parts/TickBox.vue';
import { useRows } from '../../parts/use-rows';
import OneOf from '../../parts/OneOf.vue';
import RegionFields from './RegionFields.vue';
import FramePanel from './FramePanel.vue';
import MoreRows from '../../parts/MoreRows.vue';

/** Plates, pillars, bearing holes and the drilling template. */
const side = defineModel<'back' | 'front'>('side', { required: true });
const { machine, derived, change } = useOpen();
const problem = ref('');
type Plates = NonNullable<Layout['plates']>;
const plates = computed(() => machine.value.layout.plates);
const SHAPES: readonly Plates['shape'][] = [
  ...(['round the holes', 'round the wheels', 'rectangle', 'bars', 'a border', 'as the envelope'] as const),
];
const KINDS = [
  { value: 'two', title: 'two, the arbors between' },
  { value: 'plank', title: 'one, with rods that stand' },
] as const;
const FITS: readonly { value: Plates['fit']; title: string }[] = [
  { value: 'sliding', title: 'sliding, common practice' },
  { value: 'free', title: 'free, common practice' },
  { value: 'H7/g6', title: 'H7/g6, ISO 286' },
  { value: 'H8/f7', title: 'H8/f7, ISO 286' },
  { value: 'H9/d9', title: 'H9/d9, ISO 286' },
  { value: 'H11/c11', title: 'H11/c11, ISO 286' },
];
const layers = computed(() => {
  const { lowest, highest } = derived.value.layout.stack;
  return Array.from({ length: highest - lowest + 1 }, (_, i) => ({
    value: lowest + i,
    title: `${lowest + i + 1}`,
  }));
});
const axes = computed(() =>
  machine.value.axes.map(a => ({ value: a.id, title: nameOf(machine.value, a.id) })),
);
const table = computed(() => drillingTable(derived.value));
const rows = computed(() => table.value.rows.filter(r => r[0] === side.value));

const set = (what: string, next: Plates | undefined): void => change(what, setLayout({ plates: next }));
function toggle(on: boolean): void {
  const made: Plates = {
    thickness: machine.value.stack.thickness,
    margin: 8,
    shape: 'round the holes',
    fit: 'sliding',
    pillars: [],
  };
  set(on ? 'Stand it between plates' : 'Take the plates away', on ? made : undefined);
}
const kind = computed({
  get: () => (plates.value?.plank ? ('plank' as const) : ('two' as const)),
  set: k => change(k === 'plank' ? 'Stand it on a plank' : 'Stand it between plates', onPlank(k === 'plank')),
});
const more = (to: Parameters<typeof setPlates>[0]): void => change('Change the plates', setPlates(to));
function addPillar(): void {
  if (!plates.value) return;
  const pillar = newPillar(derived.value);
  set('Add a pillar', { ...plates.value, pillars: [...plates.value.pillars, pillar] });
}
const setPillar = (id: string, to: Partial<Plates['pillars'][number]>): void =>
  more({ pillars: (plates.value?.pillars ?? []).map(p => (p.id === id ? { ...p, ...to } : p)) });
const removePillar = (id: string): void =>
  more({ pillars: (plates.value?.pillars ?? []).filter(p => p.id !== id) });
const sizes = computed((): NumberSpec[] =>
  plates.value
    ? [
        length('thickness', plates.value.thickness, LIMITS.stackThickness, x => more({ thickness: x }), {
          test: 'plate-thickness',
        }),
        length('margin', plates.value.margin, LIMITS.plateMargin, x => more({ margin: x })),
      ]
    : [],
);
const bars = computed((): NumberSpec[] => [
  length('bars across', plates.value?.barWidth, LIMITS.barWidth, x => more({ barWidth: x }), {
    clear: () => more({ barWidth: undefined }),
    test: 'bar-width',
  }),
]);
const pillarFields = (p: Plates['pillars'][number], i: number): NumberSpec[] => [
  length(`${i + 1}: x`, p.x, LIMITS.place, x => setPillar(p.id, { x })),
  length('y', p.y, LIMITS.place, y => setPillar(p.id, { y })),
  length('across', p.diameter, LIMITS.pillarDiameter, x => setPillar(p.id, { diameter: x })),
];
const allowance = computed(
  () =>
    plates.value &&
    [3, 6].map(d => `${mm(bearingAllowance(plates.value?.fit ?? 'free', d), 3)} at ${d} mm`).join(', '),
);

async function save(kind: 'svg' | 'dxf'): Promise<void> {
  const drawing = plateDrawing(derived.value, side.value);
  problem.value = drawing.ok ? '' : sayProblem(drawing.problem);
  if (!drawing.ok) return;
  const name = fileName([machine.value.name, `${side.value} plate`], kind);
  if (kind === 'svg') await saveFile(writeSvg(drawing.value), name);
  else await saveFile(writeDxf(drawing.value), name);
}
const saveTable = (): Promise<boolean> =>
  saveFile(writeCsv(table.value), fileName([machine.value.name, 'holes'], 'csv'));
const plateRows = useRows(() => rows.value);
</script>

<template>
  <TickBox
    :model-value="plates !== undefined"
    label="Arbors stand in plates"
    data-test="plates"
    @update:model-value="toggle($event)"
  />
  <template v-if="plates">
    <OneOf v-model="kind" label="Plates" :choices="KINDS" test="plates-of" />
    <div class="three">
      <NumberFields :fields="sizes" />
    </div>
    <div class="two">
      <v-select
        :model-value="plates.shape"
        :items="kept(SHAPES)"
        label="cut"
        data-test="plate-shape"
        @update:model-value="$event && change('Shape the plates', shapePlates(derived, $event))"
      />
      <v-select
        :model-value="plates.back ?? derived.layout.stack.lowest"
        :items="layers"
        label="back below layer"
        @update:model-value="more({ back: $event })"
      />
      <v-select
        v-if="!plates.plank"
        :model-value="plates.front ?? derived.layout.stack.highest"
        :items="layers"
        label="front above layer"
        @update:model-value="more({ front: $event })"
      />
      <v-select
        :model-value="plates.fit"
        :items="kept(FITS)"
        label="bearing holes"
        data-test="bearing-fit"
        @update:model-value="more({ fit: $event })"
      />
    </div>
    <div v-if="plates.shape === 'bars'" class="three"><NumberFields :fields="bars" /></div>
    <RegionFields
      v-if="plates.shape === 'a border' && plates.border"
      :model-value="plates.border"
      @update:model-value="more({ border: $event })"
    />
    <p class="quiet small" data-test="allowance">
      Holes are wider by {{ allowance
      }}<template v-if="plates.fit.startsWith('H')">, the middle of the fit (ISO 286, from memory)</template>.
    </p>
    <template v-if="!plates.plank">
      <h3>Pillars</h3>
      <div v-for="(p, i) in plates.pillars" :key="p.id" class="four" data-test="pillar">
        <NumberFields :fields="pillarFields(p, i)" />
        <PlainButton :aria-label="`Take pillar ${i + 1} away`" @click="removePillar(p.id)">
          away
        </PlainButton>
      </div>
      <p><v-btn data-test="add-pillar" @click="addPillar">Add a pillar</v-btn></p>
    </template>
    <FramePanel />
    <h3>Holes of the {{ side }} plate, mm</h3>
    <p class="acts">
      <BoxedButton
        v-for="s in plates.plank ? (['back'] as const) : (['back', 'front'] as const)"
        :key="s"
        :aria-pressed="side === s"
        :data-test="`side-${s}`"
        @click="side = s"
      >
        {{ s }}
      </BoxedButton>
      <v-select
        :model-value="plates.datum ?? ''"
        :items="[{ value: '', title: 'the drive' }, ...axes]"
        label="measured from"
        data-test="datum"
        @update:model-value="more({ datum: $event || undefined })"
      />
    </p>
    <table class="ruled" data-test="holes">
      <thead>
        <tr>
          <th scope="col">hole</th>
          <th scope="col" class="figure">x</th>
          <th scope="col" class="figure">y</th>
          <th scope="col" class="figure">across</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="r in plateRows.shown.value" :key="String(r[1])">
          <td>
            {{ r[1] }} {{ r[2] }}<span v-if="Number(r[7]) > 0" class="quiet"> slot {{ r[7] }}</span>
          </td>
          <td class="figure">{{ fixed(Number(r[4]), 2) }}</td>
          <td class="figure">{{ fixed(Number(r[5]), 2) }}</td>
          <td class="figure">{{ fixed(Number(r[6]), 2) }}</td>
        </tr>
      </tbody>
    </table>
    <MoreRows :left="plateRows.left.value" :more="plateRows.more" />
    <p class="acts">
      <v-btn data-test="template-svg" @click="save('svg')">Template, SVG</v-btn>
      <v-btn data-test="template-dxf" @click="save('dxf')">DXF</v-btn>
      <v-btn data-test="holes-csv" @click="saveTable">Holes, CSV</v-btn>
    </p>
    <p v-if="problem" class="error-text" role="alert">{{ problem }}</p>
  </template>
</template>

<style scoped>
.three,
.four {
  display: grid;
  grid-template-columns: 1fr 1fr 1fr;
  gap: 0 12px;
  align-items: center;
}

.four {
  grid-template-columns: 1fr 1fr 1fr auto;
}

.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0 12px;
  align-items: center;
}

.acts {
  display: flex;
  gap: 8px;
  align-items: center;
}

.acts .boxed[aria-pressed='true'] {
  border-color: var(--ink);
  font-weight: 600;
}

.small {
  font-size: 13px;
}
</style>
