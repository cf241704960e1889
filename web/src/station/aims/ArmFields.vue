<script setup lang="ts">
import type { ArmFrame } from '@tesseron/core/state';
import type { Aim } from '@tesseron/core/machine';
import { setSeenFrom } from '@tesseron/core/change';
import { type Rational, toNumber } from '@tesseron/core/rational';
import { figure, parseWanted } from '@tesseron/core/units';
import { computed } from 'vue';
import { useOpen } from '../../machine/use-open';
import CheckedField from '../../parts/CheckedField.vue';
import TickBox from '../../parts/TickBox.vue';

/**
 * For an output that an arm carries: the arm's rate, what the wanted figure is meant against, and the change of
 * frame.
 */
const props = defineProps<{ aim: Aim; frame: ArmFrame | undefined }>();
const { change } = useOpen();
type Seen = NonNullable<Aim['seenFrom']>;

const START: Seen = {
  arm: '1 sidereal year',
  armSense: 'with the drive',
  stated: 'against the ground',
  drivenBy: 'the drive',
};
const put = (seen: Seen | undefined): void =>
  change(`Arm of ${props.aim.name}`, setSeenFrom(props.aim.id, seen));
const set = (part: Partial<Seen>): void => put({ ...(props.aim.seenFrom ?? START), ...part });
const rate = (r: Rational): string => figure(toNumber(r), 9);
const lines = computed(() => {
  const f = props.frame;
  if (!f) return [];
  return [
    `arm ${rate(f.arm)}, output against the ground ${rate(f.ground)}`,
    `seen from the arm: ${rate(f.ground)} − ${rate(f.arm)} = ${rate(f.seen)}; its driver ${rate(f.driver)}`,
    `the train on the arm: ${rate(f.seen)} / ${rate(f.driver)} = ${rate(f.ratio)}`,
  ];
});
</script>

<template>
  <TickBox
    :model-value="aim.seenFrom !== undefined"
    label="carried by an arm"
    data-test="aim-arm"
    @update:model-value="put($event ? START : undefined)"
  />
  <template v-if="aim.seenFrom">
    <div class="arm">
      <CheckedField
        :model-value="aim.seenFrom.arm"
        label="The arm turns once in"
        :read="parseWanted"
        data-test="arm-period"
        @update:model-value="set({ arm: $event })"
      />
      <v-select
        :model-value="aim.seenFrom.armSense"
        :items="['with the drive', 'against the drive']"
        label="it turns"
        @update:model-value="set({ armSense: $event })"
      />
      <v-select
        :model-value="aim.seenFrom.stated"
        :items="['against the ground', 'seen from the arm']"
        label="the wanted rate is meant"
        data-test="arm-stated"
        @update:model-value="set({ stated: $event })"
      />
      <v-select
        :model-value="aim.seenFrom.drivenBy"
        :items="['the drive', 'a standing wheel']"
        label="its train is driven by"
        @update:model-value="set({ drivenBy: $event })"
      />
    </div>
    <p v-for="line in lines" :key="line" class="figure line" data-test="arm-working">{{ line }}</p>
  </template>
</template>

<style scoped>
.arm {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0 16px;
}

.line {
  font-size: 13px;
  margin: 2px 0;
  overflow-wrap: anywhere;
}
</style>
