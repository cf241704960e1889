<script setup lang="ts">
import { kept } from '../../parts/kept-items';
import { circleCount, type Wheel, LIMITS, recounted, ringWithin } from '@tesseron/core/machine';
import { setWheel } from '@tesseron/core/change';
import { wheelFigures } from '@tesseron/core/ask';
import { mm } from '@tesseron/core/units';
import { undercutWorking } from '@tesseron/core/working';
import { wheelName } from '@tesseron/core/words';
import { computed } from 'vue';
import { useWorking } from '../../frame/use-working';
import { useOpen } from '../../machine/use-open';
import NumberField from '../../parts/NumberField.vue';
import DrawnLater from '../../parts/DrawnLater.vue';
import BodyEditor from './BodyEditor.vue';
import MountEditor from './MountEditor.vue';

const props = defineProps<{ wheel: Wheel; helixDeg: number }>();
const { derived, change } = useOpen();
const working = useWorking();
const state = computed(() => derived.value.wheels[props.wheel.id]);
const isInvolute = computed(() =>
  ['involute', 'involute ring', 'bevel'].includes(state.value?.teeth.family ?? ''),
);
const figures = computed(() =>
  wheelFigures(derived.value, props.wheel, props.helixDeg).map(
    ([name, value]) => [name, mm(value, 3)] as const,
  ),
);
/** The ring outside whose rim its teeth stand. */
const rim = computed(() => ringWithin(derived.value.machine, props.wheel));
const set = (what: string, value: Partial<Omit<Wheel, 'id'>>): void =>
  change(`${what} of ${props.wheel.name}`, setWheel(props.wheel.id, value));
const HANDS = [
  { value: 'right', title: 'right-hand' },
  { value: 'left', title: 'left-hand' },
] as const;
</script>

<template>
  <div class="wheel">
    <h3>{{ wheelName(wheel) }}</h3>
    <div class="grid">
      <NumberField
        :model-value="circleCount(wheel)"
        label="Teeth"
        :limits="LIMITS.countDrawn"
        whole
        data-test="teeth-count"
        @update:model-value="set('Teeth', { teeth: recounted(wheel.teeth, $event) })"
      />
      <NumberField
        v-if="isInvolute"
        :model-value="wheel.shift ?? 0"
        label="Profile shift"
        unit="m"
        :limits="LIMITS.shift"
        data-test="shift"
        @update:model-value="set('Profile shift', { shift: $event })"
      />
      <NumberField
        v-if="isInvolute"
        :model-value="wheel.shorten ?? 0"
        label="Tips cut down"
        unit="m"
        :limits="LIMITS.shorten"
        data-test="shorten"
        @update:model-value="set('Tips', { shorten: $event })"
      />
      <v-select
        v-if="helixDeg > 0"
        :model-value="wheel.hand ?? 'right'"
        :items="kept(HANDS)"
        label="Hand"
        data-test="hand"
        @update:model-value="set('Hand', { hand: $event })"
      />
    </div>
    <p v-if="rim" class="quiet" data-test="one-part-with">
      One part with {{ wheelName(rim) }}: bore and body are its.
    </p>
    <DrawnLater v-else><BodyEditor :wheel="wheel" /></DrawnLater>
    <MountEditor v-if="wheel.role === 'ring'" :wheel="wheel" />
    <dl>
      <div v-for="[name, value] in figures" :key="name">
        <dt>{{ name }}</dt>
        <dd class="figure">{{ value }}</dd>
      </div>
    </dl>
    <PlainButton
      v-if="state?.spec"
      data-test="undercut-working"
      @click="working.show(undercutWorking(state.spec))"
    >
      least teeth without undercut
    </PlainButton>
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
</style>
