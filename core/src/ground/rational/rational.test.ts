import { expect } from 'chai';
import fc from 'fast-check';
import { must } from '../result/index.ts';
import {
  add,
  compare,
  convergents,
  div,
  factors,
  floor,
  fraction,
  mul,
  parseDecimal,
  parseRational,
  type Rational,
  rational,
  sternBrocotPath,
  sub,
  terms,
  toDecimal,
  toFraction,
  toNumber,
  toSignificant,
} from './index.ts';

const any = fc
  .tuple(fc.bigInt({ min: -(10n ** 30n), max: 10n ** 30n }), fc.bigInt({ min: 1n, max: 10n ** 30n }))
  .map(([n, d]) => rational(n, d));
const same = (a: Rational, b: Rational): boolean => a.num === b.num && a.den === b.den;

describe('rationals', () => {
  it('keep the laws of a field, exactly', () => {
    fc.assert(
      fc.property(any, any, any, (a, b, c) => {
        expect(same(add(a, b), add(b, a))).to.equal(true);
        expect(same(mul(a, add(b, c)), add(mul(a, b), mul(a, c)))).to.equal(true);
        expect(same(sub(add(a, b), b), a)).to.equal(true);
        if (b.num !== 0n) expect(same(div(mul(a, b), b), a)).to.equal(true);
        expect(same(add({ num: floor(a), den: 1n }, fraction(a)), a)).to.equal(true);
      }),
    );
  });

  it('refuse a denominator of nought and mend its sign', () => {
    expect(() => rational(1, 0)).to.throw(RangeError);
    expect(toFraction(rational(6, -4))).to.equal('-3/2');
  });

  it('tell apart what doubles cannot', () => {
    const a = rational(10n ** 30n + 1n, 10n ** 30n);
    expect(toNumber(a)).to.equal(1);
    expect(compare(a, rational(1n))).to.equal(1);
  });

  it('become the nearest double even when both parts are far beyond one', () => {
    expect(toNumber(rational(2n * 10n ** 400n, 3n * 10n ** 400n))).to.equal(2 / 3);
    expect(toNumber(rational(10n ** 400n + 1n, 10n ** 399n))).to.be.closeTo(10, 1e-14);
    expect(toNumber(rational(1n, 10n ** 320n))).to.be.closeTo(1e-320, 1e-322);
    expect(toNumber(rational(10n ** 400n))).to.equal(Infinity);
  });

  it('read decimals exactly, never through a double', () => {
    expect(toFraction(must(parseDecimal('0.1')))).to.equal('1/10');
    expect(toFraction(must(parseDecimal('-12.50e-1')))).to.equal('-5/4');
    expect(toFraction(must(parseRational('1/365.24219')))).to.equal('100000/36524219');
    for (const bad of ['', '.', '1..2', 'abc', '0x10', '1e99999', '1/2/3', '1/0', 'NaN', '9'.repeat(1500)])
      expect(parseRational(bad).ok, bad).to.equal(false);
  });

  it('print decimals rounded half away from zero, at any length', () => {
    expect(toDecimal(rational(2, 3), 3)).to.equal('0.667');
    expect(toDecimal(rational(-1, 8), 2)).to.equal('-0.13');
    expect(toDecimal(rational(-1, 1000), 2)).to.equal('0.00');
    expect(toSignificant(rational(1, 300), 3)).to.equal('0.00333');
    expect(toSignificant(rational(2501, 4704), 8)).to.equal('0.53167517');
    expect(toSignificant(rational(123456), 3)).to.equal('123456');
  });

  it('factor integers', () => {
    expect(factors(84)).to.deep.equal([2, 2, 3, 7]);
    expect(factors(254)).to.deep.equal([2, 127]);
    expect(factors(1)).to.deep.equal([]);
    expect(() => factors(0)).to.throw(RangeError);
  });
});

describe('continued fractions', () => {
  // Brocot, Calcul des rouages par approximation, 1861: his worked example, arbors of 23 and 191 minutes (from memory).
  const brocot = rational(191, 23);

  it('give Brocot’s approximations of 191/23', () => {
    expect(terms(brocot)).to.deep.equal([8n, 3n, 3n, 2n]);
    expect(convergents(brocot).map(toFraction)).to.deep.equal(['8', '25/3', '83/10', '191/23']);
    const path = sternBrocotPath(brocot).map(toFraction);
    for (const f of ['8', '9', '17/2', '25/3', '33/4', '58/7', '83/10', '108/13', '191/23'])
      expect(path).to.include(f);
    expect(path.at(-1)).to.equal('191/23');
  });

  it(
    'give Huygens’s ratio for Saturn, 206/7, as a convergent of 77708431/2640858 ' +
      '(Descriptio automati planetarii, 1703)',
    () => {
      expect(convergents(rational(77708431, 2640858)).map(toFraction)).to.include('206/7');
    },
  );

  it('come nearer with every convergent and end at the number itself', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 100000 }), fc.integer({ min: 1, max: 100000 }), (n, d) => {
        const a = rational(n, d);
        const list = convergents(a);
        expect(same(list.at(-1) ?? rational(0), a)).to.equal(true);
        const off = list.map(c => Math.abs(toNumber(sub(c, a))));
        for (let i = 1; i < off.length; i++) expect(off[i]).to.be.at.most(off[i - 1] as number);
      }),
    );
  });
});
