<script setup lang="ts">
import { kept } from '../../parts/kept-items';
import { placeAs, type PlaceKind } from '@tesseron/core/edit';
import { type Axis, axisOfWheel, byId, meshes, LIMITS } from '@tesseron/core/machine';
import { setAxis, setAxisPlace } from '@tesseron/core/change';
import { nameOf } from '@tesseron/core/words';
import { computed, ref, watch } from 'vue';
import { useOpen } from '../../machine/use-open';
import LongSelect from '../../parts/LongSelect.vue';
import { length, number, type NumberSpec } from '../../parts/number-spec';
import NumberFields from '../../parts/NumberFields.vue';

/** How one axis is placed. */
const props = defineProps<{ axis: Axis }>();
const { machine, derived, change, attempt } = useOpen();
const problem = ref('');
watch(
  () => props.axis.id,
  () => (problem.value = ''),
);

const KINDS: readonly { value: PlaceKind; title: string }[] = [
  { value: 'given', title: 'given by x and y' },
  { value: 'mesh', title: 'at a mesh, in a direction' },
  { value: 'between', title: 'at two meshes, between two axes' },
  { value: 'line', title: 'at a mesh, on a line through an axis' },
  { value: 'polar', title: 'so far from another axis' },
  { value: 'coaxial', title: 'same axis as another' },
  { value: 'mirror', title: 'mirrored from another' },
];
const place = computed(() => props.axis.place);
const others = computed(() =>
  machine.value.axes
    .filter(a => a.id !== props.axis.id)
    .map(a => ({ value: a.id, title: nameOf(machine.value, a.id) })),
);
const joints = computed(() =>
  meshes(machine.value)
    .filter(j =>
      [j.a, j.b].some(id => {
        const wheel = byId(machine.value.wheels, id);
        return wheel && axisOfWheel(machine.value, wheel) === props.axis.id;
      }),
    )
    .map(j => ({ value: j.id, title: nameOf(machine.value, j.id) })),
);

function become(kind: PlaceKind): void {
  const placed = placeAs(props.axis.id, kind, derived.value.positions.at);
  problem.value = attempt('Place an axis in another way', placed);
}

/** Changes one field of the place as it is. */
const set = (more: object): void =>
  change('Place an axis', setAxisPlace(props.axis.id, { ...place.value, ...more } as Axis['place']));
const setJoint = (i: number, id: string): void => {
  if (place.value.kind !== 'between') return;
  const [a, b] = place.value.joints;
  set({ joints: i === 0 ? [id, b] : [a, id] });
};
const setSlot = (joint: string, travel: number): void =>
  change('Slot a bearing', setAxis(props.axis.id, { slot: joint === '' ? undefined : { joint, travel } }));
const shown = (x: number): number => Number(x.toFixed(4));
const FAR = LIMITS.place;
const fields = computed((): NumberSpec[] => {
  const p = place.value;
  if (p.kind === 'given')
    return [
      length('x', shown(p.x), FAR, x => set({ x }), { test: 'place-x' }),
      length('y', shown(p.y), FAR, y => set({ y }), { test: 'place-y' }),
    ];
  if (p.kind === 'between' || p.kind === 'coaxial') return [];
  const angle = number('direction', shown(p.angleDeg), LIMITS.angleDeg, x => set({ angleDeg: x }), {
    unit: '°',
    test: 'place-angle',
  });
  return p.kind === 'polar'
    ? [length('distance', shown(p.radius), LIMITS.polarRadius, x => set({ radius: x })), angle]
    : [angle];
});
const travel = computed((): NumberSpec[] => {
  const { slot } = props.axis;
  return slot ? [length('to either side', slot.travel, LIMITS.slotTravel, x => setSlot(slot.joint, x))] : [];
});
</script>

<template>
  <section data-test="place-editor">
    <h3>{{ nameOf(machine, axis.id) }}</h3>
    <v-select
      :model-value="place.kind"
      :items="kept(KINDS)"
      label="Placed"
      data-test="place-kind"
      @update:model-value="become"
    />
    <p v-if="problem" class="error-text" role="alert" data-test="place-problem">{{ problem }}</p>
    <div class="two">
      <template v-if="place.kind === 'between'">
        <LongSelect
          v-for="i in [0, 1]"
          :key="i"
          :model-value="place.joints[i]"
          :items="joints"
          :label="i === 0 ? 'mesh' : 'and mesh'"
          @update:model-value="setJoint(i, $event)"
        />
        <v-btn data-test="other-side" @click="set({ side: place.side === 'left' ? 'right' : 'left' })"
          >Other side</v-btn
        >
      </template>
      <LongSelect
        v-if="place.kind === 'mesh' || place.kind === 'line'"
        :model-value="place.joint"
        :items="joints"
        label="mesh"
        @update:model-value="set({ joint: $event })"
      />
      <LongSelect
        v-if="place.kind === 'coaxial'"
        :model-value="place.with"
        :items="others"
        label="same axis as"
        @update:model-value="set({ with: $event })"
      />
      <LongSelect
        v-if="place.kind === 'mirror'"
        :model-value="place.of"
        :items="others"
        label="mirrors"
        @update:model-value="set({ of: $event })"
      />
      <LongSelect
        v-if="place.kind === 'polar'"
        :model-value="place.from"
        :items="others"
        label="from"
        @update:model-value="set({ from: $event })"
      />
      <LongSelect
        v-if="place.kind === 'line' || place.kind === 'mirror'"
        :model-value="place.through"
        :items="others"
        :label="place.kind === 'line' ? 'line through' : 'mirror through'"
        @update:model-value="set({ through: $event })"
      />
      <NumberFields :fields="fields" />
      <v-btn v-if="place.kind === 'line'" data-test="other-side" @click="set({ further: !place.further })"
        >Other place</v-btn
      >
    </div>
    <div v-if="machine.layout.plates && joints.length > 0" class="two">
      <v-select
        :model-value="axis.slot?.joint ?? ''"
        :items="[
          { value: '', title: 'round holes' },
          ...joints.map(j => ({ ...j, title: `slots, to set ${j.title}` })),
        ]"
        label="Bearings"
        data-test="slot"
        @update:model-value="setSlot($event, axis.slot?.travel ?? 1)"
      />
      <NumberFields :fields="travel" />
    </div>
  </section>
</template>

<style scoped>
.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0 14px;
  align-items: center;
}
</style>
