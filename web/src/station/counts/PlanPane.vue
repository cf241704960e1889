<script setup lang="ts">
import { ppm } from '@tesseron/core/period';
import { toNumber } from '@tesseron/core/rational';
import { figure } from '@tesseron/core/units';
import { saySchool, sayReduction } from '@tesseron/core/words';
import { branchWorking } from '@tesseron/core/working';
import { computed, ref, watch } from 'vue';
import { useWorking } from '../../frame/use-working';
import { useOpen } from '../../machine/use-open';
import BranchDrawing from './BranchDrawing.vue';
import type { SchoolPlan } from '@tesseron/core/planting';
import type { PlanSearch } from './use-plan-search';

/** All outputs at once: the schools compared, and the chosen one drawn. */
const props = defineProps<{ planning: PlanSearch }>();
const { machine } = useOpen();
const working = useWorking();
const looked = ref<string>();
const plans = computed(() => props.planning.plans.value);
const names = computed(() => Object.fromEntries(machine.value.aims.map(a => [a.id, a.name])));
const shown = computed<SchoolPlan | undefined>(
  () => plans.value.find(p => p.query.school === looked.value && p.plan) ?? plans.value.find(p => p.plan),
);
watch(plans, () => (looked.value = undefined));
const stands = computed(() => {
  const plan = shown.value?.plan;
  if (!plan || shown.value?.query.drive === 'given') return '';
  return `One turn of the drive stands for ${figure(toNumber(plan.speed), 7)} days.`;
});
function explain(i: number): void {
  const one = shown.value;
  const branch = one?.plan?.branches[i];
  const output = one?.query.outputs[i];
  if (!one?.plan || !branch || !output) return;
  working.show(branchWorking(one.plan, branch, output, id => names.value[id] ?? id));
}
const ppmOf = (p: SchoolPlan): string => (p.plan ? figure(toNumber(ppm(p.plan.worst)), 4) : '–');

/** What is proven of a plan: where each output hangs on one before it, only in the order in which they are listed. */
function sayProof(p: (typeof plans.value)[number]): string {
  if (!p.proven) return 'best found so far';
  const ordered = p.query.school === 'cascade' || p.query.school === 'mixed';
  const within = ordered ? ', in the order listed' : '';
  if (p.beyond) {
    const wanted = p.query.outputs.find(o => o.id === p.beyond?.output)?.rate;
    const name = names.value[p.beyond.output] ?? p.beyond.output;
    return (
      `none: ${name} needs ${wanted ? sayReduction(wanted, 4) : ''}; two meshes reach ` +
      `${sayReduction(p.beyond.least, 4)} to ${sayReduction(p.beyond.most, 4)}`
    );
  }
  return p.plan ? `proven best${within}` : `proven: none within an error of a half${within}`;
}
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
            <td>{{ sayProof(p) }}</td>
            <td>
              <BoxedButton
                v-if="p.plan"
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
    <p v-else-if="planning.search.searching.value" class="quiet">Planning…</p>
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
