import { expect } from 'chai';
import { ISO_53_A } from '../machine/index.ts';
import { parseRational, rational } from '../rational/index.ts';
import { must } from '../result/index.ts';
import { parseSpan } from '../units/index.ts';
import { STANDARD_SPEC } from '../tooth/index.ts';
import { planOf } from '../branch/index.ts';
import { branchWorking, centreWorking, moduleWorking, ratioWorking, undercutWorking } from './index.ts';

describe('show working', () => {
  it('of a ratio names product, fraction, error and drift', () => {
    const w = ratioWorking({
      stages: [{ driving: 41, driven: 56 }, { driving: 61, driven: 84 }], // prettier-ignore
      wanted: must(parseRational('0.5316751872932182')),
      driveSeconds: rational(31557600n),
      span: must(parseSpan('100 Julian year')),
      spanText: '100 Julian years',
    });
    expect(w.steps[0]).to.equal('i = 41 · 61 / (56 · 84) = 2501/4704 = 0.531675170068');
    expect(w.steps[1]).to.include('−0.03240 ppm');
    expect(w.steps.at(-1)).to.include('−0.0006201°');
  });

  it('of an output of a plan names its driver, the speed of a free drive, and the error', () => {
    const outputs = ['1/2', '1/7'].map((r, i) => ({ id: `o${i}`, rate: must(parseRational(r)) }));
    const query = { outputs, drive: 'free' as const, school: 'cascade' as const, objective: 'worst error' as const, least: 12, most: 60, leastSum: 60, mostSum: 60 }; // prettier-ignore
    const choices = [
      { from: undefined, stages: [{ driving: 30, driven: 30 }, { driving: 20, driven: 40 }] }, // prettier-ignore
      { from: 0, stages: [{ driving: 20, driven: 40 }, { driving: 22, driven: 38 }] }, // prettier-ignore
    ];
    const plan = planOf(query, 60, choices);
    const w = branchWorking(plan, plan.branches[1]!, outputs[1]!, id => id);
    expect(w.steps[0]).to.equal('i = 1/2 · 20 · 22 / (40 · 38) = 11/76 = 0.144736842105');
    expect(w.values.map(v => v.symbol)).to.include('i₀');
    expect(w.steps.at(-1), 'ρ = 1 and 77/76; e = ±1/153').to.include('6536 ppm');
  });

  it('of a module, an undercut limit and a centre distance shows the values put in', () => {
    expect(moduleWorking(44, 20, 1, 0).result).to.equal('2.0000 mm');
    const u = undercutWorking({ ...STANDARD_SPEC, form: ISO_53_A, module: 2, count: 12 });
    expect(u.result).to.equal('17.10 teeth');
    expect(u.steps.join(' ')).to.include('this wheel has 12');
    const c = centreWorking({ module: 3, pressureAngleDeg: 20, counts: [12, 24], shifts: [0.6, 0.36] }, 0.1);
    expect(c.result).to.equal('56.5999 mm');
    expect(c.steps.join(' ')).to.include('26.0886°');
  });
});
