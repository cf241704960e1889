import {
  Body,
  DefineStar,
  MoonPhase,
  Observer,
  PlanetOrbitalPeriod,
  SearchHourAngle,
  SearchMoonPhase,
} from 'astronomy-engine';
import { expect } from 'chai';
import { absolute, parseRational, rational, toNumber } from '../rational/index.ts';
import { must } from '../result/index.ts';
import { parsePeriod, parseSpan } from '../units/index.ts';
import {
  driftDegrees,
  errorForDrift,
  PERIODS,
  periodError,
  ppm,
  rateError,
  secondsToGain,
  withinTolerance,
} from './index.ts';

const days = (id: string): number => {
  const known = PERIODS.find(p => p.id === id);
  if (!known) throw new Error(id);
  return toNumber(must(parsePeriod(known.text))) / 86400;
};

describe('error and drift', () => {
  const wanted = must(parseRational('0.5316751872932182'));
  const error = rateError(rational(2501, 4704), wanted);

  it('follow conventions 2: 2501/4704 against Mars is −0.0324 ppm', () => {
    expect(toNumber(ppm(error))).to.be.closeTo(-0.0324, 0.00005);
    expect(toNumber(ppm(periodError(error)))).to.be.closeTo(0.0324, 0.00005);
  });

  it('are in degrees: error · wanted turns · 360', () => {
    const turns = must(parseSpan('1000 turns'));
    const drift = driftDegrees(error, wanted, turns, undefined);
    expect(toNumber(drift!)).to.be.closeTo(-3.2398e-8 * 531.675 * 360, 1e-6);
    const year = must(parseSpan('1 Julian year'));
    expect(driftDegrees(error, wanted, year, undefined), 'a time says nothing without a period').to.equal(
      undefined,
    );
    const back = errorForDrift(absolute(drift!), wanted, turns, undefined);
    expect(toNumber(back!)).to.be.closeTo(Math.abs(toNumber(error)), 1e-15);
    expect(withinTolerance(drift!, absolute(drift!))).to.equal(true);
    expect(withinTolerance(drift!, rational(0))).to.equal(false);
  });

  it('say how long until a unit is gained: one day at 44.9 ppm in 61 years', () => {
    const years = toNumber(secondsToGain(rational(449, 10000000), rational(86400))!) / 31557600;
    expect(years).to.be.closeTo(61, 0.1);
  });
});

describe('library of periods, against astronomy-engine', () => {
  it('has the synodic month: 2473 new moons from 1900 on, so that their unevenness counts for little', () => {
    const first = SearchMoonPhase(0, new Date('1900-01-01T00:00:00Z'), 40)!;
    const last = SearchMoonPhase(0, new Date(first.date.getTime() + 2472.5 * 29.530588 * 86400e3), 40)!;
    expect(MoonPhase(last.date) % 360).to.satisfy((p: number) => p < 0.01 || p > 359.99);
    expect((last.ut - first.ut) / 2473).to.be.closeTo(days('synodic-month'), 0.0005);
    expect(2 * days('spring-neap')).to.be.closeTo(days('synodic-month'), 1e-6);
  });

  it('has M2: half the mean time between the Moon’s transits, over 19 years', () => {
    const place = new Observer(51.5, 0, 0);
    const first = SearchHourAngle(Body.Moon, place, 0, new Date('2005-01-01T00:00:00Z'), 1);
    const guess = new Date(first.time.date.getTime() + (6705 - 0.3) * 2 * 12.4206012 * 3600e3);
    const last = SearchHourAngle(Body.Moon, place, 0, guess, 1);
    const halfDays = (last.time.ut - first.time.ut) / 2;
    expect((halfDays / 6705) * 24).to.be.closeTo(days('m2') * 24, 0.0005);
  });

  it('has the sidereal day: a star’s transits a year apart', () => {
    DefineStar(Body.Star1, 5, 10, 1000);
    const place = new Observer(0, 0, 0);
    const first = SearchHourAngle(Body.Star1, place, 0, new Date('2010-03-01T00:00:00Z'), 1);
    const last = SearchHourAngle(
      Body.Star1,
      place,
      0,
      new Date(first.time.date.getTime() + 3652.5 * 86164.0905e3),
      1,
    );
    expect(Math.round((last.time.ut - first.time.ut) / days('sidereal-day'))).to.equal(3653);
    expect((last.time.ut - first.time.ut) / 3653).to.be.closeTo(days('sidereal-day'), 1e-6);
  });

  it('has the sidereal year to the precision of the library’s mean period of the Earth', () => {
    expect(PlanetOrbitalPeriod(Body.Earth)).to.be.closeTo(days('sidereal-year'), 0.01);
  });

  it('reads every period, with a source and an uncertainty', () => {
    for (const p of PERIODS) {
      expect(parsePeriod(p.text).ok, p.id).to.equal(true);
      expect(p.source, p.id).to.not.equal('');
      expect(p.uncertaintySeconds, p.id).to.be.at.least(0);
    }
  });
});
