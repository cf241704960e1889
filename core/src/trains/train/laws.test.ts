import { expect } from 'chai';
import fc from 'fast-check';
import { arrange } from '../../../test/arrange.ts';
import { KINDS } from '../../../test/kinds.ts';
import { GROUND, type Machine } from '../../document/machine/index.ts';
import { holdMember } from '../../edits/change/index.ts';
import { toFraction, toNumber } from '../../ground/rational/index.ts';
import { groundRate, inMode, rateEquations, trainRates } from './index.ts';

const rate = (m: Machine, id: string): string => {
  const r = trainRates(m).rates[id];
  return r ? toFraction(r) : 'free';
};
const codes = (m: Machine): string[] => trainRates(m).findings.map(f => f.code);
const held = (m: Machine, id: string): Machine => holdMember(id, GROUND)(m);

describe('laws of joints that are no spur mesh', () => {
  it('a bevel pair keeps the ratio of its counts; on opposite sides of the apex the sense is kept', () => {
    const pair = (opposite: boolean): Machine =>
      arrange({ a: {}, b: {} }, { 'a.w': 14, 'b.w': 28 }, [['a.w', 'b.w', 'bevel', opposite]]);
    expect(rate(pair(false), 'b')).to.equal('-1/2');
    expect(rate(pair(true), 'b')).to.equal('1/2');
  });

  it(
    'a bevel differential: with the cage held the sides turn against each other, with one ' +
      'side held the other turns twice as fast as the cage (common practice; Willis 1841)',
    () => {
      const sides = (drive: string, still: string): Machine => {
        const m = arrange(
          {
            cage: {},
            left: { with: 'cage' },
            right: { with: 'cage' },
            pinion: { frame: 'cage', at: [20, 0] },
          },
          { 'left.w': 40, 'right.w': 40, 'pinion.w': 16 },
          [
            ['left.w', 'pinion.w', 'bevel'],
            ['right.w', 'pinion.w', 'bevel', true],
          ],
        );
        return held({ ...m, drive: { member: drive, speed: { kind: 'free' } } }, still);
      };
      expect(rate(sides('left', 'cage'), 'right')).to.equal('-1');
      expect(rate(sides('cage', 'left'), 'right')).to.equal('2');
      expect(rate(sides('left', 'right'), 'cage')).to.equal('1/2');
    },
  );

  it('a differential with two inputs: the cage turns at half their sum, whatever they are', () => {
    fc.assert(
      fc.property(fc.integer({ min: 8, max: 90 }), fc.integer({ min: 8, max: 90 }), (p, q) => {
        const m = arrange(
          {
            in: {},
            cage: {},
            left: { with: 'cage' },
            right: { with: 'cage' },
            pinion: { frame: 'cage', at: [20, 0] },
          },
          { 'in.p': p, 'left.p': 30, 'in.q': q, 'right.q': 40, 'left.w': 24, 'right.w': 24, 'pinion.w': 12 },
          [
            ['in.p', 'left.p'],
            ['in.q', 'right.q'],
            ['left.w', 'pinion.w', 'bevel'],
            ['right.w', 'pinion.w', 'bevel', true],
          ],
        );
        const { rates, findings } = trainRates(m);
        expect(findings).to.deep.equal([]);
        expect(toNumber(rates['cage']!)).to.be.closeTo((-p / 30 - q / 40) / 2, 1e-12);
      }),
    );
  });

  it('a worm of one start turns a wheel of 30 once in 30; hand and side turn the sense', () => {
    const worm = (hand: 'left' | 'right', opposite: boolean): Machine => {
      const m = arrange({ a: {}, b: {} }, { 'a.worm': 1, 'b.w': 30 }, [['a.worm', 'b.w', 'worm', opposite]]);
      return { ...m, wheels: m.wheels.map(w => ({ ...w, hand })) };
    };
    expect(rate(worm('right', false), 'b')).to.equal('1/30');
    expect(rate(worm('left', false), 'b')).to.equal('-1/30');
    expect(rate(worm('right', true), 'b')).to.equal('-1/30');
    expect(rate(worm('left', true), 'b')).to.equal('1/30');
  });

  it('the worm’s sense is that of a screw moving its nut, reckoned in space', () => {
    // Worm along x, wheel about z with its centre at (0, −r): r > 0 is to the right of the worm as it points. A
    // right-handed thread moves the teeth by −lead a turn; ω × (0, r) = (−ω·r, 0) for the tooth that touches.
    for (const hand of ['right', 'left'] as const) {
      for (const r of [9, -9]) {
        const lead = hand === 'right' ? 2 : -2;
        const turn = -(-lead / (2 * Math.PI)) / r;
        const m = arrange({ a: {}, b: {} }, { 'a.worm': 2, 'b.w': 40 }, [['a.worm', 'b.w', 'worm', r < 0]]);
        const law = trainRates({ ...m, wheels: m.wheels.map(w => ({ ...w, hand })) }).rates['b']!;
        expect(Math.sign(toNumber(law)), `${hand} ${r}`).to.equal(Math.sign(turn));
      }
    }
  });

  it('a rack moves as many teeth as its pinion: z teeth in a turn, on its right forwards', () => {
    expect(rate(KINDS['rack']!, 'slide')).to.equal('20');
    const [joint] = KINDS['rack']!.joints;
    const other = { ...KINDS['rack']!, joints: [{ ...joint!, opposite: true } as Machine['joints'][number]] };
    expect(rate(other, 'slide')).to.equal('-20');
    expect(codes(other)).to.deep.equal([]);
  });

  it(
    'a cycloidal reducer with 11 lobes in 12 pins: −1/11 with the ring held, 1/12 for the ' +
      'ring (common practice, no source)',
    () => {
      const m = KINDS['reducer with output pins']!;
      expect(rate(m, 'out')).to.equal('-1/11');
      const swapped: Machine = {
        ...m,
        members: m.members.map(x =>
          x.id === 'pins' ? { kind: 'arbor', id: 'pins', name: 'pins', axis: 'axis1' } : x,
        ),
      };
      const still = held(swapped, 'out');
      expect(rate(still, 'pins')).to.equal('1/12');
    },
  );

  it('rims by their diameters, exactly as typed; clutches turn alike', () => {
    const m = KINDS['counter carry, friction, cam, universal joint, half gear']!;
    const only = (kind: string): Machine => ({ ...m, joints: m.joints.filter(j => j.kind === kind) });
    expect(rate(only('friction'), 'tens')).to.equal('-1/2');
    expect(rate(only('universal'), 'tens')).to.equal('1');
    expect(rate(only('intermittent'), 'tens')).to.equal('1/10');
    const odd = {
      ...m,
      joints: [
        {
          kind: 'friction' as const,
          id: 'f',
          a: { member: 'drive', diameter: 12.7 },
          b: { member: 'tens', diameter: 0.3 },
          crossed: true,
        },
      ],
    };
    expect(rate(odd, 'tens')).to.equal('127/3');
    expect(codes(m)).to.include('contradiction');
  });

  it('a joint between two wheels of one arbor says so and is left out; the rest turns', () => {
    const m = arrange({ a: {}, b: {} }, { 'a.u': 20, 'a.v': 20, 'b.w': 40 }, [
      ['a.u', 'a.v'],
      ['a.u', 'b.w'],
    ]);
    expect(codes(m)).to.deep.equal(['meshes-itself']);
    expect(rate(m, 'b')).to.equal('-1/2');
  });
});

describe('modes and slipping joints', () => {
  const m = KINDS['slip joint and modes']!;

  it('without a mode all clutches are engaged, and a slipping joint turns along', () => {
    expect([rate(m, 'hand'), rate(m, 'key')]).to.deep.equal(['1', '1']);
    expect(codes(m)).to.deep.equal([]);
  });

  it('in a mode another arbor drives, what it holds stands still, and the slipping joint gives way', () => {
    const set: Machine = { ...m, mode: 'set' };
    expect(rate(set, 'hand')).to.equal('1');
    expect(rate(set, 'drive')).to.equal('0');
    expect(inMode(set).drive, 'the stated period is not the key’s').to.deep.equal({
      member: 'key',
      speed: { kind: 'free' },
    });
    expect(inMode({ ...m, mode: 'run' }).drive).to.equal(m.drive);
    const both: Machine = {
      ...m,
      mode: 'set',
      modes: m.modes.map(x => (x.id === 'set' ? { ...x, engaged: ['j1', 'j2'] } : x)),
    };
    expect([rate(both, 'hand'), rate(both, 'drive')]).to.deep.equal(['1', '0']);
    expect(codes(both)).to.deep.equal(['slips']);
  });

  it('a machine without a mode is the very same', () => {
    expect(inMode(m)).to.equal(m);
  });
});

describe('epicyclic trains of the books', () => {
  // Ferguson's paradox (James Ferguson, Select Mechanical Exercises, 1773; Willis 1841): three central wheels of
  // 99, 100 and 101 in one planet, the middle one held: one stands nearly still forwards, one backwards.
  it('Ferguson’s paradox: 1/101 and −1/99 of a turn for one of the arm', () => {
    const m = arrange(
      {
        arm: {},
        fixed: { with: 'arm', held: true },
        more: { with: 'arm' },
        less: { with: 'arm' },
        planet: { frame: 'arm', at: [60, 0] },
      },
      { 'fixed.w': 100, 'more.w': 101, 'less.w': 99, 'planet.w': 20 },
      [
        ['fixed.w', 'planet.w'],
        ['more.w', 'planet.w'],
        ['less.w', 'planet.w'],
      ],
    );
    expect([rate(m, 'more'), rate(m, 'less')]).to.deep.equal(['1/101', '-1/99']);
  });

  // Reverted compound set, fixed central wheel A, planets B–C, output D: turns of D for one of the arm 1 − (A/B)(C/D)
  // (Willis 1841). With 101·99/100² it makes one turn in 10000 (Willis's own figures for a great reduction; from
  // memory).
  it('a great reduction: 1 − 101·99/100² = 1/10000', () => {
    const m = arrange(
      {
        arm: {},
        fixed: { with: 'arm', held: true },
        out: { with: 'arm' },
        planet: { frame: 'arm', at: [60, 0] },
      },
      { 'fixed.A': 101, 'planet.B': 100, 'planet.C': 99, 'out.D': 100 },
      [
        ['fixed.A', 'planet.B'],
        ['planet.C', 'out.D'],
      ],
    );
    expect(rate(m, 'out')).to.equal('1/10000');
  });

  // Two rings, a planet of two wheels, sun driving, first ring held (three-gear epicyclic): by Willis's formula
  // out/sun = (1 − r₁p₂/(p₁r₂)) / (1 + r₁/s).
  it('two rings: sun 12, planets 24 and 23, rings 60 and 59, as the formula says', () => {
    const [s, p1, p2, r1, r2] = [12, 24, 23, 60, 59];
    const m = arrange(
      {
        sun: {},
        arm: { with: 'sun' },
        one: { with: 'sun', held: true },
        two: { with: 'sun' },
        planet: { frame: 'arm', at: [36, 0] },
      },
      { 'sun.w': s, 'planet.p': p1, 'planet.q': p2, 'one.ring': r1, 'two.ring': r2 },
      [
        ['sun.w', 'planet.p'],
        ['planet.p', 'one.ring', 'internal'],
        ['planet.q', 'two.ring', 'internal'],
      ],
    );
    const expected = (1 - (r1 * p2) / (p1 * r2)) / (1 + r1 / s);
    expect(toNumber(trainRates(m).rates['two']!)).to.be.closeTo(expected, 1e-14);
  });

  it(
    'four-to-one stages multiply: three of sun 20, ring 60 with the ring held give 1/64 ' +
      '(common practice, no source)',
    () => {
      const m = arrange(
        {
          sun: {},
          ...Object.fromEntries(
            [1, 2, 3].flatMap(i => [
              [`arm${i}`, { with: 'sun' }],
              [`ring${i}`, { with: 'sun', held: true }],
              [`planet${i}`, { frame: `arm${i}`, at: [40, 0] as const }],
            ]),
          ),
        },
        Object.fromEntries(
          [1, 2, 3].flatMap(i => [
            [`${i === 1 ? 'sun' : `arm${i - 1}`}.s${i}`, 20],
            [`planet${i}.p`, 20],
            [`ring${i}.ring`, 60],
          ]),
        ),
        [1, 2, 3].flatMap(i => [
          [`${i === 1 ? 'sun' : `arm${i - 1}`}.s${i}`, `planet${i}.p`] as const,
          [`planet${i}.p`, `ring${i}.ring`, 'internal'] as const,
        ]),
      );
      expect(rate(m, 'arm3')).to.equal('1/64');
    },
  );

  it(
    'sun and planet of equal counts, the planet fixed to its rod: the sun turns twice for ' +
      'one cycle (common practice, no source)',
    () => {
      // The rod keeps its direction in the mean: against the ground the planet does not turn.
      const m = arrange(
        { arm: {}, sun: { with: 'arm' }, planet: { frame: 'arm', at: [40, 0] } },
        { 'sun.w': 30, 'planet.w': 30 },
        [['sun.w', 'planet.w']],
      );
      const still: Machine = {
        ...m,
        members: m.members.map(x => (x.id === 'planet' && x.kind === 'arbor' ? { ...x, held: 'ground' } : x)),
      };
      expect(rateEquations(still).unsolved).to.deep.equal([]);
      expect(rate(still, 'sun')).to.equal('2');
      expect(toFraction(groundRate(still, trainRates(still).rates, 'planet')!)).to.equal('0');
    },
  );
});

describe('any arrangement', () => {
  /** Dense Gaussian elimination in floating point with pivoting, written apart from the exact solver. */
  function dense(m: Machine): Record<string, number> {
    const ids = m.members.map(x => x.id);
    const rows = [
      ids.map(id => (id === m.drive!.member ? 1 : 0)).concat(1),
      ...rateEquations(m).equations.map(e =>
        ids.map(id => e.terms.reduce((s, [t, c]) => s + (t === id ? toNumber(c) : 0), 0)).concat(0),
      ),
    ];
    let top = 0;
    for (let col = 0; col < ids.length; col++) {
      let best = top;
      for (let r = top; r < rows.length; r++)
        if (Math.abs(rows[r]![col]!) > Math.abs(rows[best]?.[col] ?? 0)) best = r;
      if (Math.abs(rows[best]?.[col] ?? 0) < 1e-9) return {};
      [rows[top], rows[best]] = [rows[best]!, rows[top]!];
      const pivot = rows[top]![col]!;
      rows[top] = rows[top]!.map(x => x / pivot);
      for (let r = 0; r < rows.length; r++)
        if (r !== top) rows[r] = rows[r]!.map((x, c) => x - rows[r]![col]! * rows[top]![c]!);
      top++;
    }
    return Object.fromEntries(ids.map((id, i) => [id, rows[i]!.at(-1)!]));
  }

  it('of planetary stages, one on the next, agrees with a dense floating solver', () => {
    const set = fc.record({
      sun: fc.integer({ min: 8, max: 60 }),
      planet: fc.integer({ min: 8, max: 60 }),
      held: fc.constantFrom('sun', 'ring'),
      back: fc.boolean(),
    });
    fc.assert(
      fc.property(fc.array(set, { minLength: 1, maxLength: 5 }), sets => {
        const arbors: Record<string, object> = { drive: {} };
        const wheels: Record<string, number> = {};
        const meshes: [string, string, 'external' | 'internal'][] = [];
        sets.forEach(({ sun, planet, held: still, back }, i) => {
          const input = i === 0 ? 'drive' : `out${i - 1}`;
          const [hold, out] = [`held${i}`, `out${i}`];
          const turned = still === 'sun' ? 'ring' : 'sun';
          const [arm, third] = back ? [input, out] : [out, input];
          arbors[hold] = { with: 'drive', held: true };
          arbors[out] = { with: 'drive' };
          arbors[`planet${i}`] = { frame: arm, at: [30, 0] };
          const bearer = { [still]: hold, [turned]: third } as Record<string, string>;
          wheels[`${bearer['sun']}.s${i}`] = sun;
          wheels[`planet${i}.p`] = planet;
          wheels[`${bearer['ring']}.r${i}ring`] = sun + 2 * planet;
          meshes.push(
            [`${bearer['sun']}.s${i}`, `planet${i}.p`, 'external'],
            [`planet${i}.p`, `${bearer['ring']}.r${i}ring`, 'internal'],
          );
        });
        const m = arrange(arbors, wheels, meshes);
        const { rates, findings } = trainRates(m);
        expect(findings).to.deep.equal([]);
        const float = dense(m);
        for (const [id, r] of Object.entries(rates)) {
          const scale = Math.max(...Object.values(float).map(Math.abs));
          expect(Math.abs(toNumber(r) - float[id]!) / scale, id).to.be.below(1e-9);
        }
      }),
      { numRuns: 60 },
    );
  });
});
