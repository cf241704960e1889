import { expect } from 'chai';
import fc from 'fast-check';
import { rational, toNumber } from '../rational/index.ts';
import { must } from '../result/index.ts';
import { sayProblem } from '../../files/words/index.ts';
import {
  dateFrom,
  dayOf,
  FIRST_YEAR,
  julianDayNumber,
  LAST_YEAR,
  parseDate,
  sayDate,
  secondsSince2000,
} from './index.ts';

describe('the calendar', () => {
  it('gives the Julian days of Meeus, Astronomical Algorithms, ch. 7 (from memory): Gregorian dates at noon', () => {
    const days: [number, number, number, number][] = [
      [2000, 1, 1, 2451545],
      [1999, 1, 1, 2451180],
      [1987, 1, 27, 2446823],
      [1987, 6, 19, 2446966],
      [1988, 1, 27, 2447188],
      [1988, 6, 19, 2447332],
      [1900, 1, 1, 2415021],
      [1600, 1, 1, 2305448],
      [1600, 12, 31, 2305813],
      [1957, 10, 4, 2436116],
      [1582, 10, 15, 2299161],
    ];
    for (const [y, m, d, jd] of days) expect(julianDayNumber(y, m, d), `${y}-${m}-${d}`).to.equal(jd);
  });

  it('carried back before 1582 it is day 0 on 24 November of the year −4713', () => {
    expect(julianDayNumber(-4713, 11, 24)).to.equal(0);
  });

  it('agrees with the language’s own dates, to the second, over its whole range', () => {
    fc.assert(
      fc.property(fc.integer({ min: -8.6e12 / 1000, max: 8.6e12 / 1000 }), seconds => {
        const date = new Date(seconds * 1000);
        const since = rational(BigInt(seconds) - BigInt(Date.UTC(2000, 0, 1, 12) / 1000));
        const ours = dateFrom(since);
        const year = date.getUTCFullYear();
        if (year < FIRST_YEAR || year > LAST_YEAR) return;
        expect([ours!.year, ours!.month, ours!.day]).to.deep.equal([
          year,
          date.getUTCMonth() + 1,
          date.getUTCDate(),
        ]);
        expect(toNumber(secondsSince2000(ours!))).to.equal(toNumber(since));
      }),
    );
  });

  it('goes there and back for every day of many years', () => {
    for (let jd = -3_000_000; jd < 5_000_000; jd += 977) {
      const { year, month, day } = dayOf(jd);
      expect(julianDayNumber(year, month, day)).to.equal(jd);
    }
  });

  it('reads dates as people write them, and says them again', () => {
    for (const [text, said] of [
      ['2026-11-25', '2026-11-25 00:00'],
      ['2026-11-25 06:30', '2026-11-25 06:30'],
      ['2026-11-25T06:30:00Z', '2026-11-25 06:30'],
      ['-0044-03-15', '−0044-03-15 00:00'],
      ['1582-10-10', '1582-10-10 00:00'],
    ] as const)
      expect(sayDate(must(parseDate(text)))).to.equal(said);
  });

  it('says what is wrong with what is no date', () => {
    for (const text of [
      '',
      'tomorrow',
      '2026-13-01',
      '2026-02-30',
      '2025-02-29',
      '2026-01-01 25:00',
      '999999-01-01',
      '2026-11-25 06:61',
    ]) {
      const read = parseDate(text);
      expect(read.ok, text).to.equal(false);
      if (!read.ok) expect(sayProblem(read.problem)).to.match(/\.$/);
    }
    expect(parseDate('2024-02-29').ok).to.equal(true);
  });
});
