import type { Branch, BranchPlan, Output } from '../../counting/branches/index.ts';
import { ppm } from '../../document/period/index.ts';
import { mul, toDecimal, toFraction, toNumber, toSignificant } from '../../ground/rational/index.ts';
import { figure } from '../../ground/units/index.ts';
import type { Working } from './working.ts';

/** How the rate and the error of one output of a plan are worked out. `name` says an output's name by its id. */
export function branchWorking(
  plan: BranchPlan,
  branch: Branch,
  output: Output,
  name: (id: string) => string,
): Working {
  const stages = [...(plan.first && branch.from === undefined ? [plan.first] : []), ...branch.stages];
  const before = branch.from === undefined ? undefined : plan.branches.find(b => b.output === branch.from);
  const product = `${stages.map(s => s.driving).join(' · ')} / (${stages.map(s => s.driven).join(' · ')})`;
  const wanted = mul(output.rate, plan.speed);
  const carried = before ? `${toFraction(before.rate)} · ` : '';
  return {
    title: `${name(branch.output)} in this plan`,
    formula: 'i = i₀ · Π driving / Π driven;  e = i / (v w) − 1',
    values: [
      {
        symbol: 'w',
        meaning: 'wanted rate, in turns for a unit of the drive',
        value: toSignificant(output.rate, 10),
      },
      {
        symbol: 'v',
        meaning: 'units that one turn of the drive stands for',
        value: toSignificant(plan.speed, 10),
      },
      ...(before
        ? [
            {
              symbol: 'i₀',
              meaning: `rate of ${name(before.output)}, which drives it`,
              value: toFraction(before.rate),
            },
          ]
        : []),
      ...stages.map((s, n) => ({
        symbol: `stage ${n + 1}`,
        meaning: 'driving / driven',
        value: `${s.driving} / ${s.driven}`,
      })),
    ],
    steps: [
      `i = ${carried}${product} = ${toFraction(branch.rate)} = ${toDecimal(branch.rate, 12)}`,
      `v w = ${toSignificant(wanted, 12)}`,
      `e = i / (v w) − 1 = ${figure(toNumber(ppm(branch.error)), 4)} ppm`,
    ],
    result: `${toFraction(branch.rate)}, ${figure(toNumber(ppm(branch.error)), 4)} ppm`,
    source:
      'A train’s rate is the product of driving over the product of driven counts (Willis, ' +
      'Principles of Mechanism, 1841); v halves the spread of i / w between its least and ' +
      'greatest, derived here.',
  };
}
