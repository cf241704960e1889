<script setup lang="ts">
import { removePose } from '@tesseron/core/change';
import { movedSince, namePose, poseTurns } from '@tesseron/core/edit';
import { exactTurns, turnsText } from '@tesseron/core/motion';
import { parseDecimal } from '@tesseron/core/rational';
import type { Problem } from '@tesseron/core/result';
import { nameOf, sayProblem } from '@tesseron/core/words';
import { computed, ref, shallowRef } from 'vue';
import { useOpen } from '../../machine/use-open';
import { useClock } from '../../run/clock';
import StepsPanel from './StepsPanel.vue';
import HandsPanel from './HandsPanel.vue';
import { dateAt, turnsAtDate } from '../../run/readings';

/** Sets the whole machine: to a date, to turns of the drive, to a named position. */
const { machine, derived, change } = useOpen();
const clock = useClock();
const problem = shallowRef<Problem>();
const text = ref('');
const name = ref('');
const current = ref<string>();
const turnSeconds = computed(() => derived.value.driveSeconds ?? derived.value.standsFor);
const now = computed(() => dateAt(machine.value, turnSeconds.value, clock.turns));

function setDate(typed: string): void {
  const turns = turnsAtDate(machine.value, turnSeconds.value, typed);
  problem.value = turns.ok ? undefined : turns.problem;
  if (turns.ok) clock.set(turns.value);
}
function setTurns(typed: string): void {
  const turns = parseDecimal(typed.trim());
  problem.value = turns.ok ? undefined : { code: 'pose-number', data: { text: typed } };
  if (turns.ok) clock.set(exactTurns(turns.value));
}
function keep(): void {
  const named = namePose(derived.value, name.value, clock.turns);
  problem.value = named.ok ? undefined : named.problem;
  if (!named.ok) return;
  current.value = named.value.poses.find(p => p.name === name.value.trim())?.id;
  change('Name a pose', () => named.value);
  name.value = '';
}
const poses = computed(() =>
  machine.value.poses.map(p => ({
    pose: p,
    turns: Number(p.turns).toLocaleString('en', { maximumFractionDigits: 3 }),
    moved: movedSince(derived.value, p).map(id => nameOf(machine.value, id)),
  })),
);
function go(id: string | undefined): void {
  const pose = machine.value.poses.find(p => p.id === id);
  if (!pose) return;
  current.value = pose.id;
  clock.set(poseTurns(pose));
}
function step(by: number): void {
  const { poses: all } = machine.value;
  const at = all.findIndex(p => p.id === current.value);
  go(all[(at + by + all.length) % all.length]?.id);
}
const remove = (id: string): void => change('Forget a pose', removePose(id));
</script>

<template>
  <v-text-field
    v-model="text"
    label="Set to a date, UTC"
    :hint="now ? `now ${now}` : 'such as 2026-03-01 06:30'"
    persistent-hint
    data-test="set-date"
    @keydown.enter="setDate(text)"
    @change="setDate(text)"
  />
  <v-text-field
    :model-value="turnsText(clock.turns)"
    label="Turns of the drive"
    data-test="set-turns"
    @change="setTurns(($event.target as HTMLInputElement).value)"
  />
  <p v-if="problem" class="error-text" role="alert" data-test="set-problem">{{ sayProblem(problem) }}</p>
  <HandsPanel />
  <StepsPanel />
  <h3>Poses</h3>
  <div class="new">
    <v-text-field
      v-model="name"
      label="Name this position"
      maxlength="120"
      data-test="pose-name"
      @keydown.enter="keep"
    />
    <v-btn data-test="keep-pose" @click="keep">Keep it</v-btn>
  </div>
  <p v-if="poses.length > 1" class="acts">
    <v-btn data-test="pose-before" @click="step(-1)">‹ pose</v-btn>
    <v-btn data-test="pose-next" @click="step(1)">pose ›</v-btn>
  </p>
  <table v-if="poses.length > 0" class="ruled" data-test="poses">
    <tbody>
      <tr v-for="p in poses" :key="p.pose.id" :class="{ chosen: current === p.pose.id }">
        <td>
          <PlainButton @click="go(p.pose.id)">{{ p.pose.name }}</PlainButton>
          <p v-if="p.moved.length > 0" class="moved" data-test="pose-moved">
            stands otherwise than when it was named, as trains have changed: {{ p.moved.join(', ') }}
          </p>
        </td>
        <td class="figure">{{ p.turns }} turns</td>
        <td>
          <PlainButton :aria-label="`Forget ${p.pose.name}`" @click="remove(p.pose.id)"> forget </PlainButton>
        </td>
      </tr>
    </tbody>
  </table>
  <p v-else class="quiet">None yet.</p>
</template>

<style scoped>
.new {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 10px;
  align-items: center;
}

.acts {
  display: flex;
  gap: 8px;
}

.moved {
  color: var(--warn);
  font-size: 13px;
  margin: 0;
}
</style>
