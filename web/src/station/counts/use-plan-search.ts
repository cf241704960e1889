import type { BranchPlan, BranchQuery, BranchResult, Objective, School } from '@tesseron/core/branch';
import { SCHOOLS } from '@tesseron/core/branch';
import { branchOutputs, plantBranches } from '@tesseron/core/build';
import { freeId, type Machine, type Plan } from '@tesseron/core/machine';
import { parseDecimal, rational, div } from '@tesseron/core/rational';
import { must } from '@tesseron/core/result';
import { computed, reactive, shallowRef, watch } from 'vue';
import { useOpen } from '../../machine/use-open';
import { useSearch } from '../../worker/use-search';

/** A school with what was found for it. */
export interface SchoolPlan {
  readonly school: School;
  readonly plan: BranchPlan | undefined;
  readonly proven: boolean;
}

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

  const plans = computed<SchoolPlan[]>(() => {
    const answer = search.answer.value;
    if (!answer?.ok) return [];
    return answer.value.map((r: BranchResult, i: number) => ({
      school: asked.value[i]?.school ?? 'mixed',
      plan: r.plan,
      proven: r.proven,
    }));
  });
  const problem = computed(() => (search.answer.value && !search.answer.value.ok ? search.answer.value.problem : undefined)); // prettier-ignore

  /** Builds a plan into the machine; a plan for a free drive frees the drive. */
  function choose({ plan, proven }: SchoolPlan): void {
    if (!plan) return;
    const names = plan.branches.length;
    change(`Build a plan for ${names} outputs`, m => {
      const kept = keepPlan(m, limits, plan, proven);
      const freed: Machine =
        limits.drive === 'free' && kept.drive
          ? { ...kept, drive: { ...kept.drive, speed: { kind: 'free' } } }
          : kept;
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

function keepPlan(machine: Machine, limits: PlanLimits, plan: BranchPlan, proven: boolean): Machine {
  const { objective, drive, errorPpm, least, most, leastSum, mostSum } = limits;
  const kept: Plan = {
    ...{ id: freeId(machine, 'plan'), aims: plan.branches.map(b => b.output), school: plan.school },
    ...{ objective, drive, errorPpm, least, most, leastSum, mostSum },
    found: {
      proven,
      ...(plan.first && { first: plan.first }),
      branches: plan.branches.map(b => ({
        aim: b.output,
        ...(b.from && { from: b.from }),
        stages: b.stages,
      })),
    },
  };
  return { ...machine, plans: [...machine.plans.slice(-4), kept] };
}
