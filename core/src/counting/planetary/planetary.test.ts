import { expect } from 'chai';
import fc from 'fast-check';
import { arrange } from '../../../test/arrange.ts';
import { KINDS } from '../../../test/kinds.ts';
import {
  absolute,
  compare,
  div,
  mul,
  ONE,
  parseRational,
  rational,
  sub,
  toFraction,
  toNumber,
} from '../../ground/rational/index.ts';
import { plantPlanetary, plantTwoRing } from '../../edits/planting/index.ts';
import { derive } from '../../state/derive/index.ts';
import { newMachine } from '../../document/machine/index.ts';
import { sayProblem } from '../../files/words/index.ts';
import { must } from '../../ground/result/index.ts';
import { trainRates } from '../../trains/train/index.ts';
import {
  assemblyOf,
  type Central,
  CENTRALS,
  drivenOf,
  type PlanetaryQuery,
  planetaryRate,
  type PlanetarySet,
  planetaryUses,
  ringMargins,
  ringOutside,
  withinOutside,
  searchPlanetary,
  searchTwoRing,
  setFrom,
  tipsPass,
  twoRingFits,
  twoRingFrom,
  twoRingGap,
  twoRingRate,
} from './index.ts';

const SET: PlanetarySet = { sun: 24, planet: 18, ring: 60, planets: 3 };
const count = fc.integer({ min: 6, max: 60 });

describe('a planetary set', () => {
  it(
    'has the rates of the handbooks, whichever member is held (Machinery’s Handbook, ' +
      'planetary gearing; from memory)',
    () => {
      const uses = Object.fromEntries(
        planetaryUses(SET).map(u => [`${u.held} held, ${u.driver} drives`, toFraction(u.rate)]),
      );
      expect(uses).to.deep.equal({
        'sun held, ring drives': '5/7',
        'sun held, arm drives': '7/5',
        'ring held, sun drives': '2/7',
        'ring held, arm drives': '7/2',
        'arm held, sun drives': '-2/5',
        'arm held, ring drives': '-5/2',
      });
    },
  );

  it('agrees with the general solver: ring held, sun drives, arm +2/7 (conventions 8)', () => {
    const machine = KINDS['planets in copies']!;
    expect(trainRates(machine).rates['arm']).to.deep.equal(planetaryRate(SET, 'ring', 'sun'));
  });

  it('obeys Willis’s formula in every use (Principles of Mechanism, 1841)', () => {
    fc.assert(
      fc.property(count, count, (sun, planet) => {
        const set = { sun, planet, ring: sun + 2 * planet, planets: 3 };
        for (const u of planetaryUses(set)) {
          const w: Record<Central, ReturnType<typeof rational>> = {
            sun: rational(0),
            ring: rational(0),
            arm: rational(0),
          };
          w[u.driver] = ONE;
          w[u.driven] = u.rate;
          const left = mul(sub(w.sun, w.arm), rational(sun));
          const right = mul(sub(w.ring, w.arm), rational(-set.ring));
          expect(compare(left, right)).to.equal(0);
          expect(mul(u.rate, planetaryRate(set, u.held, u.driven)), 'back again').to.deep.equal(ONE);
        }
      }),
    );
  });

  it('follows from any two of its counts', () => {
    const sets = [
      { sun: 24, planet: 18 },
      { sun: 24, ring: 60 },
      { planet: 18, ring: 60 },
    ];
    for (const known of sets) expect(must(setFrom(known, 3))).to.deep.equal(SET);
    const code = (known: Parameters<typeof setFrom>[0], planets = 3): string => {
      const set = setFrom(known, planets);
      return set.ok ? 'ok' : set.problem.code;
    };
    expect(code({ sun: 24, ring: 61 })).to.equal('planetary-odd');
    expect(code({ sun: 24, planet: 18, ring: 62 })).to.equal('planetary-sum');
    expect(code({ sun: 24 })).to.equal('planetary-two-counts');
    expect(code({ planet: 30, ring: 60 })).to.equal('planetary-too-small');
    expect(code({ sun: 24, planet: 18 }, 0)).to.equal('planets-out-of-range');
    expect(code({ sun: 24.5, planet: 18 })).to.equal('limits-not-whole');
  });

  it('goes together with 3, 4 or 6 equal planets of 24 and 60, not with 5 (conventions 10)', () => {
    expect([3, 4, 5, 6].map(planets => assemblyOf({ ...SET, planets }).equal)).to.deep.equal([
      true,
      true,
      false,
      true,
    ]);
    const five = assemblyOf({ ...SET, planets: 5 });
    expect(five.anglesDeg[0]).to.equal(0);
    for (const a of five.anglesDeg)
      expect((a * 84) / 360, 'whole places of 360°/84').to.be.closeTo(Math.round((a * 84) / 360), 1e-9);
    expect(Math.max(...five.anglesDeg.map((a, k) => Math.abs(a - 72 * k)))).to.be.below(360 / 84 / 2 + 1e-9);
  });

  it('knows when planets touch, by their tips’ own distance', () => {
    fc.assert(
      fc.property(count, count, fc.integer({ min: 2, max: 8 }), (sun, planet, planets) => {
        const { gap, anglesDeg } = assemblyOf({ sun, planet, ring: sun + 2 * planet, planets });
        const points = anglesDeg.map(a => {
          const t = (a * Math.PI) / 180;
          return { x: ((sun + planet) / 2) * Math.cos(t), y: ((sun + planet) / 2) * Math.sin(t) };
        });
        const apart = points.flatMap((p, i) =>
          points.slice(i + 1).map(q => Math.hypot(p.x - q.x, p.y - q.y)),
        );
        expect(gap).to.be.closeTo(Math.min(...apart) - planet - 2, 1e-9);
      }),
    );
    expect(assemblyOf(SET).fits, '42 sin 30° = 21 leaves one module between the tips of six').to.deep.equal([
      2, 3, 4, 6,
    ]);
    expect(assemblyOf({ ...SET, planets: 1 }).gap).to.equal(Infinity);
  });
});

describe('the search for planetary counts', () => {
  const QUERY: PlanetaryQuery = {
    target: must(parseRational('2/7')),
    ...{ held: 'ring', driver: 'sun', least: 12, most: 120, planets: [3, 4], equalOnly: true, gap: 0.5 },
    ...{ module: 1, top: 10 },
  };

  it('finds a wanted rate exactly where it exists, with the smallest ring', () => {
    const [first] = must(searchPlanetary(QUERY));
    expect(toFraction(first!.rate)).to.equal('2/7');
    expect(first!.set.ring, '12, 9 and 30 would have a planet of 9').to.be.below(61);
    const smaller = must(searchPlanetary({ ...QUERY, most: first!.set.ring - 1 }));
    expect(
      smaller.filter(f => toFraction(f.rate) === '2/7' && f.set.planets === first!.set.planets),
    ).to.deep.equal([]);
  });

  it('agrees with plain loops over all counts', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 5, max: 95 }),
        fc.constantFrom(...CENTRALS),
        fc.constantFrom(...CENTRALS),
        fc.boolean(),
        (percent, held, driver, equalOnly) => {
          if (held === driver) return;
          const sense = held === 'arm' ? -1 : 1;
          const query = {
            ...QUERY,
            target: rational(sense * percent, 40),
            held,
            driver,
            most: 60,
            equalOnly,
            top: 5,
          };
          const errors: number[] = [];
          const seen = new Set<string>();
          for (let s = 12; s <= 60; s++)
            for (let p = 12; s + 2 * p <= 60; p++)
              for (const n of [3, 4]) {
                const set = { sun: s, planet: p, ring: s + 2 * p, planets: n };
                const rate = planetaryRate(set, held, driver);
                const exact = compare(rate, query.target) === 0;
                const name = `${toFraction(rate)} ${n} ${exact ? `${s} ${p}` : ''}`;
                if ((equalOnly && (s + set.ring) % n !== 0) || assemblyOf(set).gap < 0.5 || seen.has(name))
                  continue;
                seen.add(name);
                errors.push(Math.abs(Number(rate.num) / Number(rate.den) / ((sense * percent) / 40) - 1));
              }
          const found = must(searchPlanetary(query)).map(f =>
            Math.abs(Number(f.error.num) / Number(f.error.den)),
          );
          errors.sort((a, b) => a - b);
          expect(found.length).to.equal(Math.min(5, errors.length));
          found.forEach((e, i) => expect(e).to.be.closeTo(errors[i]!, 1e-12));
        },
      ),
      { numRuns: 60 },
    );
  });

  it('takes the outside of the part: its roots, and a rim; a ring just as large as is allowed is kept', () => {
    expect(ringOutside(42) * 2, '42 teeth of module 2').to.equal(99);
    const two = arrange({ a: {}, r: { with: 'a' } }, { 'a.u': 18, 'r.ring': 42 }, []);
    const drawn = derive(two).extents['r-ring']!.outer;
    expect(2 * drawn, 'as drawn').to.be.closeTo(ringOutside(42) * 2, 1e-6);
    expect(withinOutside(42, 2, 99)).to.equal(true);
    expect(withinOutside(42, 0.7, ringOutside(42) * 0.7)).to.equal(true);
    expect(withinOutside(42, 2, 98.99)).to.equal(false);
  });

  it('keeps within an outside diameter, and orders by error exactly', () => {
    const found = must(searchPlanetary({ ...QUERY, target: rational(1n, 4n), module: 2, outside: 130 }));
    for (const f of found) {
      expect(f.outside).to.be.at.most(130);
      expect(compare(absolute(f.error), absolute(sub(div(f.rate, rational(1n, 4n)), ONE)))).to.equal(0);
    }
    for (let i = 1; i < found.length; i++)
      expect(compare(absolute(found[i - 1]!.error), absolute(found[i]!.error))).to.be.at.most(0);
  });

  it('says what cannot be asked', () => {
    const code = (change: Partial<PlanetaryQuery>): string => {
      const found = searchPlanetary({ ...QUERY, ...change });
      return found.ok ? 'ok' : found.problem.code;
    };
    expect(code({ target: rational(0) })).to.equal('ratio-zero');
    expect(code({ driver: 'ring' })).to.equal('planetary-same-member');
    expect(code({ least: 2 })).to.equal('limit-too-small');
    expect(code({ least: 50, most: 20 })).to.equal('limits-reversed');
    expect(code({ least: 12.5 })).to.equal('limits-not-whole');
    expect(code({ planets: [] })).to.equal('planets-out-of-range');
    expect(code({ planets: [30] })).to.equal('planets-out-of-range');
    expect(drivenOf('ring', 'sun')).to.equal('arm');
  });
});

describe('a wheel in a ring', () => {
  it(
    'at 20° passes its tips from a difference of about nine teeth on (handbook tables of ' +
      'internal gears; from memory)',
    () => {
      for (const ring of [40, 60, 100, 200]) {
        const least = Array.from({ length: 20 }, (_, i) => i + 1).find(d => tipsPass(ring - d, ring))!;
        expect(least, `${ring}`).to.be.within(8, 9);
        expect(tipsPass(ring - least - 1, ring)).to.equal(true);
      }
      expect(tipsPass(60 - 6, 60, 20, 0.6), 'stub teeth need less').to.equal(true);
    },
  );

  it(
    'at 20° is free of involute interference from 34 teeth of the ring on, for a wheel of ' +
      '30 (the same tables; from memory)',
    () => {
      const least = (z: number): number => {
        for (let ring = z + 1; ; ring++) if (ringMargins(z, ring).involute >= 0) return ring;
      };
      expect(least(30)).to.equal(34);
      expect(ringMargins(18, 60).involute, 'the rack’s limit of 17.1 is never enough in a ring').to.be.below(
        0,
      );
    },
  );

  it('no longer has room where it is as large as the ring', () => {
    expect(tipsPass(40, 40)).to.equal(false);
  });
});

/** The answer of a search that yields its progress, which only grows. */
function finished<T>(job: Generator<{ readonly done: number }, T>): T {
  let last = 0;
  for (let step = job.next(); ; step = job.next()) {
    if (step.done) return step.value;
    expect(step.value.done).to.be.at.least(last).and.at.most(1);
    last = step.value.done;
  }
}

describe('a set with two rings', () => {
  const set = must(twoRingFrom(12, 24, 23, 1));

  it('has its rings by one centre distance, and the rate of Willis’s formula', () => {
    expect([set.ring, set.secondRing]).to.deep.equal([60, 59]);
    // (1 − 60·23/(24·59)) / (1 + 60/12) = (36/1416)/6
    expect(toFraction(twoRingRate(set))).to.equal('1/236');
  });

  it('turns as its formula says once it is built, and goes together as it says', () => {
    const count = fc.integer({ min: 8, max: 40 });
    fc.assert(
      fc.property(count, count, count, fc.integer({ min: 2, max: 5 }), (sun, p, q, n) => {
        const made = twoRingFrom(sun, p, q, n);
        if (!made.ok) {
          expect(made.problem.code).to.equal('two-ring-still');
          return;
        }
        const m = plantTwoRing(newMachine('m'), { set: made.value, module: 1 });
        const d = derive(m);
        const out = m.members.find(x => x.name === 'Planetary set')!.id;
        expect(toFraction(d.train.rates[out]!)).to.equal(toFraction(twoRingRate(made.value)));
        const misfit = d.findings.some(f => f.code === 'planets-misfit');
        expect(misfit, 'by trying every setting of every planet').to.equal(!twoRingFits(made.value));
        expect(d.findings.filter(f => f.code === 'centres-disagree')).to.deep.equal([]);
      }),
      { numRuns: 60 },
    );
  });

  it('is searched completely: nothing within the limits is nearer, by brute force', () => {
    const [least, most] = [10, 44];
    const target = rational(1, 60);
    const query = { target, least, most, planets: [3], gap: 0.3, module: 1, top: 6 };
    const found = must(finished(searchTwoRing(query)));
    const all: number[] = [];
    for (let s = least; s <= most; s++)
      for (let p = least; p <= most; p++)
        for (let q = least; q <= most; q++) {
          const made = twoRingFrom(s, p, q, 3);
          if (!made.ok || made.value.ring > most || made.value.secondRing > most) continue;
          if (!twoRingFits(made.value) || twoRingGap(made.value) < 0.3) continue;
          if (!tipsPass(p, made.value.ring) || !tipsPass(q, made.value.secondRing)) continue;
          all.push(Math.abs(toNumber(twoRingRate(made.value)) * 60 - 1));
        }
    const best = [...new Set(all.map(x => x.toFixed(10)))].map(Number).sort((a, b) => a - b);
    expect(Math.abs(toNumber(found[0]!.error))).to.be.closeTo(best[0]!, 1e-9);
    expect(Math.abs(toNumber(found[1]!.error))).to.be.below(best[1]! + 1e-9);
  });

  it('refuses what cannot be', () => {
    const why = (r: { ok: boolean; problem?: { code: string } }): string => (r.ok ? 'ok' : r.problem!.code);
    expect([
      why(twoRingFrom(12, 24, 24, 3)),
      why(twoRingFrom(12, 2, 24, 3)),
      why(twoRingFrom(12, 24, 23, 99)),
    ]).to.deep.equal(['two-ring-still', 'planetary-too-small', 'planets-out-of-range']);
    const query = { target: rational(0n), least: 12, most: 60, planets: [3], gap: 0.3, module: 1, top: 3 };
    expect(why(finished(searchTwoRing(query)))).to.equal('ratio-zero');
    expect(why(finished(searchTwoRing({ ...query, target: rational(1, 9), most: 9 })))).to.equal(
      'limits-reversed',
    );
  });
});

describe('stages one after the other', () => {
  it('multiply: three of 20, 20, 60 with the ring held give 1/64 (common practice, no source)', () => {
    const one = must(setFrom({ sun: 20, planet: 20 }, 3));
    const m = plantPlanetary(newMachine('m'), {
      set: one,
      held: 'ring',
      driver: 'sun',
      module: 1,
      stages: 3,
    });
    const out = m.members.find(x => x.name === 'Planetary set')!.id;
    expect(toFraction(derive(m).train.rates[out]!)).to.equal('1/64');
    expect(derive(m).findings.filter(f => f.severity === 'stop')).to.deep.equal([]);
  });

  it('lists exact sets of every size before poor ones, and says why nothing fits', () => {
    const query: PlanetaryQuery = {
      target: rational(1n, 4n),
      ...{
        held: 'ring',
        driver: 'sun',
        least: 12,
        most: 90,
        planets: [3],
        equalOnly: true,
        gap: 0.5,
        module: 1,
      },
      top: 6,
    };
    const found = must(searchPlanetary(query));
    // sun + ring = 4 sun: rings of three times the sun; 12, 12, 36 is the smallest.
    expect(found.map(f => [f.set.sun, f.set.planet, f.set.ring])).to.deep.equal(
      [12, 15, 18, 21, 24, 27].map(n => [n, n, 3 * n]),
    );
    for (const f of found) expect(f.error.num).to.equal(0n);
    const none = searchPlanetary({ ...query, outside: 30 });
    const why = none.ok ? undefined : none.problem;
    expect(why?.code).to.equal('planetary-none');
    if (why?.code !== 'planetary-none') return;
    expect(why.data.tooLarge, 'the smallest ring of 36 teeth is wider than 30').to.equal(why.data.tried);
    expect(sayProblem(why)).to.match(/larger than the outside allowed/);
  });
});
