<script setup lang="ts">
import { rowFrom } from '@tesseron/core/edit';
import { factsOf, type Joint, LIMITS } from '@tesseron/core/machine';
import { computed, ref } from 'vue';
import DialogBox from '../../parts/DialogBox.vue';
import NumberField from '../../parts/NumberField.vue';
import type { Hand } from './use-hand';

/** A row made from one joint: alike, each so far on and so far ahead of the one before. */
const props = defineProps<{ hand: Hand; joint: Joint }>();
const open = defineModel<boolean>({ required: true });
const count = ref(8);
const phase = ref<number>();
const dx = ref(props.joint.kind === 'cam' ? 0 : 20);
const dy = ref(0);
const layers = ref(1);
/** Spread over a whole turn where nothing else is typed. */
const phaseNow = computed(() => phase.value ?? Math.round((360 / count.value) * 1e4) / 1e4);
function make(): void {
  const done = props.hand.make(
    `Row of ${count.value}: ${factsOf(props.joint).called}`,
    'joint',
    rowFrom(props.joint.id, {
      ...{ count: count.value, phaseDeg: phaseNow.value, dx: dx.value, dy: dy.value, layers: layers.value },
      at: props.hand.derived.value.positions.at,
    }),
  );
  if (done) open.value = false;
}
</script>

<template>
  <DialogBox v-model="open" :title="`A row of this ${factsOf(joint).called}`" :width="420" test="row">
    <NumberField
      v-model="count"
      label="How many, with this one"
      :limits="LIMITS.rowCount"
      whole
      data-test="row-count"
    />
    <NumberField
      :model-value="phaseNow"
      label="Each ahead by"
      :limits="LIMITS.angleDeg"
      unit="°"
      data-test="row-phase"
      @update:model-value="phase = $event"
    />
    <NumberField
      v-model="dx"
      label="Each further to the right by"
      :limits="LIMITS.rowStep"
      unit="mm"
      data-test="row-dx"
    />
    <NumberField v-model="dy" label="Each higher by" :limits="LIMITS.rowStep" unit="mm" data-test="row-dy" />
    <NumberField
      v-if="joint.kind === 'cam'"
      v-model="layers"
      label="Each so many layers on"
      :limits="LIMITS.rowLayers"
      whole
      data-test="row-layers"
    />
    <p v-if="hand.refusal.value" class="error-text" role="alert">{{ hand.refusal.value }}</p>
    <p>
      <v-btn data-test="row-make" @click="make">Make the row</v-btn>
      <v-btn @click="open = false">Leave it</v-btn>
    </p>
  </DialogBox>
</template>
