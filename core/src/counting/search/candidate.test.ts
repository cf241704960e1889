import { expect } from 'chai';
import fc from 'fast-check';
import { rational, toFraction, toNumber } from '../../ground/rational/index.ts';
import { byError, byTotal, candidateOf, errorSize, pairings } from './candidate.ts';

const count = fc.integer({ min: 4, max: 200 });

describe('candidates', () => {
  it('have the product of driving over driven as their ratio, and all teeth as their total', () => {
    const c = candidateOf([
      { driving: 64, driven: 38 },
      { driving: 48, driven: 24 },
      { driving: 127, driven: 32 },
    ]);
    expect(toFraction(c.ratio), 'Freeth et al., Nature 444, 2006').to.equal('254/19');
    expect(c.total).to.equal(333);
  });

  it('are ordered by the size of their error, exactly, and the smaller ratio first of two equal', () => {
    const order = byError(rational(1n));
    const fast = candidateOf([{ driving: 11, driven: 10 }]);
    const slow = candidateOf([{ driving: 9, driven: 10 }]);
    expect(order(slow, fast)).to.equal(-1);
    expect(order(fast, slow)).to.equal(1);
    expect(order(fast, fast)).to.equal(0);
    expect(toNumber(errorSize(fast.ratio, rational(1n)))).to.be.closeTo(0.1, 1e-15);
  });

  it('of one ratio are ordered by total, then by fewer stages', () => {
    const one = candidateOf([{ driving: 20, driven: 40 }]);
    const two = candidateOf([
      { driving: 10, driven: 20 },
      { driving: 15, driven: 15 },
    ]);
    expect(one.total).to.equal(two.total);
    expect(byTotal(one, two)).to.be.below(0);
  });

  it('are paired in every way once, the stage with the larger tooth sum first', () => {
    const name = (stages: readonly { driving: number; driven: number }[]): string =>
      stages
        .map(s => `${s.driving}/${s.driven}`)
        .sort()
        .join();
    fc.assert(
      fc.property(count, count, count, count, (a, c, b, d) => {
        const found = pairings([a, c], [b, d], false);
        const straight = [
          { driving: a, driven: b },
          { driving: c, driven: d },
        ];
        const crossed = [
          { driving: a, driven: d },
          { driving: c, driven: b },
        ];
        expect(new Set(found.map(name))).to.deep.equal(new Set([straight, crossed].map(name)));
        for (const [first, second] of found)
          expect(first!.driving + first!.driven).to.be.at.least(second!.driving + second!.driven);
      }),
    );
    expect(pairings([1, 2, 3], [4, 5, 6], true), '3! orders, 3! partners').to.have.length(36);
  });
});
