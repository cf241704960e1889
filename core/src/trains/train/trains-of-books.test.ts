import { expect } from 'chai';
import { arrange } from '../../../test/arrange.ts';
import { GROUND, type Machine } from '../../document/machine/index.ts';
import { holdMember } from '../../edits/change/index.ts';
import { mul, rational, toFraction } from '../../ground/rational/index.ts';
import { trainRates } from './index.ts';

const rate = (m: Machine, id: string): string => toFraction(trainRates(m).rates[id]!);
const drivenBy = (m: Machine, member: string): Machine => ({
  ...m,
  drive: { member, speed: { kind: 'free' } },
});

describe('trains of clocks', () => {
  // The eight-day clock of the handbooks of horology: great wheel 96 on the centre pinion of 8, centre wheel 60,
  // third pinion 8 and wheel 56, escape pinion 7 and wheel of 30 with a seconds pendulum (from memory).
  const clock = arrange(
    {
      centre: {},
      great: { at: [60, 0] },
      third: { at: [0, 40] },
      escape: { at: [0, 80] },
      minute: { at: [40, 40] },
      hour: { with: 'centre' },
    },
    {
      'great.w': 96,
      'centre.p': 8,
      'centre.w': 60,
      'third.p': 8,
      'third.w': 56,
      'escape.p': 7,
      'centre.c': 15,
      'minute.w': 45,
      'minute.p': 12,
      'hour.w': 48,
    },
    [
      ['centre.p', 'great.w'],
      ['centre.w', 'third.p'],
      ['third.w', 'escape.p'],
      ['centre.c', 'minute.w'],
      ['minute.p', 'hour.w'],
    ],
  );

  it('turn the escape wheel sixty times an hour, the same way as the centre', () => {
    expect(rate(clock, 'escape')).to.equal('60');
  });

  it('let a great wheel of 96 on a pinion of 8 go twelve hours a turn: sixteen turns last eight days', () => {
    expect(rate(clock, 'great')).to.equal('-1/12');
    expect(toFraction(mul(trainRates(clock).rates['great']!, rational(8 * 24)))).to.equal('-16');
  });

  it('turn the hour hand once in twelve hours on the centre’s own line (common practice, no source)', () => {
    expect(rate(clock, 'hour')).to.equal('1/12');
  });

  it('give the same ratios from whichever arbor drives', () => {
    const fromGreat = drivenBy(clock, 'great');
    expect(rate(fromGreat, 'centre')).to.equal('-12');
    expect(rate(fromGreat, 'escape')).to.equal('-720');
    expect(rate(fromGreat, 'hour')).to.equal('-1');
  });

  it('count a hundred strokes by a decimal carry of two wheels', () => {
    const m = arrange({ units: {}, tens: { at: [30, 0] }, hundreds: { at: [60, 0] } }, {}, [], {
      joints: [
        {
          kind: 'intermittent',
          id: 'c1',
          type: 'counter carry',
          driver: 'units',
          driven: 'tens',
          step: [1, 10],
        },
        {
          kind: 'intermittent',
          id: 'c2',
          type: 'counter carry',
          driver: 'tens',
          driven: 'hundreds',
          step: [1, 10],
        },
      ],
    });
    expect([rate(m, 'tens'), rate(m, 'hundreds')]).to.deep.equal(['1/10', '1/100']);
  });
});

describe('epicyclic gearing as the handbooks tabulate it', () => {
  // Machinery's Handbook, epicyclic gearing: for a driver A, a follower D and planets B and C on one arbor carried
  // by the driver (or follower): the forms 1 ± (A·C)/(B·D) with a fixed wheel A, external or internal (from memory).
  const compound = (inner: 'external' | 'internal', A: number, B: number, C: number, D: number): Machine =>
    arrange(
      {
        arm: {},
        fixed: { with: 'arm', held: true },
        follower: { with: 'arm' },
        planet: { frame: 'arm', at: [50, 0] },
      },
      { 'fixed.A': A, 'planet.B': B, 'planet.C': C, 'follower.D': D },
      [
        ['fixed.A', 'planet.B', inner],
        ['planet.C', 'follower.D', inner],
      ],
    );
  const ONE_SIDE = [
    [30, 20, 25, 25],
    [60, 15, 20, 55],
    [101, 100, 99, 100],
    [24, 48, 36, 36],
  ] as const;

  it('both meshes outside: 1 − (A·C)/(B·D)', () => {
    for (const [A, B, C, D] of ONE_SIDE)
      expect(rate(compound('external', A, B, C, D), 'follower')).to.equal(
        toFraction(rational(B * D - A * C, B * D)),
      );
  });

  it('both meshes in rings: the same, for two rings', () => {
    for (const [A, B, C, D] of [
      [60, 20, 18, 58],
      [72, 24, 20, 68],
    ] as const)
      expect(rate(compound('internal', A, B, C, D), 'follower')).to.equal(
        toFraction(rational(B * D - A * C, B * D)),
      );
  });

  it('one outside, one in a ring: 1 + (A·C)/(B·D)', () => {
    const mixed = (A: number, B: number, C: number, D: number): Machine => {
      const m = compound('external', A, B, C, D);
      return {
        ...m,
        joints: m.joints.map(j => (j.kind === 'mesh' && j.id === 'm1' ? { ...j, type: 'internal' } : j)),
      };
    };
    for (const [A, B, C, D] of [
      [30, 20, 18, 68],
      [24, 36, 20, 80],
    ] as const)
      expect(rate(mixed(A, B, C, D), 'follower')).to.equal(toFraction(rational(B * D + A * C, B * D)));
  });

  it('a planet held against the ground while it is carried: the follower makes 1 + planet/follower', () => {
    const m = arrange(
      { arm: {}, follower: { with: 'arm' }, planet: { frame: 'arm', at: [50, 0] } },
      { 'planet.w': 20, 'follower.w': 40 },
      [['planet.w', 'follower.w']],
    );
    expect(rate(holdMember('planet', GROUND)(m), 'follower')).to.equal('3/2');
  });

  it(
    'an idler on the arm between equal wheels keeps a carried wheel pointing one way ' +
      '(common practice, no source)',
    () => {
      for (const idler of [12, 25, 60]) {
        const m = arrange(
          {
            arm: {},
            fixed: { with: 'arm', held: true },
            between: { frame: 'arm', at: [40, 0] },
            globe: { frame: 'arm', at: [80, 0] },
          },
          { 'fixed.w': 30, 'between.w': idler, 'globe.w': 30 },
          [
            ['fixed.w', 'between.w'],
            ['between.w', 'globe.w'],
          ],
        );
        expect(rate(m, 'globe'), 'on the arm').to.equal('-1');
      }
    },
  );
});
