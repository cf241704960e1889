import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import { derive } from '../core/src/state/derive/index.ts';
import { searchedState } from '../core/src/state/state/index.ts';
import { readMachine, writeMachine } from '../core/src/document/machine/index.ts';
import { stancesAt } from '../core/src/place/motion/index.ts';
import { toFraction } from '../core/src/ground/rational/index.ts';
import { must } from '../core/src/ground/result/index.ts';
import { kestrels } from '../scripts/kestrels.ts';

const file = readFileSync(new URL('./round-of-kestrels.json', import.meta.url), 'utf8');

describe('round of kestrels', () => {
  const machine = must(readMachine(file));
  const d = derive(machine);
  const turned = (id: string, part: number): number =>
    stancesAt(d.moving, { whole: 0n, part }).get(id)!.angle;

  it('is what its script makes, and has nothing to mend', () => {
    expect(writeMachine(kestrels())).to.equal(file);
    expect(d.findings.map(f => f.code)).to.deep.equal(['stands-in-nothing']);
    expect(Object.values(d.aims).map(a => a.status)).to.deep.equal(['met', 'met', 'met']);
  });

  it('asks the search for the ratio of the train on the arm, once it is built as well', () => {
    const asked = Object.values(d.aims).map(a => toFraction(searchedState(a).wanted!));
    expect(asked, 'seen over −1, by size').to.deep.equal(['1', '2', '2/3']);
  });

  it('turns its birds as worked by hand: −1, 36/18 and 24/36 on the arm; 0, 3 and 5/3 against the ground', () => {
    expect(['bird1', 'bird2', 'bird3'].map(id => toFraction(d.train.rates[id]!))).to.deep.equal([
      '-1',
      '2',
      '2/3',
    ]);
    for (const part of [0.1, 0.35, 0.9]) {
      expect(Math.cos(turned('bird1', part) - turned('bird1', 0)), 'always north').to.be.closeTo(1, 1e-9);
      expect(Math.cos(turned('bird2', part) - 6 * Math.PI * part)).to.be.closeTo(1, 1e-9);
      expect(Math.cos(turned('bird3', part) - (10 / 3) * Math.PI * part)).to.be.closeTo(1, 1e-9);
    }
  });
});
