import {
  Body,
  DefineStar,
  HelioVector,
  JupiterMoons,
  MoonPhase,
  Observer,
  PlanetOrbitalPeriod,
  SearchHourAngle,
  SearchMoonPhase,
} from 'astronomy-engine';
import { expect } from 'chai';
import {
  absolute,
  parseRational,
  type Rational,
  rational,
  toFraction,
  toNumber,
} from '../../ground/rational/index.ts';
import { must } from '../../ground/result/index.ts';
import { parsePeriod, parseSpan, parseWanted } from '../../ground/units/index.ts';
import {
  driftDegrees,
  errorForDrift,
  findPeriods,
  GROUPS,
  turnsToOneDegree,
  PERIODS,
  periodError,
  ppm,
  rateError,
  secondsToGain,
  wantedTextOf,
  withinTolerance,
} from './index.ts';

const days = (id: string): number => {
  const known = PERIODS.find(p => p.id === id);
  if (!known) throw new Error(id);
  return toNumber(must(parsePeriod(known.text))) / 86400;
};

const FREE = { seconds: undefined };

describe('error and drift', () => {
  const wanted = must(parseRational('0.5316751872932182'));
  const error = rateError(rational(2501, 4704), wanted);

  it('follow conventions 2: 2501/4704 against Mars is −0.0324 ppm', () => {
    expect(toNumber(ppm(error))).to.be.closeTo(-0.0324, 0.00005);
    expect(toNumber(ppm(periodError(error)))).to.be.closeTo(0.0324, 0.00005);
  });

  it('are in degrees: error · wanted turns · 360', () => {
    const turns = must(parseSpan('1000 turns'));
    const drift = driftDegrees(error, wanted, turns, FREE);
    expect(toNumber(drift!)).to.be.closeTo(-3.2398e-8 * 531.675 * 360, 1e-6);
    const year = must(parseSpan('1 Julian year'));
    expect(driftDegrees(error, wanted, year, FREE), 'a time says nothing without a period').to.equal(
      undefined,
    );
    const back = errorForDrift(absolute(drift!), wanted, turns, FREE);
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

  it('has the planets’ mean periods, and NASA’s fact sheets’ (NASA/GSFC Planetary Fact Sheets, from memory)', () => {
    const sheet: Record<string, [Body, number]> = {
      mercury: [Body.Mercury, 87.969],
      venus: [Body.Venus, 224.701],
      earth: [Body.Earth, 365.256],
      mars: [Body.Mars, 686.98],
      jupiter: [Body.Jupiter, 4332.589],
      saturn: [Body.Saturn, 10759.22],
      uranus: [Body.Uranus, 30685.4],
      neptune: [Body.Neptune, 60189],
      pluto: [Body.Pluto, 90560],
    };
    for (const [id, [body, known]] of Object.entries(sheet)) {
      const error = Math.abs(PlanetOrbitalPeriod(body) / days(id) - 1);
      expect(error, id).to.be.below(4e-4);
      expect(Math.abs(known / days(id) - 1), `${id}, fact sheet`).to.be.below(4e-4);
    }
  });

  it('agrees with Huygens’s wheels to a thousandth (Descriptio automati planetarii, 1703; from memory)', () => {
    const wheels = { mercury: 204 / 847, mars: 158 / 84, jupiter: 166 / 14, saturn: 206 / 7 };
    for (const [id, years] of Object.entries(wheels))
      expect(Math.abs((years * 365.256) / days(id) - 1), id).to.be.below(1e-3);
  });

  it('has Mercury, Venus and Mars as they go round in three centuries, to 30 ppm', () => {
    for (const [id, body] of [
      ['mercury', Body.Mercury],
      ['venus', Body.Venus],
      ['mars', Body.Mars],
    ] as const) {
      const turns = Math.round((300 * 365.25) / days(id));
      const start = new Date('1800-01-01T00:00:00Z');
      const end = new Date(start.getTime() + turns * days(id) * 86400e3);
      const gained = HelioVector(body, end);
      const before = HelioVector(body, start);
      const angle = (v: { x: number; y: number }): number => Math.atan2(v.y, v.x) / (2 * Math.PI);
      const turn = angle(gained) - angle(before);
      expect(Math.abs(turn - Math.round(turn)) / turns, id).to.be.below(3e-5);
    }
  });

  it('has months and years that agree with one another through the nodes and the perigee', () => {
    const beat = (a: string, b: string): number => 1 / (1 / days(a) - 1 / days(b));
    expect(beat('draconic-month', 'sidereal-month')).to.be.closeTo(days('lunar-nodes'), 0.01);
    expect(beat('sidereal-month', 'anomalistic-month')).to.be.closeTo(days('lunar-apsides'), 0.01);
    expect(beat('sidereal-month', 'sidereal-year'), 'new moon to new moon').to.be.closeTo(
      days('synodic-month'),
      1e-5,
    );
    expect(beat('draconic-month', 'draconic-year'), 'the Sun and the node').to.be.closeTo(
      days('synodic-month'),
      1e-4,
    );
    expect(Math.abs(days('lunar-day') - 2 * days('m2'))).to.be.below(1e-9);
  });

  it('has the planets’ synodic periods of the handbooks (NASA/GSFC fact sheets, from memory)', () => {
    const known = {
      mercury: 115.88,
      venus: 583.92,
      mars: 779.94,
      jupiter: 398.88,
      saturn: 378.09,
      uranus: 369.66,
      neptune: 367.49,
    };
    for (const [id, d] of Object.entries(known)) expect(days(`${id}-synodic`), id).to.be.closeTo(d, 0.01);
  });

  it('has Jupiter’s moons as their transits go in 200 turns', () => {
    for (const [id, of] of [
      ['io', 'io'],
      ['europa', 'europa'],
      ['ganymede', 'ganymede'],
      ['callisto', 'callisto'],
    ] as const) {
      const at = (d: number): number => {
        const v = JupiterMoons(new Date(Date.UTC(2000, 0, 1) + d * 86400e3))[of];
        return Math.atan2(v.y, v.x) / (2 * Math.PI);
      };
      const drift = at(200 * days(id)) - at(0);
      expect(Math.abs(drift - Math.round(drift)) / 200, id).to.be.below(1e-4);
    }
  });

  it('has Metonic, Callippic and Saros cycles of 235, 940 and 223 months (Freeth et al., Nature 444, 2006)', () => {
    expect(days('metonic')).to.be.closeTo(6939.69, 0.005);
    expect(days('callippic') / days('metonic')).to.be.closeTo(4, 1e-7);
    expect(days('saros')).to.be.closeTo(6585.32, 0.005);
    expect(Math.abs(days('metonic') - 19 * days('tropical-year')), 'two hours').to.be.below(0.1);
  });

  it('has the sidereal year to the precision of the library’s mean period of the Earth', () => {
    expect(PlanetOrbitalPeriod(Body.Earth)).to.be.closeTo(days('sidereal-year'), 0.01);
  });

  it('reads every period, with a source and an uncertainty', () => {
    for (const p of PERIODS) {
      expect(parsePeriod(p.text).ok, p.id).to.equal(true);
      expect(p.source, p.id).to.not.equal('');
      expect(p.uncertaintySeconds, p.id).to.be.at.least(0);
      expect(parseWanted(wantedTextOf(p)).ok, p.id).to.equal(true);
    }
    expect(new Set(PERIODS.map(p => p.id)).size, 'ids are used once').to.equal(PERIODS.length);
    expect(new Set(PERIODS.map(p => p.group)).size).to.equal(GROUPS.length);
  });

  it('finds entries by words in any order and case', () => {
    expect(findPeriods(PERIODS, 'JUPITER io').map(p => p.id)).to.deep.equal(['io']);
    expect(findPeriods(PERIODS, 'tide m2').map(p => p.id)).to.deep.equal(['m2']);
    expect(findPeriods(PERIODS, '')).to.have.length(PERIODS.length);
    expect(findPeriods(PERIODS, 'unicorn')).to.deep.equal([]);
  });
});

describe('how long until an output is out by a degree', () => {
  it('is 1/(360 e) turns where the output turns with the drive, less where it turns faster, never if exact', () => {
    const turns = (error: Rational, rate: Rational): string => toFraction(turnsToOneDegree(error, rate)!);
    expect(turns(rational(1n, 1000000n), rational(1n))).to.equal('25000/9');
    expect(turns(rational(-1n, 1000000n), rational(12n))).to.equal('6250/27');
    expect(turnsToOneDegree(rational(0n), rational(1n))).to.equal(undefined);
  });
});
