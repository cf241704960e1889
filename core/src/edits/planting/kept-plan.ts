import {
  type BranchPlan,
  type BranchQuery,
  type BranchResult,
  type Output,
  planOf,
} from '../../counting/branches/index.ts';
import type { Plan } from '../../document/machine/index.ts';

/** A school with what was found for it. */
export interface SchoolPlan {
  readonly query: BranchQuery;
  readonly plan: BranchPlan | undefined;
  readonly proven: boolean;
  /** The output that is beyond the reach of the school, where nothing was searched for that. */
  readonly beyond?: BranchResult['beyond'];
}

/**
 * A plan as the document keeps it: what was asked and the counts that were found. Error in parts per million; the
 * stock as it was typed.
 */
export function planToKeep(
  { query, plan, proven }: SchoolPlan,
  errorPpm: number,
  stock: string,
): Omit<Plan, 'id'> {
  const { school, objective, drive, least, most, leastSum, mostSum } = query;
  return {
    ...{ aims: query.outputs.map(o => o.id), school },
    ...{ objective, drive, errorPpm, least, most, leastSum, mostSum },
    ...(stock !== '' && { stock }),
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
export function keptPlan(kept: Plan, possible: readonly Output[]): SchoolPlan[] {
  const outputs = kept.aims.flatMap(id => possible.find(o => o.id === id) ?? []);
  const { found, school, objective, drive, least, most, leastSum, mostSum } = kept;
  if (outputs.length < kept.aims.length || !found) return [];
  const query: BranchQuery = { outputs, school, objective, drive, least, most, leastSum, mostSum };
  const sum = found.branches[0]?.stages[0];
  const driven = new Set<string>();
  for (const b of found.branches) {
    if (!kept.aims.includes(b.aim) || driven.has(b.aim) || (b.from !== undefined && !driven.has(b.from)))
      return [];
    driven.add(b.aim);
  }
  if (!sum || driven.size !== outputs.length) return [];
  const choices = found.branches.map(b => ({
    output: kept.aims.indexOf(b.aim),
    from: b.from === undefined ? undefined : kept.aims.indexOf(b.from),
    stages: b.stages,
  }));
  return [
    { query, plan: planOf(query, sum.driving + sum.driven, choices, found.first), proven: found.proven },
  ];
}
