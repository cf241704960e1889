<script setup lang="ts">
import { byId, circleCount, setToothing, type Toothing, type Wheel } from '@tesseron/core/machine';
import { fixed, mm } from '@tesseron/core/units';
import { moduleWorking } from '@tesseron/core/working';
import { wheelName } from '@tesseron/core/words';
import { computed } from 'vue';
import { useWorking } from '../../frame/use-working';
import { useOpen } from '../../machine/use-open';
import NumberField from '../../parts/NumberField.vue';

const props = defineProps<{ toothing: Toothing; wheels: readonly Wheel[] }>();
const { machine, derived, change } = useOpen();
const working = useWorking();

const form = computed(() => (props.toothing.form.kind === 'involute' ? props.toothing.form : undefined));
const size = computed(() => props.toothing.size);
const module = computed(() => derived.value.modules[props.toothing.id]);
const ways = computed(() => [
  { title: 'module', value: '' },
  ...props.wheels.map(w => ({ title: `outside diameter of ${wheelName(w)}`, value: w.id })),
]);
const way = computed(() => (size.value.by === 'outside diameter' ? size.value.wheel : ''));

const set = (label: string, value: Partial<Omit<Toothing, 'id'>>): void =>
  change(label, setToothing(props.toothing.id, value));

function setWay(wheel: string): void {
  const tip = derived.value.wheels[wheel]?.dimensions.theoreticalTipRadius;
  if (wheel === '')
    set('Size by module', { size: { by: 'module', module: Number((module.value ?? 1).toFixed(4)) } });
  else if (tip)
    set('Size by outside diameter', {
      size: { by: 'outside diameter', wheel, diameter: Number((2 * tip).toFixed(3)) },
    });
}

function setForm(value: Partial<NonNullable<typeof form.value>>): void {
  if (form.value) set('Change the tooth form', { form: { ...form.value, ...value } });
}

function show(): void {
  if (size.value.by !== 'outside diameter') return;
  const wheel = byId(machine.value.wheels, size.value.wheel);
  const count = wheel && circleCount(wheel);
  if (wheel && count !== undefined)
    working.show(moduleWorking(size.value.diameter, count, form.value?.addendum ?? 1, wheel.shift ?? 0));
}
</script>

<template>
  <div class="grid">
    <v-select
      :model-value="way"
      :items="ways"
      label="Sized by"
      data-test="sized-by"
      @update:model-value="setWay"
    />
    <NumberField
      v-if="size.by === 'module'"
      :model-value="size.module"
      label="Module"
      unit="mm"
      :least="0.1"
      :most="50"
      data-test="module"
      @update:model-value="set('Set the module', { size: { by: 'module', module: $event } })"
    />
    <NumberField
      v-else-if="size.by === 'outside diameter'"
      :model-value="size.diameter"
      label="Outside diameter"
      unit="mm"
      :least="1"
      :most="5000"
      data-test="outside"
      @update:model-value="
        size.by === 'outside diameter' &&
        set('Set the outside diameter', { size: { ...size, diameter: $event } })
      "
    />
    <p v-else class="quiet">{{ size.by }}</p>
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
  <div v-if="form" class="grid three">
    <NumberField
      :model-value="form.pressureAngleDeg"
      label="Pressure angle"
      unit="°"
      :least="10"
      :most="35"
      data-test="pressure-angle"
      @update:model-value="setForm({ pressureAngleDeg: $event })"
    />
    <NumberField
      :model-value="toothing.play"
      label="Play, by thinning"
      unit="mm"
      :least="0"
      :most="10"
      data-test="play"
      @update:model-value="set('Set the play', { play: $event })"
    />
    <NumberField
      :model-value="form.fillet"
      label="Root fillet"
      unit="m"
      :least="0"
      :most="1"
      @update:model-value="setForm({ fillet: $event })"
    />
    <NumberField
      :model-value="form.addendum"
      label="Addendum"
      unit="m"
      :least="0.2"
      :most="2"
      @update:model-value="setForm({ addendum: $event })"
    />
    <NumberField
      :model-value="form.dedendum"
      label="Dedendum"
      unit="m"
      :least="0.2"
      :most="2.5"
      @update:model-value="setForm({ dedendum: $event })"
    />
    <p class="quiet rack">{{ fixed(form.pressureAngleDeg, 1) }}° rack, ISO 53 profile A: 1, 1.25, 0.38</p>
  </div>
</template>

<style scoped>
.grid {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 2px 16px;
}

.three {
  grid-template-columns: 1fr 1fr 1fr;
}

.rack {
  font-size: 12px;
  margin: 8px 0 0;
}

.derived {
  margin: 6px 0;
}
</style>
