import { expect } from 'chai';
import { type BranchQuery, searchBranches } from '../../counting/branches/index.ts';
import { rational, toFraction } from '../../ground/rational/index.ts';
import { must } from '../../ground/result/index.ts';
import { keptPlan, planToKeep } from './index.ts';

describe('a plan that is kept', () => {
  const outputs = [rational(1n, 9n), rational(1n, 81n), rational(1n)].map((rate, i) => ({
    id: `o${i}`,
    rate,
  }));
  const query: BranchQuery = {
    outputs,
    ...{ drive: 'given', school: 'cascade', objective: 'worst error' },
    ...{ least: 12, most: 36, leastSum: 48, mostSum: 48 },
  };
  const job = searchBranches(query);
  let step = job.next();
  while (!step.done) step = job.next();
  const { plan, proven } = must(step.value);
  const kept = { ...planToKeep({ query, plan, proven }, 1000, '12, 36'), id: 'plan1' };

  it('comes back in its own order of driving, weighed anew', () => {
    expect(kept.stock).to.equal('12, 36');
    const [back] = keptPlan(kept, outputs);
    expect(back!.plan!.branches.map(b => [b.output, b.from])).to.deep.equal([
      ['o2', undefined],
      ['o0', 'o2'],
      ['o1', 'o0'],
    ]);
    expect(back!.plan!.branches.map(b => toFraction(b.rate))).to.deep.equal(
      plan!.branches.map(b => toFraction(b.rate)),
    );
  });

  it('is nothing when an output is gone, or one is said to drive before it is driven', () => {
    expect(keptPlan(kept, outputs.slice(1))).to.deep.equal([]);
    const branches = [...kept.found!.branches].reverse();
    expect(keptPlan({ ...kept, found: { ...kept.found!, branches } }, outputs)).to.deep.equal([]);
  });
});
