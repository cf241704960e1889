import {
  type BranchQuery,
  type BranchResult,
  type Objective,
  type School,
  SCHOOLS,
} from '@tesseron/core/branches';
import { branchOutputs, keptPlan, plantBranches, planToKeep, type SchoolPlan } from '@tesseron/core/planting';
import { keepPlans, setDriveSpeed } from '@tesseron/core/change';
import { parseDecimal, rational, div } from '@tesseron/core/rational';
import { must } from '@tesseron/core/result';
import { computed, reactive, shallowRef, watch } from 'vue';
import { useOpen } from '../../machine/use-open';
import { useSearch } from '../../worker/use-search';

/** What a search for all outputs is asked. */
export interface PlanLimits {
  outputs: string[];
  schools: School[];
  objective: Objective;
  drive: 'given' | 'free';
  errorPpm: number;
  least: number;
  most: number;
  leastSum: number;
  mostSum: number;
  module: number;
}

/** The search for all outputs at once: its limits, its plans, and building one. */
// eslint-disable-next-line @typescript-eslint/explicit-function-return-type
export function usePlanSearch() {
  const { machine, derived, change } = useOpen();
  const search = useSearch<'branches'>();
  const free = computed(() => machine.value.drive?.speed.kind === 'free');
  const last = machine.value.plans.at(-1);
  const limits = reactive<PlanLimits>({
    outputs: [],
    schools: ['loose pairs', 'lay arbor', 'cascade'],
    objective: last?.objective ?? 'worst error',
    drive: last?.drive ?? (free.value ? 'free' : 'given'),
    errorPpm: last?.errorPpm ?? 1000,
    least: last?.least ?? 12,
    most: last?.most ?? 120,
    leastSum: last?.leastSum ?? 60,
    mostSum: last?.mostSum ?? 160,
    module: Number((Object.values(derived.value.modules)[0] ?? 1).toFixed(4)),
  });
  const possible = computed(() => branchOutputs(derived.value, limits.drive));
  const chosen = computed(() => possible.value.filter(o => limits.outputs.includes(o.id)));
  watch(
    () => possible.value.map(o => o.id).join(),
    () => (limits.outputs = possible.value.map(o => o.id)),
    { immediate: true },
  );
  watch(
    () => limits.drive,
    drive => {
      if (drive === 'free' && limits.objective === 'worst drift') limits.objective = 'worst error';
    },
  );
  const asked = shallowRef<BranchQuery[]>([]);

  function start(): void {
    const { objective, drive, least, most, leastSum, mostSum } = limits;
    const error = div(must(parseDecimal(String(limits.errorPpm))), rational(1000000n));
    asked.value = SCHOOLS.filter(s => limits.schools.includes(s)).map(school => ({
      ...{ outputs: chosen.value, school, objective, drive, error, least, most, leastSum, mostSum },
    }));
    search.start({ kind: 'branches', queries: asked.value });
  }

  /** What the search found; until then what is kept from before and still belongs to the outputs. */
  const plans = computed<SchoolPlan[]>(() => {
    const answer = search.answer.value;
    if (answer?.ok)
      return answer.value.map((r: BranchResult, i: number) => ({
        query: asked.value[i] as BranchQuery,
        plan: r.plan,
        proven: r.proven,
        beyond: r.beyond,
      }));
    if (search.searching.value) return [];
    return machine.value.plans.flatMap(p => keptPlan(p, branchOutputs(derived.value, p.drive)));
  });
  watch(search.answer, answer => {
    if (answer?.ok)
      change('Plan all outputs', keepPlans(plans.value.map(p => planToKeep(p, limits.errorPpm))));
  });
  const problem = computed(() =>
    search.answer.value && !search.answer.value.ok ? search.answer.value.problem : undefined,
  );

  /** Builds a plan into the machine; a plan for a free drive frees the drive. */
  function choose({ plan, query }: SchoolPlan): void {
    if (!plan) return;
    change(`Build a plan for ${plan.branches.length} outputs`, m => {
      const freed = query.drive === 'free' ? setDriveSpeed({ kind: 'free' })(m) : m;
      return plantBranches(freed, {
        school: plan.school,
        module: limits.module,
        first: plan.first,
        branches: plan.branches.map(b => ({ aim: b.output, from: b.from, stages: b.stages })),
      });
    });
  }

  return { limits, possible, search, plans, problem, start, choose };
}

export type PlanSearch = ReturnType<typeof usePlanSearch>;
