<script setup lang="ts">
import { driveNew, meshWheels, moveToLayer, type NewMeshType } from '@tesseron/core/edit';
import { byId, circleCount, meshes, recounted, type Wheel, LIMITS } from '@tesseron/core/machine';
import { patch, setWheel } from '@tesseron/core/change';
import { nameOf } from '@tesseron/core/words';
import { computed, ref } from 'vue';
import { rackLength, rackTeeth } from '@tesseron/core/tooth';
import { mm } from '@tesseron/core/units';
import SmallChoice from '../../parts/SmallChoice.vue';
import NumberField from '../../parts/NumberField.vue';
import { OPEN_RANGE } from './read-teeth';
import type { Hand } from './use-hand';
import TeethLike from '../../parts/TeethLike.vue';
import TickBox from '../../parts/TickBox.vue';

/** What can be done with the chosen wheel. */
const props = defineProps<{ hand: Hand; wheel: Wheel }>();
const emit = defineEmits<{ delete: [id: string] }>();
const { machine } = props.hand;
const onward = ref(30);
const kind = ref<NewMeshType>('external');
const KINDS = [
  { title: 'beside it', value: 'external' },
  { title: 'as a ring', value: 'internal' },
  { title: 'bevel', value: 'bevel' },
  { title: 'worm wheel', value: 'worm' },
  { title: 'rack', value: 'rack' },
];
const own = computed(() =>
  meshes(machine.value).filter(j => j.a === props.wheel.id || j.b === props.wheel.id),
);
const mate = (j: { a: string; b: string }): string => (j.a === props.wheel.id ? j.b : j.a);

const set = (label: string, change: Partial<Wheel>): boolean =>
  props.hand.act(label, m => ({ ok: true, value: setWheel(props.wheel.id, change)(m) }));
function setOpen(open: boolean): void {
  const count = circleCount(props.wheel) ?? 30;
  const teeth: Wheel['teeth'] = open ? { kind: 'open', ...OPEN_RANGE } : { kind: 'count', count };
  set(open ? `Leave ${props.wheel.name} open` : `Teeth of ${props.wheel.name}`, { teeth });
}
function setRange(end: 'least' | 'most', value: number): void {
  const { teeth } = props.wheel;
  if (teeth.kind !== 'open') return;
  const next = { ...teeth, [end]: value };
  set(`Range of ${props.wheel.name}`, {
    teeth: { ...next, least: Math.min(next.least, next.most), most: Math.max(next.least, next.most) },
  });
}
function rename(name: string): void {
  props.hand.act('Name a wheel', m => ({
    ok: true,
    value: patch('wheels', props.wheel.id, w => ({ ...w, name }))(m),
  }));
}
/** A rack is asked for by its teeth or by its length. */
const by = ref<'teeth' | 'mm'>('teeth');
const length = ref(100);
const module = computed(() => props.hand.derived.value.modules[props.wheel.toothing]);
const byLength = computed(() => kind.value === 'rack' && by.value === 'mm' && module.value !== undefined);
const count = computed(() => (byLength.value ? rackTeeth(length.value, module.value ?? 1) : onward.value));
const rackSaid = computed(() =>
  kind.value === 'rack' && module.value !== undefined
    ? `${count.value} teeth, ${mm(rackLength(count.value, module.value), 2)}`
    : '',
);
function drive(): void {
  props.hand.make(`Drive an arbor from ${props.wheel.name}`, 'member', m =>
    driveNew(props.wheel.id, count.value, kind.value)(m),
  );
}
function meshWith(): void {
  props.hand.ask({
    kind: 'wheel',
    asks: `Choose the wheel that ${props.wheel.name} is to mesh with`,
    take: id => props.hand.make('Put two wheels into mesh', 'joint', meshWheels(props.wheel.id, id)),
  });
}
</script>

<template>
  <section data-test="wheel-tools">
    <h3>Wheel {{ wheel.name }}</h3>
    <v-text-field
      :model-value="wheel.name"
      label="Name"
      maxlength="120"
      @change="rename(($event.target as HTMLInputElement).value)"
    />
    <div class="pair">
      <NumberField
        v-if="wheel.teeth.kind !== 'open'"
        :model-value="circleCount(wheel)"
        label="Teeth"
        :limits="LIMITS.count"
        whole
        :data-test="`count-${wheel.id}`"
        @update:model-value="set(`Teeth of ${wheel.name}`, { teeth: recounted(wheel.teeth, $event) })"
      />
      <div v-else class="range">
        <NumberField
          :model-value="wheel.teeth.least"
          label="From"
          :limits="LIMITS.count"
          whole
          data-test="open-least"
          @update:model-value="setRange('least', $event)"
        />
        <NumberField
          :model-value="wheel.teeth.most"
          label="to"
          :limits="LIMITS.count"
          whole
          data-test="open-most"
          @update:model-value="setRange('most', $event)"
        />
      </div>
      <NumberField
        :model-value="wheel.layer + 1"
        label="Layer"
        :limits="LIMITS.layer"
        whole
        data-test="layer"
        @update:model-value="hand.act(`Layer of ${wheel.name}`, moveToLayer(wheel.id, $event - 1))"
      />
    </div>
    <NumberField
      v-if="wheel.role === 'rack' && module !== undefined && wheel.teeth.kind !== 'open'"
      :model-value="Number(rackLength(circleCount(wheel) ?? 1, module).toFixed(3))"
      label="Long"
      unit="mm"
      :limits="LIMITS.rackLength"
      hint="whole teeth: the nearest"
      data-test="rack-length"
      @update:model-value="
        set(`Length of ${wheel.name}`, { teeth: recounted(wheel.teeth, rackTeeth($event, module ?? 1)) })
      "
    />
    <TickBox
      :model-value="wheel.teeth.kind === 'open'"
      label="leave the count open, for a search to fill"
      data-test="open"
      @update:model-value="setOpen($event)"
    />
    <TeethLike :of="wheel.id" />
    <p v-if="own.length === 0" class="quiet">In mesh with nothing.</p>
    <p v-for="j in own" :key="j.id">
      <PlainButton @click="hand.choose({ kind: 'joint', id: j.id })">
        in mesh with {{ nameOf(machine, mate(j)) }}
      </PlainButton>
    </p>
    <div class="onward">
      <NumberField
        v-if="byLength"
        v-model="length"
        label="Long"
        unit="mm"
        :limits="LIMITS.rackLength"
        data-test="onward-length"
      />
      <NumberField
        v-else
        v-model="onward"
        :label="kind === 'rack' ? 'Teeth' : 'New wheel'"
        :limits="LIMITS.count"
        whole
        data-test="onward-count"
      />
      <v-select v-model="kind" :items="KINDS" label="stands" data-test="onward-kind" />
      <v-btn data-test="drive-new" @click="drive">{{
        kind === 'rack' ? 'Drive it' : 'Drive a new arbor'
      }}</v-btn>
    </div>
    <div v-if="kind === 'rack'" class="acts">
      <SmallChoice
        v-model="by"
        :items="[
          { value: 'teeth', title: 'by teeth' },
          { value: 'mm', title: 'by length' },
        ]"
        label="a rack"
        data-test="rack-by"
      />
      <span class="figure" data-test="rack-said">{{ rackSaid }}</span>
    </div>
    <p class="acts">
      <v-btn data-test="mesh-with" @click="meshWith">Mesh with…</v-btn>
      <v-btn
        v-if="byId(machine.members, wheel.member)"
        @click="hand.choose({ kind: 'member', id: wheel.member })"
        >Its arbor</v-btn
      >
      <v-btn data-test="delete" @click="emit('delete', wheel.id)">Delete…</v-btn>
    </p>
  </section>
</template>

<style scoped>
.pair {
  display: grid;
  grid-template-columns: 1fr 90px;
  gap: 14px;
}

.range {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px;
}

.onward {
  display: grid;
  grid-template-columns: 88px 1fr auto;
  gap: 10px;
  align-items: center;
}

.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin-top: 8px;
}
</style>
