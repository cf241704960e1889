import { expect } from 'chai';
import { ISO_53_A } from '../machine/index.ts';
import { parseRational, rational } from '../rational/index.ts';
import { must } from '../result/index.ts';
import { parseSpan } from '../units/index.ts';
import { STANDARD_SPEC } from '../tooth/index.ts';
import { centreWorking, moduleWorking, ratioWorking, undercutWorking } from './index.ts';

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
