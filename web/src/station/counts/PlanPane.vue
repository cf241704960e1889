<script setup lang="ts">
import { ppm } from '@tesseron/core/period';
import { toNumber } from '@tesseron/core/rational';
import { figure } from '@tesseron/core/units';
import { sayPlanProof, saySchool } from '@tesseron/core/words';
import { branchWorking } from '@tesseron/core/working';
import { computed, ref, watch } from 'vue';
import { useWorking } from '../../frame/use-working';
import { useOpen } from '../../machine/use-open';
import BranchDrawing from './BranchDrawing.vue';
import type { PlanSearch, SchoolRow } from './use-plan-search';

/** All outputs at once: the schools compared, and the chosen one drawn. */
const props = defineProps<{ planning: PlanSearch }>();
const { machine } = useOpen();
const working = useWorking();
const looked = ref<string>();
const plans = computed(() => props.planning.plans.value);
const names = computed(() => Object.fromEntries(machine.value.aims.map(a => [a.id, a.name])));
const shown = computed<SchoolRow | undefined>(
  () => plans.value.find(p => p.query.school === looked.value && p.plan) ?? plans.value.find(p => p.plan),
);
watch(props.planning.search.searching, () => (looked.value = undefined));
const stands = computed(() => {
  const plan = shown.value?.plan;
  if (!plan || shown.value?.query.drive === 'given') return '';
  return `One turn of the drive stands for ${figure(toNumber(plan.speed), 7)} days.`;
});
function explain(i: number): void {
  const one = shown.value;
  const branch = one?.plan?.branches[i];
  const output = one?.query.outputs.find(o => o.id === branch?.output);
  if (!one?.plan || !branch || !output) return;
  working.show(branchWorking(one.plan, branch, output, nameOf));
}
const ppmOf = (p: SchoolRow): string => (p.plan ? figure(toNumber(ppm(p.plan.worst)), 4) : '–');
const nameOf = (output: string): string => names.value[output] ?? output;
</script>

<template>
  <div class="plan" tabindex="0" role="region" aria-label="Whole machine">
    <template v-if="plans.length > 0">
      <table class="ruled" data-test="plans">
        <thead>
          <tr>
            <th scope="col">driven</th>
            <th scope="col" class="figure">worst error, ppm</th>
            <th scope="col" class="figure">different counts</th>
            <th scope="col" class="figure">wheels</th>
            <th scope="col" class="figure">tooth sum</th>
            <th scope="col">proof</th>
            <th scope="col"><span class="visually-hidden">act</span></th>
          </tr>
        </thead>
        <tbody>
          <tr
            v-for="p in plans"
            :key="p.query.school"
            :class="{ looked: p === shown }"
            @click="looked = p.query.school"
          >
            <td>{{ saySchool(p.query.school) }}</td>
            <td class="figure">{{ ppmOf(p) }}</td>
            <td class="figure">{{ p.plan?.different ?? '–' }}</td>
            <td class="figure">{{ p.plan?.wheels ?? '–' }}</td>
            <td class="figure">{{ p.plan?.sum ?? '–' }}</td>
            <td>
              <template v-if="p.done === undefined">{{ sayPlanProof(p.query, p, nameOf) }}</template>
              <progress
                v-else
                :value="p.done"
                :aria-label="`${saySchool(p.query.school)}: ${Math.round(100 * p.done)} % looked through`"
                data-test="school-progress"
              />
            </td>
            <td>
              <BoxedButton
                v-if="p.plan && p.done === undefined"
                :aria-label="`Build: ${saySchool(p.query.school)}`"
                :data-test="`build-${p.query.school.replace(' ', '-')}`"
                @focus="looked = p.query.school"
                @click.stop="planning.choose(p)"
              >
                Build
              </BoxedButton>
            </td>
          </tr>
        </tbody>
      </table>
      <p v-if="stands">{{ stands }}</p>
      <BranchDrawing v-if="shown?.plan" :plan="shown.plan" :names="names" />
      <p v-if="shown?.plan" class="workings">
        Show working:
        <PlainButton
          v-for="(b, i) in shown.plan.branches"
          :key="b.output"
          data-test="plan-working"
          @click="explain(i)"
        >
          {{ names[b.output] }}
        </PlainButton>
      </p>
    </template>
    <p v-else class="quiet">
      One centre distance for all: every output turns on the drive’s axis, and all are driven by way of one
      lay axis.
    </p>
  </div>
</template>

<style scoped>
.plan {
  height: 100%;
  overflow: auto;
  padding: 4px 14px 20px;
}

tr.looked td {
  background: color-mix(in srgb, var(--ink) 7%, transparent);
}
.workings {
  display: flex;
  gap: 14px;
  font-size: 14px;
}
</style>
