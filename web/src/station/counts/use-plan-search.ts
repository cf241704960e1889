import { parseStock } from '@tesseron/core/search';
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
  stock: string;
}

/** A school as it stands while all are sought: with what there is of it, or how far it is. */
export interface SchoolRow extends SchoolPlan {
  /** From 0 to 1 while it is being sought; nought while it waits; undefined once it is done with. */
  readonly done?: number;
}

/** The search for all outputs at once: its limits, its plans, and building one. */
// eslint-disable-next-line @typescript-eslint/explicit-function-return-type
export function usePlanSearch() {
  const { machine, derived, change } = useOpen();
  const search = useSearch<'branches'>();
  const free = computed(() => machine.value.drive?.speed.kind === 'free');
  const last = machine.value.plans.at(-1);
  /** What was typed for one output serves all of them too. */
  const typed = machine.value.searches.at(-1);
  const limits = reactive<PlanLimits>({
    outputs: [],
    schools: ['loose pairs', 'lay arbor', 'cascade'],
    objective: last?.objective ?? 'worst error',
    drive: last?.drive ?? (free.value ? 'free' : 'given'),
    errorPpm: last?.errorPpm ?? 1000,
    least: last?.least ?? typed?.least ?? 12,
    most: last?.most ?? typed?.most ?? 120,
    stock: last?.stock ?? typed?.stock ?? '',
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
    const stock = parseStock(limits.stock);
    asked.value = SCHOOLS.filter(s => limits.schools.includes(s)).map(school => ({
      ...{ outputs: chosen.value, school, objective, drive, error, least, most, leastSum, mostSum },
      ...(stock.ok && { stock: stock.value }),
    }));
    search.start({ kind: 'branches', queries: asked.value });
  }

  const rowOf = (r: BranchResult, i: number): SchoolRow => ({
    query: asked.value[i] as BranchQuery,
    plan: r.plan,
    proven: r.proven,
    beyond: r.beyond,
  });
  /** The schools that are done, the one under way with its best so far, and while it goes on those that wait. */
  function underWay(): SchoolRow[] {
    const { at, done, found, best: plan } = search.news.value?.schools ?? { at: 0, done: 0, found: [] };
    const going = search.searching.value;
    const now: SchoolRow = {
      ...rowOf({ ...(plan && { plan }), proven: false, coveredTo: 0 }, at),
      ...(going && { done }),
    };
    const waiting = asked.value
      .slice(at + 1)
      .map(query => ({ query, plan: undefined, proven: false, done: 0 }));
    return [...found.map(rowOf), ...(going || now.plan ? [now] : []), ...(going ? waiting : [])];
  }
  /** What was found when the search was stopped. */
  const stopped = shallowRef<SchoolRow[]>();

  /** What the search found, or has found so far; else what is kept and still belongs to the outputs. */
  const plans = computed<SchoolRow[]>(() => {
    const answer = search.answer.value;
    if (answer?.ok) return answer.value.map(rowOf);
    if (search.searching.value) return underWay();
    if (stopped.value) return stopped.value;
    return machine.value.plans.flatMap(p => keptPlan(p, branchOutputs(derived.value, p.drive)));
  });
  const keep = (rows: readonly SchoolRow[]): void =>
    change('Plan all outputs', keepPlans(rows.map(p => planToKeep(p, limits.errorPpm, limits.stock))));
  watch(search.answer, answer => {
    if (answer?.ok) keep(plans.value);
  });
  watch(search.searching, going => {
    stopped.value = undefined;
    const found = going || search.answer.value || !search.news.value ? [] : underWay();
    if (found.length === 0) return;
    stopped.value = found;
    keep(found);
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

  /** The best plan so far, of whichever school it is. */
  const best = computed(() => (search.searching.value ? search.news.value?.schools?.best : undefined));
  return { limits, possible, search, plans, best, problem, start, choose };
}

export type PlanSearch = ReturnType<typeof usePlanSearch>;
