import type { BranchPlan } from '@tesseron/core/branches';
import { rational } from '@tesseron/core/rational';
import { expect } from 'chai';
import { drawBranches } from './branch-drawing';

const branch = (output: string, ...pairs: [number, number][]): BranchPlan['branches'][number] => ({
  output,
  from: undefined,
  stages: pairs.map(([driving, driven]) => ({ driving, driven })),
  rate: rational(1n),
  error: rational(0n),
});
const plan: BranchPlan = {
  school: 'loose pairs',
  sum: 100,
  branches: [branch('a', [40, 60], [30, 70]), branch('b', [20, 80], [55, 45])],
  speed: rational(1n),
  worst: rational(0n),
  different: 8,
  wheels: 8,
};

describe('the drawing of a plan', () => {
  it('lets every two wheels in mesh just meet between the axes, each at its own height', () => {
    const d = drawBranches(plan, 700);
    for (const b of d.branches) {
      for (let i = 0; i < b.wheels.length; i += 2) {
        const [one, two] = [b.wheels[i]!, b.wheels[i + 1]!];
        expect(one.y).to.equal(two.y);
        expect(one.count + two.count).to.equal(plan.sum);
        const between = two.x - two.half - (one.x + one.half);
        expect(between).to.be.closeTo(3, 1e-9);
      }
    }
    const heights = d.branches.flatMap(b => b.wheels.map(w => w.y));
    expect(new Set(heights).size, 'two meshes of two outputs in four layers').to.equal(4);
    expect(
      d.branches[0]!.y,
      'the first output is innermost, so its driven wheel is lowest',
    ).to.be.greaterThan(d.branches[1]!.y);
    for (const w of d.branches.flatMap(b => b.wheels)) {
      expect(w.x - w.half).to.be.at.least(130);
      expect(w.x + w.half).to.be.at.most(700);
    }
  });

  it('draws the one lay arbor’s own mesh below its branches', () => {
    const shared = {
      ...plan,
      school: 'lay arbor' as const,
      first: { driving: 50, driven: 50 },
      branches: [branch('a', [40, 60]), branch('b', [20, 80])],
    };
    const d = drawBranches(shared, 700);
    expect(d.first).to.have.length(2);
    expect(d.branches.every(b => b.y < d.first[0]!.y && b.pair === undefined)).to.equal(true);
  });
});
