import type { BranchPlan, BranchQuery, BranchResult, Objective, Output, School } from '@tesseron/core/branch';
import { planOf, SCHOOLS } from '@tesseron/core/branch';
import { branchOutputs, plantBranches } from '@tesseron/core/build';
import { freeId, type Machine, type Plan } from '@tesseron/core/machine';
import { parseDecimal, rational, div } from '@tesseron/core/rational';
import { must } from '@tesseron/core/result';
import { computed, reactive, shallowRef, watch } from 'vue';
import { useOpen } from '../../machine/use-open';
import { useSearch } from '../../worker/use-search';

/** A school with what was found for it. */
export interface SchoolPlan {
  readonly query: BranchQuery;
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

  /** What the search found; until then what is kept from before and still belongs to the outputs. */
  const plans = computed<SchoolPlan[]>(() => {
    const answer = search.answer.value;
    if (answer?.ok)
      return answer.value.map((r: BranchResult, i: number) => ({
        query: asked.value[i] as BranchQuery,
        plan: r.plan,
        proven: r.proven,
      }));
    if (search.searching.value) return [];
    return machine.value.plans.flatMap(p => keptPlan(p, branchOutputs(derived.value, p.drive)));
  });
  watch(search.answer, answer => {
    if (answer?.ok)
      change('Plan all outputs', m => ({
        ...m,
        plans: plans.value.map((p, i) => planToKeep(m, limits, p, i)),
      }));
  });
  const problem = computed(() =>
    search.answer.value && !search.answer.value.ok ? search.answer.value.problem : undefined,
  );

  /** Builds a plan into the machine; a plan for a free drive frees the drive. */
  function choose({ plan, query }: SchoolPlan): void {
    if (!plan) return;
    change(`Build a plan for ${plan.branches.length} outputs`, m => {
      const freed: Machine =
        query.drive === 'free' && m.drive ? { ...m, drive: { ...m.drive, speed: { kind: 'free' } } } : m;
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

function planToKeep(
  machine: Machine,
  { errorPpm }: PlanLimits,
  { query, plan, proven }: SchoolPlan,
  nth: number,
): Plan {
  const { school, objective, drive, least, most, leastSum, mostSum } = query;
  return {
    ...{ id: freeId(machine, `plan${nth}x`), aims: query.outputs.map(o => o.id), school },
    ...{ objective, drive, errorPpm, least, most, leastSum, mostSum },
    ...(plan && {
      found: {
        proven,
        ...(plan.first && { first: plan.first }),
        branches: plan.branches.map(b => ({
          aim: b.output,
          ...(b.from && { from: b.from }),
          stages: b.stages,
        })),
      },
    }),
  };
}

/** A kept plan, weighed anew against the outputs as they are now; nothing when one of them is gone. */
function keptPlan(kept: Plan, possible: readonly Output[]): SchoolPlan[] {
  const outputs = kept.aims.flatMap(id => possible.find(o => o.id === id) ?? []);
  const { found, school, objective, drive, least, most, leastSum, mostSum } = kept;
  if (outputs.length < kept.aims.length || !found) return [];
  const query: BranchQuery = { outputs, school, objective, drive, least, most, leastSum, mostSum };
  const sum = found.branches[0]?.stages[0];
  if (!sum || found.branches.some((b, i) => b.aim !== outputs[i]?.id)) return [];
  const choices = found.branches.map(b => ({
    from: b.from === undefined ? undefined : kept.aims.indexOf(b.from),
    stages: b.stages,
  }));
  return [
    { query, plan: planOf(query, sum.driving + sum.driven, choices, found.first), proven: found.proven },
  ];
}
