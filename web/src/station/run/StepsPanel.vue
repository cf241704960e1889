<script setup lang="ts">
import { loopFrom, ONE_BEAT, ONE_TOOTH, parseLoop, turnsForTeeth } from '@tesseron/core/motion';
import type { Problem } from '@tesseron/core/result';
import { toNumber } from '@tesseron/core/rational';
import { figure } from '@tesseron/core/units';
import { sayProblem, wheelName } from '@tesseron/core/words';
import { computed, ref, shallowRef } from 'vue';
import { useOpen } from '../../machine/use-open';
import LongSelect from '../../parts/LongSelect.vue';
import { useClock } from '../../run/clock';

/** How far one step goes, a tooth or a beat of a wheel, and a stretch to run over and over. */
const { machine, derived } = useOpen();
const clock = useClock();
const problem = shallowRef<Problem>();
const text = ref('1 turn');
const asked = ref<string>();
const wheels = computed(() =>
  machine.value.wheels
    .filter(w => turnsForTeeth(machine.value, derived.value.train.rates, w.id, ONE_TOOTH) !== undefined)
    .map(w => ({ value: w.id, title: wheelName(w) })),
);
const wheel = computed(
  () => wheels.value.find(w => w.value === asked.value)?.value ?? wheels.value[0]?.value,
);
function stepBy(teeth: typeof ONE_TOOTH): void {
  const turns =
    wheel.value === undefined
      ? undefined
      : turnsForTeeth(machine.value, derived.value.train.rates, wheel.value, teeth);
  if (turns !== undefined) clock.stepSize = turns;
}
function loop(): void {
  const turns = parseLoop(text.value);
  problem.value = turns.ok ? undefined : turns.problem;
  if (turns.ok) clock.loop = loopFrom(clock.turns, turns.value);
}
const looping = computed(() => {
  const l = clock.loop;
  return (
    l &&
    `from ${figure(toNumber({ num: l.from.whole, den: 1n }) + l.from.part, 6)}, ${figure(l.turns, 6)} turns long`
  );
});
</script>

<template>
  <h3>Steps and loops</h3>
  <div v-if="wheels.length > 0" class="two">
    <LongSelect
      :model-value="wheel"
      :items="wheels"
      label="Step by"
      data-test="step-wheel"
      @update:model-value="asked = $event"
    />
    <p class="acts">
      <v-btn data-test="step-tooth" @click="stepBy(ONE_TOOTH)">a tooth</v-btn>
      <v-btn title="Half a tooth: one swing of a pendulum" data-test="step-beat" @click="stepBy(ONE_BEAT)"
        >a beat</v-btn
      >
    </p>
  </div>
  <div class="two">
    <v-text-field
      v-model="text"
      label="Loop over"
      hint="1 turn, 2.5 turns, 90 degrees"
      data-test="loop-text"
      @keydown.enter="loop"
    />
    <p class="acts">
      <v-btn data-test="loop" @click="loop">Loop from here</v-btn>
      <v-btn v-if="clock.loop" data-test="loop-off" @click="clock.loop = undefined">End</v-btn>
    </p>
  </div>
  <p v-if="problem" class="error-text" role="alert" data-test="loop-problem">{{ sayProblem(problem) }}</p>
  <p v-else-if="looping" class="quiet small" data-test="looping">Runs over and over: {{ looping }}.</p>
</template>

<style scoped>
.two {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 12px;
  align-items: center;
}

.acts {
  display: flex;
  gap: 8px;
}

.small {
  font-size: 13px;
}
</style>
