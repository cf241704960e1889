import { expect } from 'chai';
import fc from 'fast-check';
import { arrange } from '../../../test/arrange.ts';
import { plainTrain as train, rateText as rate, trainCodes as codes } from '../../../test/plain-train.ts';
import { KINDS } from '../../../test/kinds.ts';
import { type Machine, newMachine } from '../../document/machine/index.ts';
import { add, mul, rational, toFraction, toNumber, type Rational } from '../../ground/rational/index.ts';
import { groundRate, rateEquations, trainRates } from './index.ts';
import { withFix } from '../../../test/find.ts';

describe('train rates', () => {
  it('give the published lunar train 64/38 · 48/24 · 127/32 = 254/19 (Freeth et al., Nature 444, 2006)', () => {
    const m = train(
      4,
      [
        [0, 64],
        [1, 38],
        [1, 48],
        [2, 24],
        [2, 127],
        [3, 32],
      ],
      [
        [0, 1],
        [2, 3],
        [4, 5],
      ],
    );
    expect(rate(m, 'a3')).to.equal('-254/19');
    expect(codes(m)).to.deep.equal([]);
  });

  it('give motion work 12 : 1 (common practice, no source)', () => {
    const m = train(
      3,
      [
        [0, 12],
        [1, 36],
        [1, 10],
        [2, 40],
      ],
      [
        [0, 1],
        [2, 3],
      ],
    );
    expect(rate(m, 'a2')).to.equal('1/12');
  });

  it('keep the sense of the first over an odd number of wheels in line (common practice, no source)', () => {
    const row = (n: number): Machine =>
      train(
        n,
        Array.from({ length: n }, (_, i) => [i, 20 + i] as const),
        Array.from({ length: n - 1 }, (_, i) => [i, i + 1] as const),
      );
    for (let n = 2; n < 9; n++)
      expect(Math.sign(toNumber(trainRates(row(n)).rates[`a${n - 1}`]!))).to.equal(n % 2 === 1 ? 1 : -1);
  });

  it(
    'solve a planetary set: sun 24, planet 18, ring 60 held: arm 2/7, planet −20/21 in the ' +
      'arm (conventions 8)',
    () => {
      const m = KINDS['planets in copies']!;
      expect(rate(m, 'arm')).to.equal('2/7');
      expect(rate(m, 'planet')).to.equal('-20/21');
      const { rates } = trainRates(m);
      expect(toFraction(add(rates['planet']!, rates['arm']!))).to.equal('-2/3');
    },
  );

  it('solve a ring and a chain: both keep the sense', () => {
    expect(rate(KINDS['ring']!, 'ring')).to.equal('1/3');
    expect(rate(KINDS['chain over three wheels']!, 'far')).to.equal('1/2');
    expect(rate(KINDS['chain over three wheels']!, 'tensioner')).to.equal('-4/3');
  });

  it('are shown against the ground as well: sun 24, planet 18, ring 60 held: −2/3 (conventions 8)', () => {
    const m = KINDS['planets in copies']!;
    const { rates } = trainRates(m);
    expect(toFraction(rates['planet']!)).to.equal('-20/21');
    expect(toFraction(groundRate(m, rates, 'planet')!)).to.equal('-2/3');
    expect(toFraction(groundRate(m, rates, 'drive')!)).to.equal('1');
    expect(groundRate(m, {}, 'planet')).to.equal(undefined);
    const nested = KINDS['arm on arm']!;
    const of = trainRates(nested).rates;
    expect(groundRate(nested, of, 'bird'), 'an arm on an arm').to.deep.equal(
      of['bird'] && add(of['bird'], add(of['small']!, of['drive']!)),
    );
  });

  it('turn a planet of equal count twice as its arm goes once round a fixed sun (common practice, no source)', () => {
    const { rates } = trainRates(KINDS['arm on arm']!);
    expect(toFraction(add(rates['small']!, rates['drive']!))).to.equal('2');
  });

  it('find three wheels in a ring locked, and say which mesh and what it asks', () => {
    const m = train(
      3,
      [
        [0, 20],
        [1, 20],
        [2, 20],
      ],
      [
        [0, 1],
        [1, 2],
        [2, 0],
      ],
    );
    const [finding, ...more] = trainRates(m).findings;
    expect(more).to.deep.equal([]);
    expect([finding!.code, finding!.subjects[0]]).to.deep.equal(['locked', 'm2']);
    expect(finding!.data).to.deep.equal({ asked: '-1', given: '1' });
    const five = train(
      5,
      [
        [0, 20],
        [1, 30],
        [2, 24],
        [3, 40],
        [4, 18],
      ],
      [
        [0, 1],
        [1, 2],
        [2, 3],
        [3, 4],
        [4, 0],
      ],
    );
    expect(codes(five), 'whatever the counts').to.deep.equal(['locked']);
  });

  it('accept a loop that agrees and refuse one that does not', () => {
    const loop = (last: number): Machine =>
      train(
        3,
        [
          [0, 20],
          [1, 40],
          [1, 30],
          [2, 30],
          [0, 16],
          [2, last],
        ],
        [
          [0, 1],
          [2, 3],
          [4, 5],
        ],
      );
    expect(codes(loop(32)), 'an odd ring').to.deep.equal(['locked']);
    const twice = train(
      2,
      [
        [0, 20],
        [1, 40],
        [0, 30],
        [1, 40],
      ],
      [
        [0, 1],
        [2, 3],
      ],
    );
    const { code, data } = trainRates(twice).findings[0]!;
    expect({ code, ...data }, 'two ways, and what each gives').to.deep.equal({
      code: 'contradiction',
      asked: '-3/4',
      given: '-1/2',
    });
    const four = train(
      4,
      [
        [0, 20],
        [1, 20],
        [2, 20],
        [3, 20],
      ],
      [
        [0, 1],
        [1, 2],
        [2, 3],
        [3, 0],
      ],
    );
    expect(codes(four)).to.deep.equal([]);
  });

  it('say what is not driven', () => {
    const m = train(
      3,
      [
        [0, 20],
        [1, 20],
        [2, 20],
      ],
      [[0, 1]],
    );
    expect(trainRates(m).findings.map(f => [f.code, f.subjects[0]])).to.deep.equal([['not-driven', 'a2']]);
  });

  it('say what is not driven even where another joint has no law yet', () => {
    const apart = arrange(
      { a: {}, far: { at: [50, 0] }, arm: { at: [90, 0] }, bird: { frame: 'arm', at: [20, 0] }, stray: {} },
      { 'a.w': 20, 'far.u': 30, 'far.w': 20, 'bird.w': 30, 'arm.w': 20 },
      [
        ['a.w', 'far.u'],
        ['far.w', 'bird.w'],
        ['a.w', 'arm.w'],
      ],
    );
    expect(codes(apart)).to.include('frames-differ');
    const stray = apart;
    const found = trainRates(stray).findings.filter(f => f.code === 'not-driven');
    expect(found.map(f => f.subjects)).to.deep.equal([['stray']]);
  });

  it('agree with floating point on any tree, and every mesh equation holds exactly', () => {
    const tree = fc.array(
      fc.record({
        from: fc.nat(1000),
        driving: fc.integer({ min: 6, max: 300 }),
        driven: fc.integer({ min: 6, max: 300 }),
      }),
      { minLength: 1, maxLength: 40 },
    );
    fc.assert(
      fc.property(tree, steps => {
        const wheels: [number, number][] = [];
        const meshes: [number, number][] = [];
        const float = [1];
        steps.forEach((s, i) => {
          const from = s.from % (i + 1);
          wheels.push([from, s.driving], [i + 1, s.driven]);
          meshes.push([2 * i, 2 * i + 1]);
          float.push((-float[from]! * s.driving) / s.driven);
        });
        const m = train(steps.length + 1, wheels, meshes);
        const { rates, findings } = trainRates(m);
        expect(findings).to.deep.equal([]);
        float.forEach((f, i) => expect(toNumber(rates[`a${i}`]!) / f).to.be.closeTo(1, 1e-9));
        for (const e of rateEquations(m).equations) {
          const sum = e.terms.reduce<Rational>((s, [id, c]) => add(s, mul(c, rates[id]!)), rational(0));
          expect(toFraction(sum)).to.equal('0');
        }
      }),
      { numRuns: 60 },
    );
  });

  it('never crash on any kind of machine, and name what they cannot do yet', () => {
    for (const m of Object.values(KINDS)) trainRates(m);
    for (const name of ['ratchet', 'rack', 'bevels on crossed axes', 'reducer with output pins'])
      expect(codes(KINDS[name]!), name).to.deep.equal([]);
    expect(codes(KINDS['open counts, indicators, poses, log']!)).to.include('count-open');
    expect(codes({ ...newMachine('x'), drive: undefined })).to.deep.equal(['no-drive']);
  });
});

describe('a planetary set, whichever member is held', () => {
  // Willis's formula: (ω_sun − ω_arm)/(ω_ring − ω_arm) = −z_ring/z_sun. The six ratios as tabulated in
  // Machinery's Handbook, epicyclic gearing (from memory).
  const [S, P, R] = [24, 18, 60];
  const set = (drive: 'sun' | 'arm' | 'ring', held: 'sun' | 'arm' | 'ring'): Machine => {
    const base = newMachine('set');
    const arbor = (id: string, axis: string): Machine['members'][number] => ({
      kind: 'arbor',
      id,
      name: id,
      axis,
      ...(id === held ? { held: 'ground' } : {}),
    });
    const wheel = (
      id: string,
      member: string,
      count: number,
      role: 'wheel' | 'ring',
    ): Machine['wheels'][number] => ({
      id,
      name: id,
      member,
      toothing: 'toothing1',
      role,
      teeth: { kind: 'count', count },
      layer: 0,
    });
    return {
      ...base,
      drive: { member: drive, speed: { kind: 'free' } },
      axes: [
        { id: 'axis1', frame: 'ground', place: { kind: 'given', x: 0, y: 0 } },
        { id: 'axis2', frame: 'arm', place: { kind: 'given', x: 42, y: 0 } },
      ],
      members: [
        arbor('sun', 'axis1'),
        arbor('arm', 'axis1'),
        arbor('ring', 'axis1'),
        arbor('planet', 'axis2'),
      ],
      wheels: [
        wheel('s', 'sun', S, 'wheel'),
        wheel('p', 'planet', P, 'wheel'),
        wheel('r', 'ring', R, 'ring'),
      ],
      joints: [
        { kind: 'mesh', id: 'm1', type: 'external', a: 's', b: 'p' },
        { kind: 'mesh', id: 'm2', type: 'internal', a: 'p', b: 'r' },
      ],
    };
  };
  const cases = [
    ['sun', 'ring', 'arm', rational(S, S + R)],
    ['arm', 'ring', 'sun', rational(S + R, S)],
    ['ring', 'sun', 'arm', rational(R, S + R)],
    ['arm', 'sun', 'ring', rational(S + R, R)],
    ['sun', 'arm', 'ring', rational(-S, R)],
    ['ring', 'arm', 'sun', rational(-R, S)],
  ] as const;
  for (const [drive, held, output, expected] of cases) {
    it(`${drive} drives, ${held} held: ${output} turns ${toFraction(expected)}`, () => {
      expect(rate(set(drive, held), output)).to.equal(toFraction(expected));
      expect(codes(set(drive, held))).to.deep.equal([]);
    });
  }

  // Shigley and Mischke, Mechanical Engineering Design, planetary example (from memory): sun 20 driven at 100 turns
  // a minute, planet 30, ring 80 held: the arm makes 20 the same way, the planet 33 1/3 the other way.
  it('as worked in a textbook: sun 20, planet 30, ring 80 held', () => {
    const m = arrange(
      {
        sun: {},
        arm: { with: 'sun' },
        ring: { with: 'sun', held: true },
        planet: { frame: 'arm', at: [50, 0] },
      },
      { 'sun.w': 20, 'planet.w': 30, 'ring.ring': 80 },
      [
        ['sun.w', 'planet.w'],
        ['planet.w', 'ring.ring', 'internal'],
      ],
    );
    expect(toFraction(mul(trainRates(m).rates['arm']!, rational(100)))).to.equal('20');
    expect(toFraction(mul(groundRate(m, trainRates(m).rates, 'planet')!, rational(100)))).to.equal('-100/3');
  });

  it('with nothing held has a second freedom: nothing is said to be driven that is not', () => {
    const loose = set('sun', 'ring');
    const free = {
      ...loose,
      members: loose.members.map(m =>
        m.id === 'ring' ? { kind: 'arbor' as const, id: 'ring', name: 'ring', axis: 'axis1' } : m,
      ),
    };
    const [found, ...more] = trainRates(free).findings;
    expect(
      [found!.code, found!.subjects[0], more.length],
      'one finding, and the ring is what to hold',
    ).to.deep.equal(['second-freedom', 'ring', 0]);
    expect(rate(free, 'arm')).to.equal('free');
    const held = withFix(free, found!.fixes[0]);
    expect(rate(held, 'arm')).to.equal(toFraction(rational(S, S + R)));
    expect(codes(held)).to.deep.equal([]);
  });

  it('with the drive itself held is a contradiction', () => {
    expect(codes(set('sun', 'sun'))).to.include('contradiction');
  });
});
