import type { Stage } from '../search/index.ts';
import {
  absolute,
  add,
  compare,
  div,
  mul,
  ONE,
  type Rational,
  rational,
  sub,
  ZERO,
} from '../../ground/rational/index.ts';
import type { Branch, BranchPlan, BranchQuery, Output } from './query.ts';

/**
 * Each output by its number in the query, in an order in which what drives comes before what it drives: what drives it
 * (the number of another output; undefined: the drive or the lay arbor) and by which stages.
 */
export type BranchChoices = readonly {
  readonly output: number;
  readonly from: number | undefined;
  readonly stages: readonly Stage[];
}[];

const ratioOf = (stages: readonly Stage[]): Rational =>
  stages.reduce((r, s) => mul(r, rational(s.driving, s.driven)), ONE);

/** Weighs a choice exactly. A free drive gets the speed at which the objective is least. */
export function planOf(query: BranchQuery, sum: number, choices: BranchChoices, first?: Stage): BranchPlan {
  const rates = new Map<number, Rational>();
  const base = first ? ratioOf([first]) : ONE;
  for (const c of choices) {
    const before = c.from === undefined ? base : (rates.get(c.from) as Rational);
    rates.set(c.output, mul(before, ratioOf(c.stages)));
  }
  const outputOf = (i: number): Output => query.outputs[i] as Output;
  const reached = new Map([...rates].map(([i, rate]) => [i, div(rate, outputOf(i).rate)] as const));
  const speed = query.drive === 'given' ? ONE : bestSpeed(query, [...reached.values()]);
  const branches = choices.map(({ output, from, stages }): Branch => ({
    output: outputOf(output).id,
    from: from === undefined ? undefined : outputOf(from).id,
    stages,
    rate: rates.get(output) as Rational,
    error: sub(div(reached.get(output) as Rational, speed), ONE),
  }));
  const wheels = [...(first ? [first] : []), ...choices.flatMap(c => c.stages)].flatMap(s => [
    s.driving,
    s.driven,
  ]);
  return {
    school: query.school,
    sum,
    ...(first && { first }),
    branches,
    speed,
    worst: branches.reduce((w, b) => (compare(absolute(b.error), w) > 0 ? absolute(b.error) : w), ZERO),
    different: new Set(wheels).size,
    wheels: wheels.length,
  };
}

/**
 * The speed of a free drive. |ρ/v − 1| is worst for the least and the greatest ρ alike at v = (least + greatest)/2,
 * which makes the worst error (greatest − least)/(greatest + least). The sum Σ|ρ/v − 1| falls or rises between any
 * two neighbouring ρ, so it is least at one of them. Derived here.
 */
function bestSpeed(query: BranchQuery, reached: readonly Rational[]): Rational {
  const sorted = [...reached].sort(compare);
  const [least, greatest] = [sorted[0] as Rational, sorted.at(-1) as Rational];
  if (query.objective !== 'sum of errors') return mul(add(least, greatest), rational(1n, 2n));
  const cost = (v: Rational): Rational =>
    reached.reduce((n, r) => add(n, absolute(sub(div(r, v), ONE))), ZERO);
  return sorted.map(v => ({ v, c: cost(v) })).sort((a, b) => compare(a.c, b.c))[0]?.v ?? ONE;
}

/** What is to be least, exact; different counts first, then the worst error. */
export function costOf(query: BranchQuery, plan: BranchPlan): readonly [Rational, Rational] {
  const sizes = plan.branches.map(b => absolute(b.error));
  const total = sizes.reduce(add, ZERO);
  switch (query.objective) {
    case 'sum of errors':
      return [total, plan.worst];
    case 'worst drift':
      return [
        plan.branches
          .map(b => mul(absolute(b.error), query.outputs.find(o => o.id === b.output)?.rate ?? ONE))
          .reduce((a, b) => (compare(a, b) > 0 ? a : b), ZERO),
        total,
      ];
    case 'different counts':
      return [rational(plan.different), plan.worst];
    case 'worst error':
      return [plan.worst, total];
  }
}

/** Order of two plans by what is to be least. */
export function comparePlans(query: BranchQuery, a: BranchPlan, b: BranchPlan): number {
  const [x, y] = [costOf(query, a), costOf(query, b)];
  return compare(x[0], y[0]) || compare(x[1], y[1]) || a.sum - b.sum;
}
