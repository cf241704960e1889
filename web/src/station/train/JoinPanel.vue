<script setup lang="ts">
import { JOIN_KINDS, joinFrom, turnsClockwise } from '@tesseron/core/edit';
import { LIMITS, type Member } from '@tesseron/core/machine';
import { computed, ref } from 'vue';
import DialogBox from '../../parts/DialogBox.vue';
import NumberField from '../../parts/NumberField.vue';
import type { Hand } from './use-hand';

/** A joint from the chosen member: of which kind, and to what. */
const props = defineProps<{ hand: Hand; member: Member; wheel?: string | undefined }>();
const open = defineModel<boolean>({ required: true });
const { machine, derived } = props.hand;
const NEW = '';
/** A crank that is easily seen on a bench, mm. */
const USUAL_PIN = 20;
const chosen = ref(JOIN_KINDS[0]);
const to = ref(NEW);
const radius = ref(USUAL_PIN);
/** Points of a rod on which the leading pin can stand: its own, its far end. */
const spots = computed(() => {
  const { member } = props;
  if (member.kind !== 'link') return [];
  return [...(member.points ?? []), { radius: member.length, angleDeg: 0 }].map((p, i, all) => ({
    title: i === all.length - 1 ? 'its far pin' : `its point ${i + 1}`,
    value: i,
    ...p,
  }));
});
const spot = ref(0);
/** Wheels of the member, on whose face the pin can stand; its own arm where none is taken. */
const faces = computed(() => [
  { title: 'an arm of its own', value: NEW },
  ...machine.value.wheels
    .filter(w => w.member === props.member.id && w.role !== 'rack')
    .map(w => ({ title: `the face of ${w.name}`, value: w.id })),
]);
const face = ref(props.wheel ?? NEW);
const kinds = JOIN_KINDS.map(k => ({ title: k.called, value: k }));
const others = computed(() => {
  const wants = chosen.value?.to;
  const there = machine.value.members
    .filter(m => m.id !== props.member.id && (m.kind === 'arbor' || wants === 'pin'))
    .map(m => ({ title: m.name, value: m.id }));
  if (wants === 'slide') return [{ title: 'a new slide', value: NEW }];
  return wants === 'arbor, or a new one' ? [{ title: 'a new arbor', value: NEW }, ...there] : there;
});
const spotPin = computed(() => {
  const at = spots.value[spot.value];
  return at && { radius: at.radius, angleDeg: at.angleDeg };
});
const toNow = computed(() =>
  others.value.some(o => o.value === to.value) ? to.value : others.value[0]?.value,
);

const onFace = computed(() => chosen.value?.sized === 'Pin from the axis' && faces.value.length > 1);

function join(): void {
  const kind = chosen.value;
  if (!kind) return;
  const done = props.hand.make(
    `${kind.called} from ${props.member.name}`,
    'joint',
    joinFrom({
      clockwise: turnsClockwise(machine.value, derived.value.train.rates, props.member.id),
      ...{ kind: kind.kind, from: props.member.id, radius: radius.value, at: derived.value.positions.at },
      ...spotPin.value,
      ...(onFace.value && face.value && { wheel: face.value }),
      ...(toNow.value && { to: toNow.value }),
    }),
  );
  if (done) open.value = false;
}
</script>

<template>
  <DialogBox v-model="open" :title="`Join from ${member.name}`" :width="420" test="join">
    <v-select
      v-model="chosen"
      :items="kinds"
      label="By"
      :menu-props="{ maxHeight: 620 }"
      data-test="join-kind"
    />
    <v-select
      :model-value="toNow"
      :items="others"
      label="To"
      data-test="join-to"
      @update:model-value="to = $event ?? NEW"
    />
    <v-select
      v-if="spots.length > 0"
      v-model="spot"
      :items="spots"
      label="Its pin stands on"
      data-test="join-spot"
    />
    <NumberField
      v-else-if="chosen?.sized"
      v-model="radius"
      :label="chosen.sized"
      :limits="LIMITS.pinOut"
      unit="mm"
      data-test="join-radius"
    />
    <v-select v-if="onFace" v-model="face" :items="faces" label="Its pin stands on" data-test="join-face" />
    <p v-if="hand.refusal.value" class="error-text" role="alert">{{ hand.refusal.value }}</p>
    <p class="acts">
      <v-btn data-test="join-make" @click="join">Join</v-btn>
      <v-btn @click="open = false">Leave it</v-btn>
    </p>
  </DialogBox>
</template>

<style scoped>
.acts {
  display: flex;
  gap: 8px;
}
</style>
