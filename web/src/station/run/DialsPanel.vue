<script setup lang="ts">
import { addIndicator } from '@tesseron/core/change';
import { readIndicator } from '@tesseron/core/indicator';
import { inProportion, newIndicator, type Scaling, withHandAndDial } from '@tesseron/core/indicators';
import { indicatorFacts } from '@tesseron/core/ask';
import { arbors, byId, LIMITS } from '@tesseron/core/machine';
import type { Problem } from '@tesseron/core/result';
import { nameOf, sayProblem, sayReading } from '@tesseron/core/words';
import { computed, ref, shallowRef } from 'vue';
import { useOpen } from '../../machine/use-open';
import NumberField from '../../parts/NumberField.vue';
import { useClock } from '../../run/clock';
import IndicatorEditor from './IndicatorEditor.vue';

/** Hands, dials, globes and bodies: added, looked at, designed. */
const { machine, derived, change } = useOpen();
const clock = useClock();
const chosen = ref<string>();
const problem = shallowRef<Problem>();
const indicators = computed(() => machine.value.indicators);
const open = computed(() => byId(indicators.value, chosen.value));
const facts = computed(() => indicatorFacts(derived.value));
const rows = computed(() =>
  indicators.value.map(i => {
    const reading =
      i.kind === 'dial' && i.member === 'ground' ? undefined : readIndicator(facts.value, i, clock.turns);
    return { id: i.id, name: i.name || i.kind, kind: i.kind, reads: reading ? sayReading(reading) : '' };
  }),
);
const items = computed(() => {
  const shown = new Set(machine.value.aims.flatMap(a => a.member ?? []));
  const all = arbors(machine.value);
  return [...all.filter(a => shown.has(a.id)), ...all.filter(a => !shown.has(a.id))].map(a => ({
    value: a.id,
    title: nameOf(machine.value, a.id),
  }));
});
const asked = ref<string>();
const member = computed(() => byId(arbors(machine.value), asked.value)?.id ?? items.value[0]?.value);

/** About as large as the wheels of its arbor, to begin with. */
function radiusFor(id: string): number {
  const tips = machine.value.wheels.flatMap(w =>
    w.member === id ? (derived.value.extents[w.id]?.outer ?? []) : [],
  );
  return Math.max(15, Math.round(Math.max(0, ...tips)));
}
function add(kind: 'hand and dial' | 'hand' | 'dial' | 'globe' | 'body'): void {
  const on = member.value;
  if (on === undefined) return;
  if (kind === 'hand and dial') {
    const made = withHandAndDial(machine.value, derived.value.train.rates, on, radiusFor(on));
    change('Add a hand and its dial', () => made.machine);
    chosen.value = made.dial;
    return;
  }
  const made = newIndicator(machine.value, kind, on, radiusFor(on));
  change(`Add a ${kind}`, addIndicator(made));
  chosen.value = made.id;
}
const KINDS = ['hand and dial', 'hand', 'dial', 'globe', 'body'] as const;

const farthest = ref(100);
const largest = ref(6);
const scaling = ref<Scaling>('roots');
const bodies = computed(() => indicators.value.filter(i => i.kind === 'body').length);
function proportion(): void {
  const next = inProportion(machine.value, farthest.value, largest.value, scaling.value);
  problem.value = next.ok ? undefined : next.problem;
  if (next.ok) change('Bodies in proportion', () => next.value);
}
</script>

<template>
  <p v-if="rows.length === 0" class="quiet">
    No hands or dials yet. Choose what is to be shown; the dial begins with what its output counts.
  </p>
  <table v-else class="ruled" data-test="indicators">
    <tbody>
      <tr v-for="r in rows" :key="r.id" :class="{ chosen: r.id === chosen }">
        <td>
          <PlainButton :aria-expanded="r.id === chosen" @click="chosen = chosen === r.id ? undefined : r.id">
            {{ r.name }}
          </PlainButton>
        </td>
        <td class="quiet">{{ r.kind }}</td>
        <td class="figure">{{ r.reads }}</td>
      </tr>
    </tbody>
  </table>
  <IndicatorEditor v-if="open" :key="open.id" :indicator="open" />
  <h3>Add</h3>
  <v-select
    :model-value="member"
    :items="items"
    label="Add it to"
    data-test="add-on"
    @update:model-value="asked = $event"
  />
  <p class="acts">
    <v-btn v-for="k in KINDS" :key="k" :data-test="`add-${k.replaceAll(' ', '-')}`" @click="add(k)">{{
      k
    }}</v-btn>
  </p>
  <template v-if="bodies > 0">
    <h3>Bodies in proportion</h3>
    <div class="fields">
      <NumberField
        v-model="farthest"
        label="Farthest at"
        unit="mm"
        :limits="LIMITS.farthestBody"
        data-test="farthest"
      />
      <NumberField v-model="largest" label="Largest radius" unit="mm" :limits="LIMITS.largestBody" />
      <v-select
        v-model="scaling"
        :items="['true', 'roots', 'logarithms']"
        label="Scale"
        data-test="scaling"
      />
    </div>
    <p class="acts"><v-btn data-test="in-proportion" @click="proportion">Set them so</v-btn></p>
    <p v-if="problem" class="error-text" role="alert">{{ sayProblem(problem) }}</p>
    <p class="quiet small">
      From the mean distances and radii of the true ones (Standish; IAU 2015; from memory). True keeps all
      proportions; roots and logarithms draw the span together.
    </p>
  </template>
</template>

<style scoped>
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin: 8px 0;
}

.fields {
  display: grid;
  grid-template-columns: 1fr 1fr 1fr;
  gap: 0 12px;
}

.small {
  font-size: 13px;
}
</style>
