import { expect } from 'chai';
import { rational, toFraction } from '../rational/index.ts';
import { must } from '../result/index.ts';
import {
  degreesOf,
  type DriveFacts,
  parseAmount,
  parseSpan,
  parseWanted,
  sayAmount,
  wantedRate,
  whatCounts,
} from './index.ts';

const degrees = (amount: string, wanted: string, drive: DriveFacts): string => {
  const read = must(parseWanted(wanted));
  const of = must(parseAmount(amount, whatCounts(parseWanted(wanted))));
  const rate = wantedRate(read, drive);
  const found = rate.ok ? degreesOf(of, read, rate.value, drive) : undefined;
  return found ? toFraction(found) : 'nothing';
};

describe('a tolerance in what the output counts', () => {
  const clock = { seconds: rational(43200) };
  const cart = { seconds: undefined, metres: rational(2n, 5n) };

  it('is degrees when only a number is said, or an angle, or turns', () => {
    for (const text of ['1', '1.0', '1°', '1 deg', '1 degree', '1/360 turns'])
      expect(degrees(text, '1 h', clock), text).to.equal('1');
  });

  it('is metres where the output counts a way, and minutes where it tells the time', () => {
    // One turn for 100 m: 5 m are a twentieth of a turn.
    expect(degrees('5 m', '1 per 100 m', cart)).to.equal('18');
    expect(degrees('5 mm', '1 per 100 m', cart)).to.equal('9/500');
    // A yard is 0.9144 m (international yard and pound agreement, 1959).
    expect(degrees('1 yd', '1 per 9.144 m', cart)).to.equal('36');
    // An hour hand turns in 12 h: 5 minutes are 2.5 degrees.
    expect(degrees('5 m', '12 h', clock)).to.equal('5/2');
    expect(degrees('5 min', '12 h', clock)).to.equal('5/2');
    expect(degrees('1 h', '1 d', clock)).to.equal('15');
    expect(degrees('1 km', '12 h', clock), 'a clock counts no way').to.equal('nothing');
    expect(degrees('1 min', '1 per 100 m', cart), 'nor a road counter time').to.equal('nothing');
  });

  it('is refused with what is wrong', () => {
    const why = (text: string): string => {
      const read = parseAmount(text);
      return read.ok ? 'read' : read.problem.code;
    };
    expect(['0', '-1', '0 min', '0 km', '3 furlongs'].map(why)).to.deep.equal([
      ...Array.from({ length: 4 }, () => 'tolerance-zero'),
      'unit-unknown',
    ]);
    for (const text of ['', 'x', '1 2', '1/0 min', 'm']) expect(why(text), text).to.not.equal('read');
  });

  it('holds over a way, which is metres for what counts one: 1000 m are no 1000 minutes', () => {
    expect(must(parseSpan('1000 m', 'way'))).to.deep.equal({ kind: 'way', metres: rational(1000) });
    expect(must(parseSpan('1000 m'))).to.deep.equal({ kind: 'time', seconds: rational(60000) });
    for (const text of ['1 km', '1 mile', '1000 ft'])
      expect(must(parseSpan(text)).kind, text).to.equal('way');
    expect(must(parseSpan('100 turns', 'way')).kind).to.equal('turns');
    expect(must(parseSpan('1 d', 'way')).kind).to.equal('time');
    expect(parseSpan('0 km').ok).to.equal(false);
  });

  it('is said in its own unit', () => {
    expect(sayAmount('angle', 0.31)).to.equal('0.310°');
    expect(sayAmount('way', 5)).to.equal('5.00 m');
    expect(sayAmount('time', 150)).to.equal('2.50 minutes');
  });
});
