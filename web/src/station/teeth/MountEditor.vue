<script setup lang="ts">
import {
  circleCount,
  type Wheel,
  LIMITS,
  recounted,
  teethOutside,
  USUAL_LUG_HOLE,
} from '@tesseron/core/machine';
import { setWheel } from '@tesseron/core/change';
import { addTeethOutside, deletionOf, usualOutside } from '@tesseron/core/edit';
import { computed } from 'vue';
import { useOpen } from '../../machine/use-open';
import { kept } from '../../parts/kept-items';
import { length, number, type NumberSpec } from '../../parts/number-spec';
import NumberFields from '../../parts/NumberFields.vue';

/** How a ring is joined to what bears it: by lugs to the plates, or by a wall to its arbor. */
const props = defineProps<{ wheel: Wheel }>();
const { derived, machine, change, attempt } = useOpen();
type Mount = NonNullable<Wheel['mount']>;
const WAYS = [
  { value: 'none', title: 'nothing said' },
  { value: 'lugs', title: 'lugs, for rods in the plates' },
  { value: 'front', title: 'a wall at the front, on its arbor' },
  { value: 'back', title: 'a wall at the back, on its arbor' },
] as const;
type Way = (typeof WAYS)[number]['value'];
const way = computed((): Way => {
  const { mount } = props.wheel;
  return mount?.kind === 'lugs' ? 'lugs' : mount?.kind === 'wall' ? mount.side : 'none';
});
const set = (mount: Mount | undefined): void =>
  change(`What holds ${props.wheel.name}`, setWheel(props.wheel.id, { mount } as Partial<Wheel>));
function take(to: Way): void {
  if (to === 'none') set(undefined);
  else set(to === 'lugs' ? { kind: 'lugs', number: 3, hole: USUAL_LUG_HOLE } : { kind: 'wall', side: to });
}
/** Teeth in the outside of its rim, which are one part with it. */
const outside = computed(() => teethOutside(machine.value, props.wheel));
function cut(count: number): void {
  const there = outside.value;
  if (there) change(`Teeth of ${there.name}`, setWheel(there.id, { teeth: recounted(there.teeth, count) }));
  else attempt(`Teeth outside ${props.wheel.name}`, addTeethOutside(props.wheel.id, count));
}
const outsideField = computed((): NumberSpec[] => {
  const there = outside.value;
  // Only involute teeth are cut on both sides.
  if (!there && derived.value.wheels[props.wheel.id]?.teeth.family !== 'involute ring') return [];
  return [
    number('Teeth outside', there && circleCount(there), LIMITS.countDrawn, cut, {
      ...{
        whole: true,
        test: 'teeth-outside',
        hint: `left empty: none; ${usualOutside(props.wheel)} leave a rim`,
      },
      ...(there && {
        clear: () =>
          change(`Take the teeth outside ${props.wheel.name} away`, m => deletionOf(m, there.id).machine),
      }),
    }),
  ];
});
const fields = computed((): NumberSpec[] => {
  const { mount } = props.wheel;
  if (mount?.kind !== 'lugs') return [];
  const { circle: _, ...plain } = mount;
  return [
    number('Lugs', mount.number, LIMITS.lugs, x => set({ ...mount, number: x }), {
      whole: true,
      test: 'lugs',
    }),
    length('Holes Ø', mount.hole, LIMITS.lugHole, x => set({ ...mount, hole: x }), { test: 'lug-hole' }),
    length('Circle Ø', mount.circle, LIMITS.largestOutside, x => set({ ...mount, circle: x }), {
      hint: 'left empty: just outside the rim',
      clear: () => set(plain),
    }),
    number('First at', mount.angleDeg ?? 0, LIMITS.angleDeg, x => set({ ...mount, angleDeg: x }), {
      unit: '°',
    }),
  ];
});
</script>

<template>
  <div class="grid">
    <v-select
      :model-value="way"
      :items="kept(WAYS)"
      label="Held by"
      data-test="mount"
      @update:model-value="take"
    />
    <NumberFields :fields="[...fields, ...outsideField]" />
  </div>
</template>

<style scoped>
.grid {
  display: grid;
  grid-template-columns: 1fr 1fr 1fr;
  gap: 2px 16px;
}
</style>
