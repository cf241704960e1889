<script setup lang="ts">
import { readIndicator } from '@tesseron/core/indicator';
import {
  parseReading,
  setAlone,
  setHandsTo,
  setIndicatorTo,
  turnsForReading,
} from '@tesseron/core/indicators';
import { indicatorFacts } from '@tesseron/core/ask';
import { byId, GROUND } from '@tesseron/core/machine';
import type { Problem } from '@tesseron/core/result';
import { toNumber } from '@tesseron/core/rational';
import { nameOf, sayProblem, sayReading } from '@tesseron/core/words';
import { computed, ref, shallowRef } from 'vue';
import { useOpen } from '../../machine/use-open';
import LongSelect from '../../parts/LongSelect.vue';
import { useClock } from '../../run/clock';
import { exactSecondsAt } from '../../run/readings';

/** Sets hands: the whole to what one of them shall read, one alone on its arbor, all of them to the date. */
const { machine, derived, change } = useOpen();
const clock = useClock();
const problem = shallowRef<Problem>();
const said = ref('');
const text = ref('');
const asked = ref<string>();
const facts = computed(() => indicatorFacts(derived.value));
const moving = computed(() =>
  machine.value.indicators.flatMap(i => {
    if (i.kind === 'dial' && i.member === GROUND) return [];
    const reading = readIndicator(facts.value, i, clock.turns);
    return reading
      ? [{ indicator: i, title: i.name || i.kind, value: i.id, reads: sayReading(reading) }]
      : [];
  }),
);
const one = computed(() => moving.value.find(m => m.value === asked.value) ?? moving.value[0]);

function turnThere(): void {
  const indicator = one.value?.indicator;
  if (!indicator) return;
  const turns = turnsForReading(facts.value, indicator, text.value, clock.turns);
  problem.value = turns.ok ? undefined : turns.problem;
  if (turns.ok) clock.set(turns.value);
}
function setOne(): void {
  const indicator = one.value?.indicator;
  if (!indicator) return;
  const part = parseReading(indicator.reads, text.value);
  const next = part.ok ? setIndicatorTo(facts.value, indicator.id, part.value, clock.turns) : part;
  problem.value = next.ok ? undefined : next.problem;
  if (next.ok) change(`Set ${indicator.name} on its arbor`, () => next.value);
}
function setAll(): void {
  const seconds = exactSecondsAt(
    machine.value,
    derived.value.driveSeconds ?? derived.value.standsFor,
    clock.turns,
  );
  if (!seconds) {
    problem.value = {
      code: machine.value.start === undefined ? 'date-needs-start' : 'date-needs-clock',
      data: {},
    };
    return;
  }
  problem.value = undefined;
  const { machine: next, set, left } = setHandsTo(facts.value, toNumber(seconds), clock.turns);
  const names = (ids: readonly string[]): string =>
    ids.map(id => byId(machine.value.indicators, id)?.name ?? id).join(', ');
  said.value = [
    set.length > 0 ? `Set: ${names(set)}.` : 'Nothing here shows a time of day or a body of the sky.',
    left.length > 0 ? `Left as they were, as nothing tells what they should read: ${names(left)}.` : '',
  ].join(' ');
  if (set.length > 0) change('Set all hands to the date', () => next);
}
const alone = computed(() => {
  const members = [...new Set(moving.value.map(m => m.indicator.member))].filter(
    id => id !== machine.value.drive?.member,
  );
  return members.map(id => {
    const how = setAlone(machine.value, derived.value.flow, id);
    const along = how.along.filter(m => members.includes(m)).map(m => nameOf(machine.value, m));
    return {
      id,
      name: nameOf(machine.value, id),
      by: how.by,
      joint: how.joint === undefined ? '' : nameOf(machine.value, how.joint),
      along: along.join(', '),
      modes: how.modes.map(m => byId(machine.value.modes, m)?.name ?? m).join(', '),
    };
  });
});
const GIVES = { slip: 'it slips', clutch: 'its clutch lets go', ratchet: 'its ratchet runs free' } as const;
</script>

<template>
  <h3>Hands</h3>
  <p v-if="moving.length === 0" class="quiet">Nothing shows a reading yet: add hands and dials at Dials.</p>
  <template v-else>
    <div class="one">
      <LongSelect
        :model-value="one?.value"
        :items="moving"
        label="Which"
        data-test="set-which"
        @update:model-value="asked = $event"
      />
      <v-text-field
        v-model="text"
        label="shall read"
        :hint="`now ${one?.reads ?? ''}`"
        persistent-hint
        data-test="set-reading"
        @keydown.enter="turnThere"
      />
    </div>
    <p class="acts">
      <v-btn data-test="turn-there" @click="turnThere">Turn the drive there</v-btn>
      <v-btn data-test="set-alone" @click="setOne">Set it alone</v-btn>
    </p>
    <p class="acts"><v-btn data-test="set-all" @click="setAll">Set all hands to the date</v-btn></p>
    <p v-if="problem" class="error-text" role="alert" data-test="hands-problem">{{ sayProblem(problem) }}</p>
    <p v-else-if="said" role="status" data-test="hands-said">{{ said }}</p>
    <details data-test="alone">
      <summary>What can be set by itself</summary>
      <ul>
        <li v-for="a in alone" :key="a.id">
          {{ a.name }}:
          <template v-if="a.by">
            turned by hand {{ GIVES[a.by] }} at {{ a.joint
            }}<template v-if="a.along">, and {{ a.along }} turns along</template>.
          </template>
          <template v-else-if="a.modes">loose from the drive in the mode {{ a.modes }}.</template>
          <template v-else
            >turns with the drive; it is set only by loosening what it carries on its arbor.</template
          >
        </li>
      </ul>
    </details>
  </template>
</template>

<style scoped>
.one {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 12px;
}

.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin: 8px 0;
}

ul {
  margin: 4px 0;
  padding-left: 18px;
  font-size: 14px;
}
</style>
