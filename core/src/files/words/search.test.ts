import { expect } from 'chai';
import { type BranchQuery, type BranchResult, OBJECTIVES, SCHOOLS } from '../../counting/branches/index.ts';
import {
  candidateOf,
  type CountQuery,
  GOALS,
  type Limit,
  type Verdict,
} from '../../counting/search/index.ts';
import { rational } from '../../ground/rational/index.ts';
import { sayGoal, sayPlanProof, sayRelaxed, saySchool, sayVerdict } from './index.ts';

const best = candidateOf([{ driving: 12, driven: 24 }]);
const query: CountQuery = {
  target: rational(1n, 2n),
  least: 8,
  most: 150,
  stages: [1, 3],
  coaxial: 'none',
  top: 1,
};

describe('words of the search', () => {
  it('say why a fraction can or cannot be cut', () => {
    const said: [Verdict, RegExp][] = [
      [{ kind: 'can', train: best }, /^12\/24$/],
      [{ kind: 'needs a wheel', count: 127, side: 'driven' }, /127-tooth driven wheel/],
      [{ kind: 'needs stages', stages: 3 }, /3 stages/],
      [{ kind: 'out of reach' }, /out of reach/],
      [{ kind: 'too large to factor' }, /too large/],
      [{ kind: 'limits forbid' }, /limit forbids/],
    ];
    for (const [verdict, words] of said) expect(sayVerdict(verdict)).to.match(words);
  });

  it('say what would have to be allowed, for every limit', () => {
    const limits: Limit[] = [
      'stages',
      'most',
      'least',
      'stock',
      'forbidden',
      'noPrimes',
      'positions',
      'alike',
      'stageRatio',
      'largestOutside',
      'centre',
      'reach',
      'hunting',
      'exactTotal',
      'coaxial',
    ];
    const said = limits.map(limit => sayRelaxed({ limit, query, best }));
    expect(new Set(said).size, 'each in words of its own').to.equal(limits.length);
    expect(said[0]).to.equal('allow 3 stages');
    expect(said[1]).to.equal('go up to 150 teeth');
    expect(said[2]).to.equal('go down to 8 teeth');
  });

  it('name every goal and every school', () => {
    expect(new Set(GOALS.map(sayGoal)).size).to.equal(GOALS.length);
    expect(new Set(SCHOOLS.map(saySchool)).size).to.equal(SCHOOLS.length);
  });

  it('says of a plan for all outputs what is proven, and of none how far was looked or what is beyond reach', () => {
    const query: BranchQuery = {
      outputs: [{ id: 'neptune', rate: rational(1n, 684n) }],
      ...{ drive: 'given', school: 'loose pairs', objective: 'worst error' },
      ...{ least: 16, most: 64, leastSum: 50, mostSum: 80 },
    };
    const says = (change: Partial<BranchQuery>, found: Parameters<typeof sayPlanProof>[1]): string =>
      sayPlanProof({ ...query, ...change }, found, id => id.toUpperCase());
    const plan = {} as NonNullable<BranchResult['plan']>;
    expect(says({}, { plan, proven: true })).to.equal('proven best');
    expect(says({ school: 'mixed' }, { plan, proven: true }), 'every order').to.equal('proven best');
    expect(says({}, { plan, proven: false })).to.equal('best found so far');
    expect(says({}, { proven: false }), 'nothing is no best').to.equal('none found so far');
    const none = OBJECTIVES.map(objective => says({ objective }, { proven: true }));
    expect(new Set(none).size).to.equal(OBJECTIVES.length);
    for (const text of none) expect(text).to.match(/^proven: none /);
    const beyond = { output: 'neptune', least: rational(1n, 16n), most: rational(16n) };
    expect(says({}, { proven: true, beyond })).to.match(
      /^none: NEPTUNE needs 684.*; two meshes reach 16.* to 1 : 16/,
    );
    const outputs = [...query.outputs, { id: 'mercury', rate: rational(1n) }];
    expect(
      says({ outputs, drive: 'free' }, { proven: true, beyond: { ...beyond, against: 'mercury' } }),
    ).to.match(/^none: NEPTUNE to MERCURY needs 684.*; two such outputs reach 16.* to 1 : 16/);
  });
});
