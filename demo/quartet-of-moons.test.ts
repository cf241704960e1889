import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import { derive } from '../core/src/state/derive/index.ts';
import { readMachine, writeMachine } from '../core/src/document/machine/index.ts';
import { toNumber } from '../core/src/ground/rational/index.ts';
import { must } from '../core/src/ground/result/index.ts';
import { quartet } from '../scripts/quartet.ts';

const file = readFileSync(new URL('./quartet-of-moons.json', import.meta.url), 'utf8');

describe('quartet of moons', () => {
  it('is what the search finds, count for count', () => {
    expect(writeMachine(quartet())).to.equal(file);
  }).timeout(60000);

  it('keeps every moon within 5.7 ppm of one speed of the crank, worked by hand from its counts', () => {
    const machine = must(readMachine(file));
    const days = [1.769137786, 3.551181041, 7.15455296, 16.6890184];
    const said = machine.plans[0]!.found!.branches.map(({ stages }, i) => {
      const rate = stages.reduce((r, s) => (r * s.driving) / s.driven, 1);
      for (const s of stages) expect(s.driving + s.driven).to.equal(129);
      return rate * days[i]!;
    });
    const middle = (Math.min(...said) + Math.max(...said)) / 2;
    for (const s of said) expect(Math.abs(s / middle - 1)).to.be.below(5.7e-6);
    const derived = derive(machine);
    expect(toNumber(derived.standsFor!) / 86400).to.be.closeTo(middle, 1e-9);
    expect(Object.values(derived.aims).map(a => a.status)).to.deep.equal(['met', 'met', 'met', 'met']);
    expect(derived.findings.filter(f => f.severity !== 'note')).to.deep.equal([]);
  });
});
