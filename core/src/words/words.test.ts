import { expect } from 'chai';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { newMachine } from '../machine/index.ts';
import { cautionsFor } from '../make/index.ts';
import { rational } from '../rational/index.ts';
import { CAUTIONS, sayDrift, sayFinding, sayFix, sayProblem } from './index.ts';

const core = join(import.meta.dirname, '..');
const sources = readdirSync(core, { recursive: true, encoding: 'utf8' })
  .filter(f => f.endsWith('.ts') && !f.endsWith('.test.ts'))
  .map(f => readFileSync(join(core, f), 'utf8'))
  .join('\n');
const codes = (pattern: RegExp): string[] => [
  ...new Set([...sources.matchAll(pattern)].map(m => m[1] as string)),
];

describe('words', () => {
  it('exist for every problem that core can report', () => {
    const problems = codes(/\bfail\(\s*'([a-z0-9-]+)'/g);
    expect(problems.length).to.be.greaterThan(25);
    for (const code of [
      ...problems,
      'id-twice',
      'axis-on-itself',
      'file-invalid',
      'missing-wheel',
      'missing-frame',
    ])
      expect(sayProblem({ code, data: {} }), code).to.match(/\.$/);
    expect(() => sayProblem({ code: 'nonsense', data: {} })).to.throw('nonsense');
  });

  it('exist for every finding and every fix', () => {
    const findings = codes(/\bfinding\(\s*'([a-z-]+)'/g);
    expect(findings.length).to.be.greaterThan(25);
    const say = (code: string): string =>
      sayFinding(
        {
          code,
          severity: 'note',
          station: 'plan',
          subjects: ['drive', 'axis1'],
          data: { problem: 'nothing-typed' },
          fixes: [],
        },
        newMachine('x'),
      ).title;
    for (const code of findings) expect(say(code), code).to.not.equal('');
    for (const code of codes(/code: '([a-z]+(?:-[a-z]+)+)', subject/g))
      expect(sayFix({ code, subject: 'x', value: 1 })).to.not.equal('');
  });

  it('give an error in the output’s own terms', () => {
    const half = rational(43200n);
    expect(sayDrift(rational(449, 10000000), rational(43200, 2551443), half)).to.equal(
      'fast by one day in 61.0 Julian years',
    );
    expect(sayDrift(rational(-449, 10000000), rational(43200, 44714), half)).to.match(
      /^slow by one minute in 15\.\d days$/,
    );
    expect(sayDrift(rational(0), rational(1), half)).to.equal('exact');
    expect(sayDrift(rational(1, 3600), rational(1), undefined)).to.equal(
      'fast by 1° in 10.0 turns of the drive',
    );
  });

  it('caution for every way of making', () => {
    for (const kind of ['laser', 'printer', 'router', 'saw'] as const)
      for (const c of cautionsFor(kind)) expect(CAUTIONS[c]).to.match(/\.$/);
    expect(
      cautionsFor('laser')
        .map(c => CAUTIONS[c])
        .join(' '),
    ).to.include('PVC');
  });
});
