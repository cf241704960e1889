import { expect } from 'chai';
import fc from 'fast-check';
import { compare, parseRational, rational, toFraction, toNumber } from '../rational/index.ts';
import { must } from '../result/index.ts';
import {
  byError,
  byTotal,
  candidateOf,
  checkQuery,
  type CountQuery,
  errorSize,
  outOfReach,
  pairStages,
  reach,
  searchTarget,
} from './index.ts';

const QUERY: CountQuery = {
  target: rational(1n, 2n),
  least: 12,
  most: 100,
  stages: [1, 2],
  coaxial: 'none',
  top: 5,
};
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
    const two = candidateOf([{ driving: 10, driven: 20 }, { driving: 15, driven: 15 }]); // prettier-ignore
    expect(one.total).to.equal(two.total);
    expect(byTotal(one, two)).to.be.below(0);
  });

  it('are paired into stages so that the larger tooth sum is least, which goes first', () => {
    fc.assert(
      fc.property(count, count, count, count, (a, c, b, d) => {
        const [first, second] = pairStages([a, c], [b, d]);
        const sum = (s: { driving: number; driven: number } | undefined): number => s!.driving + s!.driven;
        expect(sum(first)).to.be.at.least(sum(second));
        expect(sum(first)).to.equal(Math.min(Math.max(a + b, c + d), Math.max(a + d, c + b)));
        expect([first!.driving, second!.driving].sort()).to.deep.equal([a, c].sort());
        expect([first!.driven, second!.driven].sort()).to.deep.equal([b, d].sort());
      }),
    );
  });
});

describe('queries', () => {
  it('know the smallest and the greatest ratio of their limits', () => {
    const r = reach({ ...QUERY, least: 10, most: 40 });
    expect([toFraction(r.least), toFraction(r.most)]).to.deep.equal(['1/16', '16']);
    expect(toFraction(reach({ ...QUERY, least: 10, most: 40, stages: [1] }).most)).to.equal('4');
  });

  it('know whether a rate is out of reach, exactly at the bound', () => {
    const q = { ...QUERY, least: 10, most: 40 };
    const side = (text: string): string | undefined =>
      outOfReach({ ...q, target: must(parseRational(text)) });
    expect(side('16')).to.equal(undefined);
    expect(side('16.000000000000000000000000001')).to.equal('above');
    expect(side('0.0625')).to.equal(undefined);
    expect(side('0.0624999999999999999999999999')).to.equal('below');
  });

  it('search from the bound when the target lies beyond it, which leaves the order of the nearest as it is', () => {
    const far = { ...QUERY, target: rational(10n ** 40n) };
    const nearer = byError(searchTarget(far));
    const farther = byError(far.target);
    fc.assert(
      fc.property(count, count, count, count, (a, b, c, d) => {
        const [x, y] = [candidateOf([{ driving: a % 89 + 12, driven: b % 89 + 12 }]), candidateOf([{ driving: c % 89 + 12, driven: d % 89 + 12 }])]; // prettier-ignore
        expect(nearer(x, y)).to.equal(farther(x, y));
        expect(Math.sign(nearer(x, y))).to.equal(-compare(x.ratio, y.ratio) + 0);
      }),
    );
  });

  it('are accepted as they are when nothing forbids them', () => {
    expect(must(checkQuery(QUERY))).to.equal(QUERY);
  });
});
