import { expect } from 'chai';
import fc from 'fast-check';
import { toFraction, toNumber, rational } from '../rational/index.ts';
import { must, type Result } from '../result/index.ts';
import {
  parsePeriod,
  parseRatio,
  parseSpan,
  parseTravel,
  parseWanted,
  sayPeriod,
  STANDARD_MODULES,
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

  it('reads turns of the drive to turns of the output: a reduction is n : 1 (conventions 1)', () => {
    const ratio = (text: string): string => {
      const w = must(parseWanted(text));
      return w.kind === 'ratio' ? toFraction(w.turns) : w.kind;
    };
    expect(['4:1', '1:4', '12 to 1', '60 : 1', '60/1', '2.5 to 1'].map(ratio)).to.deep.equal([
      ...['1/4', '4', '1/12', '1/60', '60', '2/5'],
    ]);
    expect(code(parseWanted('0:1'))).to.equal('ratio-zero');
    expect(code(parseWanted('-4:1'))).to.equal('ratio-negative');
    expect(toFraction(must(parseRatio('-4:1')))).to.equal('-1/4');
    expect(toFraction(must(parseRatio('0.25')))).to.equal('1/4');
  });

  it('reads beats by any time, and swings in hertz, with the teeth of the escape wheel', () => {
    // Four beats a second and 15 teeth: 30 beats a turn, 7.5 s (worked by hand).
    const four = [
      ...[
        '4 beats per second with 15 teeth',
        '240 beats per minute with 15 teeth',
        '14400 an hour with 15 teeth',
      ],
      ...['14400 beats per hour with 15 teeth', '2 Hz with 15 teeth'],
    ];
    for (const text of four) expect(seconds(text), text).to.equal(7.5);
    expect(seconds('2 Hz'), 'a turn').to.equal(0.5);
    expect(code(parseWanted('240 beats per minute'))).to.equal('beats-need-teeth');
    expect(code(parseWanted('14400 an hour'))).to.equal('beats-need-teeth');
    expect(code(parseWanted('0 Hz'))).to.equal('speed-zero');
    for (const none of ['2 Hz with 0 teeth', '240 beats per minute with 0 teeth'])
      expect(code(parseWanted(none)), none).to.equal('period-zero');
  });

  it('reads turns for a mile and a yard (1959 agreement: 1609.344 m, 0.9144 m)', () => {
    const perMetre = (text: string): number => {
      const w = must(parseWanted(text));
      return w.kind === 'per distance' ? toNumber(w.perMetre) : NaN;
    };
    expect(perMetre('1 per 1 mile')).to.be.closeTo(1 / 1609.344, 1e-15);
    expect(perMetre('1 per mile')).to.be.closeTo(1 / 1609.344, 1e-15);
    expect(perMetre('2 every 10 yards')).to.be.closeTo(2 / 9.144, 1e-12);
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
      wantedRate(must(parseWanted('1.8808476 Julian year')), {
        seconds: must(parsePeriod('1 Julian year')),
      }),
    );
    expect(toNumber(rate)).to.be.closeTo(0.5316751873, 1e-10);
    expect(code(wantedRate(must(parseWanted('12 h')), { seconds: undefined }))).to.equal(
      'drive-has-no-period',
    );
  });

  it('reads readings per distance, and makes a rate of them and the way the drive rolls', () => {
    const rate = (wanted: string, travel: string): string =>
      toFraction(
        must(
          wantedRate(must(parseWanted(wanted)), { seconds: undefined, metres: must(parseTravel(travel)) }),
        ),
      );
    expect(rate('1 per m', '0.4 m round')).to.equal('2/5');
    expect(rate('one turn per metre', '400 mm')).to.equal('2/5');
    expect(rate('1 per 0.4 m', '0.4 m')).to.equal('1');
    expect(rate('10 turns per km', '2 m round')).to.equal('1/50');
    expect(rate('1 per 100 ft', '1 ft')).to.equal('1/100');
    const across = must(
      wantedRate(must(parseWanted('1 per m')), {
        seconds: undefined,
        metres: must(parseTravel('127.32395 mm across')),
      }),
    );
    expect(toNumber(across), 'π times the diameter').to.be.closeTo(0.4, 1e-7);
    expect(code(wantedRate(must(parseWanted('1 per m')), { seconds: undefined }))).to.equal(
      'drive-has-no-travel',
    );
    for (const text of ['0 m', 'far', '3', '2 h', '1/0 m'])
      expect(parseTravel(text).ok, text).to.equal(false);
  });

  it('reads speeds that are not to be passed: under 12 rpm at a crank of 90 is at most 2/15', () => {
    const read = must(parseWanted('under 12 rpm'));
    expect(read).to.deep.include({ kind: 'speed limit', bound: 'most' });
    expect(toFraction(must(wantedRate(read, { seconds: must(parsePeriod('90 rpm')) })))).to.equal('2/15');
    expect(must(parseWanted('over 3 rpm'))).to.deep.include({ kind: 'speed limit', bound: 'least' });
    expect(must(parseWanted('≥ 3 rpm'))).to.deep.include({ bound: 'least' });
  });

  it('reads beats: 3600 an hour on 30 teeth turn an escape wheel once a minute (common practice, no source)', () => {
    expect(seconds('3600 beats per hour with 30 teeth')).to.equal(60);
    expect(seconds('18000 beats an hour, 15 teeth')).to.equal(6);
    expect(seconds('18000 beats/h with an escape wheel of 15 teeth')).to.equal(6);
    expect(code(parseWanted('0 beats per hour with 30 teeth'))).to.equal('period-zero');
  });

  it('reads how well a figure is known, relative to it', () => {
    const known = (text: string): number | string => {
      const read = parseWanted(text);
      if (!read.ok) return read.problem.code;
      return 'uncertainty' in read.value && read.value.uncertainty
        ? toNumber(read.value.uncertainty)
        : 'none';
    };
    expect(known('10 d ± 1 d')).to.equal(0.1);
    expect(known('100 s ± 1/2 s')).to.equal(0.005);
    expect(known('235/19 +- 0.01')).to.be.closeTo(0.01 / (235 / 19), 1e-15);
    expect(known('10 d')).to.equal('none');
    expect(known('10 d ± 1')).to.equal('uncertainty-unreadable');
    expect(known('1 ± 1 ± 1')).to.equal('uncertainty-unreadable');
    expect(known('still ± 1')).to.equal('uncertainty-unreadable');
    expect(must(parseWanted('held still')).kind).to.equal('still');
  });

  it('reads a span in time or in turns of the drive', () => {
    expect(must(parseSpan('100 turns'))).to.deep.equal({ kind: 'turns', turns: rational(100) });
    expect(must(parseSpan('365.25 d')).kind).to.equal('time');
    expect(parseSpan('0 turns').ok).to.equal(false);
  });
});

describe('standard modules', () => {
  it(
    'are ascending, each once; series I of ISO 54 is among them, and nothing between 1 and ' +
      '1.125 (from memory)',
    () => {
      expect([...STANDARD_MODULES].sort((a, b) => a - b)).to.deep.equal([...STANDARD_MODULES]);
      expect(new Set(STANDARD_MODULES).size).to.equal(STANDARD_MODULES.length);
      expect(STANDARD_MODULES).to.include.members([1, 1.25, 1.5, 2, 2.5, 3, 4, 5, 6, 8, 10]);
      expect(STANDARD_MODULES.filter(m => m >= 1 && m < 1.25)).to.deep.equal([1, 1.125]);
    },
  );
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
