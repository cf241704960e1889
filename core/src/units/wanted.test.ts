import { expect } from 'chai';
import fc from 'fast-check';
import { toFraction, toNumber, rational } from '../rational/index.ts';
import { must, type Result } from '../result/index.ts';
import {
  parsePeriod,
  parseSpan,
  parseWanted,
  sayPeriod,
  sayTime,
  figure,
  fixed,
  wantedRate,
} from './index.ts';

const seconds = (text: string): number => toNumber(must(parsePeriod(text)));
const code = (r: Result<unknown>): string => (r.ok ? 'ok' : r.problem.code);

describe('periods as people write them', () => {
  it('reads one unit or several, with or without spaces', () => {
    expect(seconds('12.4206012 h')).to.be.closeTo(44714.16432, 1e-9);
    expect(seconds('29d 12h 44m 2.9s')).to.equal(29 * 86400 + 12 * 3600 + 44 * 60 + 2.9);
    expect(seconds('29 days, 12 hours, 44 min')).to.equal(2551440);
    expect(seconds('1/3 d')).to.equal(28800);
    expect(seconds('2 weeks')).to.equal(1209600);
    expect(seconds('1 Julian year')).to.equal(31557600);
    expect(seconds('1 tropical year')).to.be.closeTo(365.24219 * 86400, 1e-6);
  });

  it('reads speeds as periods', () => {
    expect(seconds('5 rpm')).to.equal(12);
    expect(toFraction(must(parsePeriod('7 turns per minute')))).to.equal('60/7');
  });

  it('reads a number alone as turns per turn of the drive, exactly', () => {
    const ratio = (text: string): string => {
      const w = must(parseWanted(text));
      return w.kind === 'ratio' ? toFraction(w.turns) : w.kind;
    };
    expect(ratio('235/19')).to.equal('235/19');
    expect(ratio('1/365.24219')).to.equal('100000/36524219');
    expect(ratio(' 0.5 ')).to.equal('1/2');
  });

  it('says what is wrong with what it cannot read', () => {
    expect(code(parseWanted(''))).to.equal('nothing-typed');
    expect(code(parseWanted('0'))).to.equal('ratio-zero');
    expect(code(parseWanted('0 h'))).to.equal('period-zero');
    expect(code(parseWanted('-3 h'))).to.equal('period-negative');
    expect(code(parseWanted('-3'))).to.equal('ratio-negative');
    expect(code(parseWanted('a moon'))).to.equal('period-unreadable');
    expect(code(parseWanted('3 moons'))).to.equal('unit-unknown');
    expect(code(parseWanted('1 year'))).to.equal('year-unnamed');
    expect(code(parseWanted('12,42 h'))).to.equal('decimal-comma');
    expect(code(parseWanted('0 rpm'))).to.equal('speed-zero');
    expect(code(parseWanted('1/0 h'))).to.equal('division-by-zero');
    expect(code(parseWanted('9'.repeat(2000)))).to.equal('number-too-long');
    expect(code(parsePeriod('12'))).to.equal('unit-missing');
  });

  it('never throws and never hangs, whatever is typed', () => {
    fc.assert(
      fc.property(
        fc.oneof(fc.string({ maxLength: 200 }), fc.stringMatching(/^[0-9./e dhms+-]{0,60}$/)),
        text => {
          parseWanted(text);
          parseSpan(text);
        },
      ),
      { numRuns: 2000 },
    );
  });

  it('makes a rate of a period and the drive’s (conventions 1)', () => {
    const rate = must(
      wantedRate(must(parseWanted('1.8808476 Julian year')), must(parsePeriod('1 Julian year'))),
    );
    expect(toNumber(rate)).to.be.closeTo(0.5316751873, 1e-10);
    expect(code(wantedRate(must(parseWanted('12 h')), undefined))).to.equal('drive-has-no-period');
  });

  it('reads a span in time or in turns of the drive', () => {
    expect(must(parseSpan('100 turns'))).to.deep.equal({ kind: 'turns', turns: rational(100) });
    expect(must(parseSpan('365.25 d')).kind).to.equal('time');
    expect(parseSpan('0 turns').ok).to.equal(false);
  });
});

describe('numbers on screen', () => {
  it('are in the unit that fits, with a true minus sign', () => {
    expect(sayTime(61.2 * 31557600)).to.equal('61.2 Julian years');
    expect(sayTime(7200)).to.equal('2.00 hours');
    expect(sayTime(Infinity)).to.equal('never');
    expect(sayPeriod(rational(4471416432, 100000))).to.equal('12.42060 h');
    expect(fixed(-0.001, 2)).to.equal('0.00');
    expect(fixed(-1.5, 1)).to.equal('−1.5');
    expect(figure(0.000123456, 3)).to.equal('0.000123');
    expect(figure(1234567, 3)).to.equal('1230000');
    expect(figure(0, 3)).to.equal('0');
  });
});
