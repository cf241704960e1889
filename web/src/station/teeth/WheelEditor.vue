<script setup lang="ts">
import { circleCount, setWheel, type Wheel } from '@tesseron/core/machine';
import { mm } from '@tesseron/core/units';
import { undercutWorking } from '@tesseron/core/working';
import { wheelName } from '@tesseron/core/words';
import { computed } from 'vue';
import { useWorking } from '../../frame/use-working';
import { useOpen } from '../../machine/use-open';
import NumberField from '../../parts/NumberField.vue';

const props = defineProps<{ wheel: Wheel }>();
const { derived, change } = useOpen();
const working = useWorking();
const state = computed(() => derived.value.wheels[props.wheel.id]);
const figures = computed(() => {
  const d = state.value?.dimensions;
  if (!d) return [];
  return [
    ['pitch Ø', mm(2 * d.pitchRadius, 3)],
    ['base Ø', mm(2 * d.baseRadius, 3)],
    ['outside Ø', mm(2 * d.tipRadius, 3)],
    ['root Ø', mm(2 * d.rootRadius, 3)],
    ['tooth thickness', mm(d.thickness, 3)],
    ['tip thickness', mm(d.tipThickness, 3)],
  ] as const;
});
const bore = computed(() => (props.wheel.bore?.kind === 'round' ? props.wheel.bore.diameter : 0));
const set = (what: string, value: Partial<Omit<Wheel, 'id'>>): void =>
  change(`${what} of ${props.wheel.name}`, setWheel(props.wheel.id, value));
const setBore = (diameter: number): void =>
  set('Bore', { bore: diameter > 0 ? { kind: 'round', diameter } : { kind: 'none' } });
</script>

<template>
  <div class="wheel">
    <h3>{{ wheelName(wheel) }}</h3>
    <div class="grid">
      <NumberField
        :model-value="circleCount(wheel)"
        label="Teeth"
        :least="4"
        :most="1000"
        whole
        data-test="teeth-count"
        @update:model-value="set('Teeth', { teeth: { kind: 'count', count: $event } })"
      />
      <NumberField
        :model-value="wheel.shift ?? 0"
        label="Profile shift"
        unit="m"
        :least="-1"
        :most="1.5"
        data-test="shift"
        @update:model-value="set('Profile shift', { shift: $event })"
      />
      <NumberField
        :model-value="bore"
        label="Bore"
        unit="mm"
        :least="0"
        :most="1000"
        data-test="bore"
        @update:model-value="setBore"
      />
    </div>
    <dl>
      <div v-for="[name, value] in figures" :key="name">
        <dt>{{ name }}</dt>
        <dd class="figure">{{ value }}</dd>
      </div>
    </dl>
    <button
      v-if="state"
      type="button"
      class="plain"
      data-test="undercut-working"
      @click="working.show(undercutWorking(state.spec))"
    >
      least teeth without undercut
    </button>
  </div>
</template>

<style scoped>
.grid {
  display: grid;
  grid-template-columns: 1fr 1fr 1fr;
  gap: 2px 16px;
}

dl {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0 18px;
  margin: 6px 0;
  font-size: 13px;
}

dl div {
  display: flex;
  justify-content: space-between;
}

dt {
  color: var(--muted);
}

dd {
  margin: 0;
}

button {
  font-size: 13px;
}
</style>
