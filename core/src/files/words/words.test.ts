import { expect } from 'chai';
import { cautionsFor } from '../../making/process/index.ts';
import { rational } from '../../ground/rational/index.ts';
import { CAUTIONS, sayDrift, sayReduction } from './index.ts';

describe('words', () => {
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

  it('give a rate as turns of the drive to turns of the output', () => {
    expect(sayReduction(rational(19n, 235n), 5)).to.equal('12.368 : 1');
    expect(sayReduction(rational(-4n), 3)).to.equal('1 : 4.00');
    expect(sayReduction(rational(1n), 3)).to.equal('1 : 1.00');
    expect(sayReduction(rational(0n), 3)).to.equal('still');
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
