<script setup lang="ts">
import { setArbor, setPlates } from '@tesseron/core/change';
import {
  type BearingChoice,
  bearingChoices,
  hangOnWall,
  standOnBase,
  standOnFeet,
} from '@tesseron/core/edit';
import { LIMITS } from '@tesseron/core/machine';
import { mm } from '@tesseron/core/units';
import { computed } from 'vue';
import { useOpen } from '../../machine/use-open';
import MoreRows from '../../parts/MoreRows.vue';
import { length, type NumberSpec } from '../../parts/number-spec';
import NumberFields from '../../parts/NumberFields.vue';
import TickBox from '../../parts/TickBox.vue';
import { useRows } from '../../parts/use-rows';

/** What the plates stand or hang on, and the ball bearings in them. */
const { machine, derived, change } = useOpen();
const plates = computed(() => machine.value.layout.plates);
const feet = computed((): NumberSpec[] => {
  const now = plates.value?.feet;
  if (!now) return [];
  const set = (to: Partial<typeof now>): void =>
    change('Change the feet', setPlates({ feet: { ...now, ...to } }));
  return [
    length('height', now.height, LIMITS.footSize, x => set({ height: x }), { test: 'foot-height' }),
    length('across', now.diameter, LIMITS.footSize, x => set({ diameter: x })),
  ];
});
const base = computed((): NumberSpec[] => {
  const now = plates.value?.base;
  if (!now) return [];
  const set = (to: Partial<typeof now>): void =>
    change('Change the base', setPlates({ base: { ...now, ...to } }));
  const column = (to: Partial<typeof now.column>): void => set({ column: { ...now.column, ...to } });
  return [
    length('base across', now.across, LIMITS.baseAcross, x => set({ across: x }), { test: 'base-across' }),
    length('thick', now.thickness, LIMITS.footSize, x => set({ thickness: x })),
    length('column high', now.column.height, LIMITS.columnHeight, x => column({ height: x }), {
      test: 'column-height',
    }),
    length('column across', now.column.diameter, LIMITS.footSize, x => column({ diameter: x })),
    length('x', now.x, LIMITS.place, x => set({ x })),
    length('y', now.y, LIMITS.place, y => set({ y })),
  ];
});
const hanger = computed((): NumberSpec[] => {
  const now = plates.value?.hanger;
  if (!now) return [];
  const set = (to: Partial<typeof now>): void =>
    change('Move the keyhole', setPlates({ hanger: { ...now, ...to } }));
  return [
    length('x', now.x, LIMITS.place, x => set({ x })),
    length('y', now.y, LIMITS.place, y => set({ y }), { test: 'hanger-y' }),
    length('screw', now.screw, LIMITS.screwSize, x => set({ screw: x })),
  ];
});
const choices = computed(() => bearingChoices(derived.value));
const rows = useRows(() => choices.value);
const PLAIN = { title: 'a plain hole', value: '' };
const items = ({ choices: all, now }: BearingChoice): { title: string; value: string }[] => [
  PLAIN,
  ...all.map(b => ({ title: `${b.name}: ${b.bore} × ${b.outside} × ${b.width}`, value: b.name })),
  ...(now !== undefined && !all.some(b => b.name === now)
    ? [{ title: `${now}, does not fit`, value: now }]
    : []),
];
const take = (c: BearingChoice, name: string): void =>
  change(`Bearings of ${c.name}`, setArbor(c.arbor, { bearing: name || undefined }));
</script>

<template>
  <template v-if="plates">
    <h3>Stands and hangs on</h3>
    <TickBox
      v-if="!plates.plank"
      :model-value="plates.liftsOff === true"
      label="The front plate lifts off: clips hold it on the pillars"
      data-test="lifts-off"
      @update:model-value="
        change('Fix the front plate otherwise', setPlates({ liftsOff: $event ? true : undefined }))
      "
    />
    <TickBox
      v-if="!plates.plank"
      :model-value="plates.feet !== undefined"
      label="Feet on the ends of the pillars"
      data-test="feet"
      @update:model-value="
        change($event ? 'Stand it on feet' : 'Take the feet away', standOnFeet(derived, $event))
      "
    />
    <div class="three"><NumberFields :fields="feet" /></div>
    <TickBox
      :model-value="plates.base !== undefined"
      label="A round base with a column"
      data-test="base"
      @update:model-value="
        change($event ? 'Stand it on a base' : 'Take the base away', standOnBase(derived, $event))
      "
    />
    <div class="three"><NumberFields :fields="base" /></div>
    <TickBox
      :model-value="plates.hanger !== undefined"
      label="Keyhole for a screw in the wall"
      data-test="hanger"
      @update:model-value="
        change($event ? 'Hang it on a wall' : 'Take the keyhole away', hangOnWall(derived, $event))
      "
    />
    <div class="three"><NumberFields :fields="hanger" /></div>
    <p v-if="plates.hanger" class="quiet small">
      Fix the screw in what bears the weight; a plaster board needs an anchor made for it.
    </p>
    <h3 v-if="choices.length > 0">Arbors turn in</h3>
    <p v-for="c in rows.shown.value" :key="c.arbor" class="pair" data-test="bearing">
      <span>{{ c.name }}, {{ mm(c.across) }}</span>
      <v-select
        v-if="items(c).length > 1"
        :model-value="c.now ?? ''"
        :items="items(c)"
        :label="`bearing of ${c.name}`"
        @update:model-value="take(c, $event)"
      />
      <span v-else class="quiet">a plain hole; no ball bearing has that bore</span>
    </p>
    <MoreRows :left="rows.left.value" :more="rows.more" />
    <p v-if="choices.length > 0" class="quiet small">
      Ball bearings: bore × outside × width, ISO 15 (from memory); measure yours.
    </p>
  </template>
</template>

<style scoped>
.three {
  display: grid;
  grid-template-columns: 1fr 1fr 1fr;
  gap: 0 12px;
}

.pair {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0 12px;
  align-items: center;
  margin: 0;
}

.small {
  font-size: 13px;
}
</style>
