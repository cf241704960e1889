<script setup lang="ts">
import { setToothForm } from '@tesseron/core/edit';
import { sizedAs } from '@tesseron/core/derive';
import {
  byId,
  circleCount,
  FORMS,
  meshes,
  type SizeBy,
  sizeFigure,
  sizeMeasures,
  TOOTH_FORMS,
  type Toothing,
  type Wheel,
  withSizeFigure,
  LIMITS,
} from '@tesseron/core/machine';
import { setToothing } from '@tesseron/core/change';
import { mm } from '@tesseron/core/units';
import { moduleWorking } from '@tesseron/core/working';
import { nameOf } from '@tesseron/core/words';
import { computed, ref, watch } from 'vue';
import { useWorking } from '../../frame/use-working';
import { useOpen } from '../../machine/use-open';
import LongSelect from '../../parts/LongSelect.vue';
import NumberField from '../../parts/NumberField.vue';
import { sameItems } from '../../parts/same-items';
import DrawnLater from '../../parts/DrawnLater.vue';
import FormFields from './FormFields.vue';

const props = defineProps<{ toothing: Toothing; wheels: readonly Wheel[] }>();
const { machine, derived, change, attempt } = useOpen();
const working = useWorking();
const refused = ref('');
watch(
  () => props.toothing.id,
  () => (refused.value = ''),
);

const forms = TOOTH_FORMS.map(value => ({ value, title: FORMS[value].called }));
const involute = computed(() => (props.toothing.form.kind === 'involute' ? props.toothing.form : undefined));
const size = computed(() => props.toothing.size);
const module = computed(() => derived.value.modules[props.toothing.id]);
const own = computed(() =>
  meshes(machine.value).filter(j => byId(machine.value.wheels, j.a)?.toothing === props.toothing.id),
);
const ways = sameItems(() => [
  { title: 'module', value: 'module' },
  { title: 'diametral pitch', value: 'diametral pitch' },
  { title: 'circular pitch', value: 'circular pitch' },
  ...(involute.value
    ? props.wheels.flatMap(w => [
        { title: `outside diameter of ${w.name || w.id}`, value: `outside diameter ${w.id}` },
        { title: `root diameter of ${w.name || w.id}`, value: `root diameter ${w.id}` },
      ])
    : []),
  ...own.value.map(j => ({
    title: `centre distance of ${nameOf(machine.value, j.id)}`,
    value: `centre distance ${j.id}`,
  })),
]);
const way = computed(() => {
  const { wheel: at, joint } = sizeMeasures(size.value);
  return [size.value.by, at ?? joint].filter(x => x !== undefined).join(' ');
});
const measure = computed(() => {
  return sizeFigure(size.value);
});
const MEASURES: Readonly<Record<SizeBy, { label: string; unit: string; test: string }>> = {
  module: { label: 'Module', unit: 'mm', test: 'module' },
  'diametral pitch': { label: 'Teeth to the inch', unit: '/in', test: 'diametral-pitch' },
  'circular pitch': { label: 'Circular pitch', unit: 'mm', test: 'circular-pitch' },
  'outside diameter': { label: 'Outside diameter', unit: 'mm', test: 'outside' },
  'root diameter': { label: 'Root diameter', unit: 'mm', test: 'root-diameter' },
  'centre distance': { label: 'Centre distance', unit: 'mm', test: 'centre-distance' },
};
const field = computed(() => MEASURES[size.value.by]);

const set = (label: string, value: Partial<Omit<Toothing, 'id'>>): void =>
  change(label, setToothing(props.toothing.id, value));
function setForm(chosen: string): void {
  const kind = TOOTH_FORMS.find(k => k === chosen);
  if (!kind) return;
  refused.value = attempt('Change the tooth form', setToothForm(props.toothing.id, kind));
}

function setWay(chosen: string): void {
  const by = (Object.keys(MEASURES) as SizeBy[]).find(k => chosen === k || chosen.startsWith(`${k} `));
  const next = by && sizedAs(by, chosen.slice(by.length + 1), props.toothing, derived.value);
  if (next) set(`Size by ${next.by}`, { size: next });
}

function setMeasure(value: number): void {
  set(`Set the ${size.value.by}`, { size: withSizeFigure(size.value, value) });
}

function show(): void {
  if (size.value.by !== 'outside diameter') return;
  const wheel = byId(machine.value.wheels, size.value.wheel);
  const count = wheel && circleCount(wheel);
  if (wheel && count !== undefined)
    working.show(moduleWorking(size.value.diameter, count, involute.value?.addendum ?? 1, wheel.shift ?? 0));
}
</script>

<template>
  <v-select
    :model-value="toothing.form.kind"
    :items="forms"
    label="Form of the teeth"
    data-test="tooth-form"
    @update:model-value="setForm"
  />
  <p v-if="refused" class="refused" role="alert">{{ refused }}</p>
  <div class="grid">
    <LongSelect
      :model-value="way"
      :items="ways"
      label="Sized by"
      data-test="sized-by"
      @update:model-value="setWay"
    />
    <NumberField
      :model-value="measure"
      :label="field.label"
      :unit="field.unit"
      :limits="LIMITS.toothSize"
      :data-test="field.test"
      @update:model-value="setMeasure"
    />
  </div>
  <p v-if="size.by !== 'module'" class="derived">
    module <span class="figure">{{ module === undefined ? '–' : mm(module, 4) }}</span>
    <PlainButton v-if="size.by === 'outside diameter'" data-test="module-working" @click="show">
      working
    </PlainButton>
  </p>
  <DrawnLater><FormFields :toothing="toothing" /></DrawnLater>
</template>

<style scoped>
.grid {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 2px 16px;
}

.derived {
  margin: 6px 0;
}

.refused {
  color: var(--stop);
  font-size: 13px;
  margin: 4px 0;
}
</style>
