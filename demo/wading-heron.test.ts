import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import { derive } from '../core/src/state/derive/index.ts';
import { readMachine, writeMachine } from '../core/src/document/machine/index.ts';
import { stancesAt } from '../core/src/place/motion/index.ts';
import { toFraction } from '../core/src/ground/rational/index.ts';
import { must } from '../core/src/ground/result/index.ts';
import { heron } from '../scripts/heron.ts';

const file = readFileSync(new URL('./wading-heron.json', import.meta.url), 'utf8');

describe('wading heron', () => {
  const machine = must(readMachine(file));
  const d = derive(machine);

  it('is what its script makes, and has nothing to mend', () => {
    expect(writeMachine(heron())).to.equal(file);
    expect(d.findings.filter(f => f.severity !== 'note')).to.deep.equal([]);
    expect(d.aims[machine.aims[0]!.id]!.status).to.equal('met');
  });

  it('strides once in sixteen turns of its motor, worked by hand: 1 + 60/20 = 4, twice', () => {
    const out = machine.aims[0]!.member!;
    expect(toFraction(d.train.rates[out]!)).to.equal('1/16');
    const places = stancesAt(d.moving, { whole: 16n, part: 0 });
    const rest = stancesAt(d.moving, { whole: 0n, part: 0 });
    expect(places.get(out)!.angle).to.be.closeTo(rest.get(out)!.angle, 1e-12);
    expect(
      [...places.keys()].filter(k => k.includes(' ')),
      'three more places in each of two stages',
    ).to.have.length(6);
  });
});
