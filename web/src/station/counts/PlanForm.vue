<script setup lang="ts">
import { kept } from '../../parts/kept-items';
import { LIMITS } from '@tesseron/core/machine';
import { type Objective, type School, SCHOOLS } from '@tesseron/core/branches';
import { parseStock } from '@tesseron/core/search';
import { ok, type Result } from '@tesseron/core/result';
import { ppm } from '@tesseron/core/period';
import { toNumber } from '@tesseron/core/rational';
import { figure } from '@tesseron/core/units';
import { sayProblem, saySchool } from '@tesseron/core/words';
import { computed } from 'vue';
import WorkBar from '../../parts/WorkBar.vue';
import { useOpen } from '../../machine/use-open';
import CheckedField from '../../parts/CheckedField.vue';
import NumberField from '../../parts/NumberField.vue';
import type { PlanSearch } from './use-plan-search';
import TickBox from '../../parts/TickBox.vue';

/** What a plan for all outputs is asked. */
const props = defineProps<{ planning: PlanSearch }>();
const { machine } = useOpen();
const { limits, possible, search, best, problem, start } = props.planning;
const names = computed(() => Object.fromEntries(machine.value.aims.map(a => [a.id, a.name])));
const OBJECTIVES = computed<{ title: string; value: Objective }[]>(() => [
  { title: 'least worst error', value: 'worst error' },
  ...(limits.drive === 'given' ? [{ title: 'least worst drift', value: 'worst drift' as const }] : []),
  { title: 'least sum of errors', value: 'sum of errors' },
  { title: 'fewest different counts', value: 'different counts' },
]);
const DRIVES = [
  { title: 'as given at Aims', value: 'given' },
  { title: 'free: the crank may turn at any speed', value: 'free' },
] as const;
const readStock = (text: string): Result<unknown> => (text === '' ? ok([]) : parseStock(text));

const toggled = <T extends string>(list: readonly T[], item: T): T[] =>
  list.includes(item) ? list.filter(x => x !== item) : [...list, item];
const toggleSchool = (school: School): void => void (limits.schools = toggled(limits.schools, school));
const toggleOutput = (id: string): void => void (limits.outputs = toggled(limits.outputs, id));
</script>

<template>
  <form @submit.prevent="start">
    <fieldset>
      <legend>Outputs, the innermost first</legend>
      <TickBox
        v-for="o in possible"
        :key="o.id"
        :model-value="limits.outputs.includes(o.id)"
        :label="names[o.id]"
        @update:model-value="toggleOutput(o.id)"
      />
      <p v-if="possible.length < 2" class="quiet">Name two outputs or more at Aims.</p>
    </fieldset>
    <fieldset>
      <legend>Driven</legend>
      <TickBox
        v-for="s in SCHOOLS"
        :key="s"
        :data-test="`school-${s.replace(' ', '-')}`"
        :model-value="limits.schools.includes(s)"
        :label="saySchool(s)"
        @update:model-value="toggleSchool(s)"
      />
    </fieldset>
    <v-select
      v-model="limits.drive"
      :items="kept(DRIVES)"
      label="Speed of the drive"
      data-test="plan-drive"
    />
    <v-select v-model="limits.objective" :items="OBJECTIVES" label="Wanted" data-test="plan-objective" />
    <NumberField
      v-if="limits.objective === 'different counts'"
      v-model="limits.errorPpm"
      label="Error up to"
      :limits="LIMITS.errorPpm"
      unit="ppm"
      data-test="plan-error"
    />
    <div class="row">
      <NumberField v-model="limits.least" label="Least teeth" :limits="LIMITS.planCount" whole />
      <NumberField v-model="limits.most" label="Most teeth" :limits="LIMITS.planCount" whole />
      <NumberField v-model="limits.module" label="Module" :limits="LIMITS.module" unit="mm" />
    </div>
    <div class="row">
      <NumberField v-model="limits.leastSum" label="Tooth sum from" :limits="LIMITS.planSum" whole />
      <NumberField v-model="limits.mostSum" label="to" :limits="LIMITS.planSum" whole />
    </div>
    <CheckedField
      v-model="limits.stock"
      label="Only counts in stock"
      :read="readStock"
      hint="such as 12, 20-30, 48×2 for two pieces"
      data-test="plan-stock"
    />
    <div class="go">
      <v-btn
        v-if="!search.searching.value"
        type="submit"
        variant="flat"
        :disabled="limits.schools.length === 0"
        data-test="plan-search"
        >Plan all</v-btn
      >
      <WorkBar :work="search" label="Planning" cancel-test="plan-cancel">
        <span v-if="best" class="quiet figure"> so far {{ figure(toNumber(ppm(best.worst)), 3) }} ppm </span>
      </WorkBar>
    </div>
    <p v-if="problem" class="error-text" role="alert" data-test="plan-problem">{{ sayProblem(problem) }}</p>
  </form>
</template>

<style scoped>
fieldset {
  border: 0;
  padding: 0;
  margin: 8px 0;
}

legend {
  font-size: 13px;
  color: var(--muted);
}

.row {
  display: flex;
  gap: 14px;
}

.row > * {
  min-width: 0;
  flex: 1;
}

.go {
  display: flex;
  gap: 12px;
  align-items: center;
  margin: 10px 0;
}

progress {
  flex: 1;
  accent-color: var(--accent);
}
</style>
