<script setup lang="ts">
import { setToothForm, TOOTH_FORMS, type ToothFormKind } from '@tesseron/core/hand';
import { byId, circleCount, meshes, setToothing, type Toothing, type Wheel } from '@tesseron/core/machine';
import { mm } from '@tesseron/core/units';
import { moduleWorking } from '@tesseron/core/working';
import { nameOf, sayProblem, wheelName } from '@tesseron/core/words';
import { computed, ref, watch } from 'vue';
import { useWorking } from '../../frame/use-working';
import { useOpen } from '../../machine/use-open';
import NumberField from '../../parts/NumberField.vue';
import FormFields from './FormFields.vue';

const props = defineProps<{ toothing: Toothing; wheels: readonly Wheel[] }>();
const { machine, derived, change } = useOpen();
const working = useWorking();
const refused = ref('');
watch(
  () => props.toothing.id,
  () => (refused.value = ''),
);

const TITLES: Readonly<Record<ToothFormKind, string>> = {
  involute: 'involute',
  cycloidal: 'clock, cycloidal',
  lantern: 'lantern pinion and wheel',
  pegs: 'pegs at right angles',
  reducer: 'reducer: lobes in pins',
  magnetic: 'magnets',
};
const forms = TOOTH_FORMS.map(value => ({ value, title: TITLES[value] }));
const involute = computed(() => (props.toothing.form.kind === 'involute' ? props.toothing.form : undefined));
const size = computed(() => props.toothing.size);
const module = computed(() => derived.value.modules[props.toothing.id]);
const own = computed(() =>
  meshes(machine.value).filter(j => byId(machine.value.wheels, j.a)?.toothing === props.toothing.id),
);
const ways = computed(() => [
  { title: 'module', value: 'module' },
  { title: 'diametral pitch', value: 'diametral pitch' },
  { title: 'circular pitch', value: 'circular pitch' },
  ...(involute.value
    ? props.wheels.flatMap(w => [
        { title: `outside diameter of ${wheelName(w)}`, value: `outside diameter ${w.id}` },
        { title: `root diameter of ${wheelName(w)}`, value: `root diameter ${w.id}` },
      ])
    : []),
  ...own.value.map(j => ({
    title: `centre distance of ${nameOf(machine.value, j.id)}`,
    value: `centre distance ${j.id}`,
  })),
]);
const way = computed(() => {
  const s = size.value;
  return 'wheel' in s ? `${s.by} ${s.wheel}` : 'joint' in s ? `${s.by} ${s.joint}` : s.by;
});
const measure = computed(() => {
  const s = size.value;
  return 'module' in s ? s.module : 'pitch' in s ? s.pitch : 'diameter' in s ? s.diameter : s.distance;
});
const MEASURES: Readonly<Record<Toothing['size']['by'], { label: string; unit: string; test: string }>> = {
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
const tidy = (x: number, places = 4): number => Number(x.toFixed(places));

function setForm(chosen: string): void {
  const kind = TOOTH_FORMS.find(k => k === chosen);
  if (!kind) return;
  const made = setToothForm(machine.value, props.toothing.id, kind);
  refused.value = made.ok ? '' : sayProblem(made.problem);
  if (made.ok) change('Change the tooth form', () => made.value);
}

function setWay(chosen: string): void {
  const normal = (module.value ?? 1) * Math.cos(((props.toothing.helixDeg ?? 0) * Math.PI) / 180);
  const [, kind, id] = /^(outside diameter|root diameter|centre distance) (.+)$/.exec(chosen) ?? [];
  if (chosen === 'module') set('Size by module', { size: { by: 'module', module: tidy(normal) } });
  else if (chosen === 'diametral pitch')
    set('Size by diametral pitch', { size: { by: chosen, pitch: tidy(25.4 / normal) } });
  else if (chosen === 'circular pitch')
    set('Size by circular pitch', { size: { by: chosen, pitch: tidy(Math.PI * normal) } });
  else if (id && kind === 'centre distance') {
    const distance = derived.value.meshes[id]?.theoreticalDistance;
    if (distance)
      set('Size by centre distance', { size: { by: kind, joint: id, distance: tidy(distance, 3) } });
  } else if (id && (kind === 'outside diameter' || kind === 'root diameter')) {
    const d = derived.value.wheels[id];
    const radius =
      kind === 'root diameter'
        ? d?.dimensions.rootRadius
        : (d?.involute?.theoreticalTipRadius ?? d?.dimensions.tipRadius);
    if (radius) set(`Size by ${kind}`, { size: { by: kind, wheel: id, diameter: tidy(2 * radius, 3) } });
  }
}

function setMeasure(value: number): void {
  const s = size.value;
  const next: Toothing['size'] =
    'module' in s
      ? { ...s, module: value }
      : 'pitch' in s
        ? { ...s, pitch: value }
        : 'diameter' in s
          ? { ...s, diameter: value }
          : { ...s, distance: value };
  set(`Set the ${s.by}`, { size: next });
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
    <v-select
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
      :least="0.05"
      :most="5000"
      :data-test="field.test"
      @update:model-value="setMeasure"
    />
  </div>
  <p v-if="size.by !== 'module'" class="derived">
    module <span class="figure">{{ module === undefined ? '–' : mm(module, 4) }}</span>
    <button
      v-if="size.by === 'outside diameter'"
      type="button"
      class="plain"
      data-test="module-working"
      @click="show"
    >
      working
    </button>
  </p>
  <FormFields :toothing="toothing" />
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
