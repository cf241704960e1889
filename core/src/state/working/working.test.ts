import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import { derive } from '../derive/index.ts';
import { ISO_53_A, readMachine } from '../../document/machine/index.ts';
import { parseRational, rational } from '../../ground/rational/index.ts';
import { must } from '../../ground/result/index.ts';
import { parseSpan } from '../../ground/units/index.ts';
import { STANDARD_SPEC } from '../../teeth/tooth/index.ts';
import { planOf } from '../../counting/branches/index.ts';
import {
  branchWorking,
  centreWorking,
  heightWorking,
  lostMotionWorking,
  moduleWorking,
  ratioWorking,
  undercutWorking,
} from './index.ts';

describe('show working', () => {
  it('of a ratio names product, fraction, error and drift', () => {
    const w = ratioWorking({
      stages: [
        { driving: 41, driven: 56 },
        { driving: 61, driven: 84 },
      ],
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
    const query = {
      outputs,
      drive: 'free' as const,
      school: 'cascade' as const,
      objective: 'worst error' as const,
      least: 12,
      most: 60,
      leastSum: 60,
      mostSum: 60,
    };
    const choices = [
      {
        output: 0,
        from: undefined,
        stages: [
          { driving: 30, driven: 30 },
          { driving: 20, driven: 40 },
        ],
      },
      {
        output: 1,
        from: 0,
        stages: [
          { driving: 20, driven: 40 },
          { driving: 22, driven: 38 },
        ],
      },
    ];
    const plan = planOf(query, 60, choices);
    const w = branchWorking(plan, plan.branches[1]!, outputs[1]!, id => id);
    expect(w.steps[0]).to.equal('i = 1/2 · 20 · 22 / (40 · 38) = 11/76 = 0.144736842105');
    expect(w.values.map(v => v.symbol)).to.include('i₀');
    expect(w.steps.at(-1), 'ρ = 1 and 77/76; e = ±1/153').to.include('6536 ppm');
  });

  it('of the height of a pile and of lost motion adds up what is put in', () => {
    const file = readFileSync(new URL('../../../../demo/quartet-of-moons.json', import.meta.url), 'utf8');
    const derived = derive(must(readMachine(file)));
    const height = heightWorking(derived);
    expect(height.result).to.equal('45.40 mm');
    expect(height.values.find(v => v.symbol === 'n')?.value, 'one more than there are gaps').to.equal('10');
    expect(height.steps.at(-1)).to.equal('H = 40.00 mm + 9 · 0.60 mm');
    const slack = Object.values(derived.slack)[0]!;
    const lost = lostMotionWorking(derived, slack, id => id);
    const parts = lost.steps.map(s => Number(/= ([\d.]+)°$/.exec(s)?.[1] ?? 0));
    expect(parts.reduce((a, b) => a + b, 0)).to.be.closeTo(slack.total, 2e-3);
    const [, play, radius, faster] = /: ([\d.]+) mm \/ ([\d.]+) mm · 57\.296° · ([\d.]+) =/
      .exec(lost.steps[0]!)!
      .map(Number) as [number, number, number, number];
    expect((play / radius) * 57.296 * faster).to.be.closeTo(parts[0]!, 2e-3);
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
