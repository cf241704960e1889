import { expect } from 'chai';
import fc from 'fast-check';
import { must } from '../../ground/result/index.ts';
import {
  halfAngleAt,
  involuteDimensions,
  isUndercut,
  STANDARD_SPEC,
  type ToothSpec,
} from '../tooth/index.ts';
import { centreDistance, chooseShifts, ringInterference } from './index.ts';

const FORM = { kind: 'involute', pressureAngleDeg: 20, addendum: 1, dedendum: 1.25, fillet: 0.38 } as const;
const spec = (count: number, shift = 0): ToothSpec => ({
  form: FORM,
  module: 2,
  count,
  ...STANDARD_SPEC,
  shift,
});

describe('profile shift that is chosen', () => {
  it(
    'against undercut is as much as it takes: 12 teeth at 20° take 0.30, 17 take 0.01, 18 ' +
      'none (Machinery’s Handbook)',
    () => {
      expect(must(chooseShifts([spec(12), spec(40)], { kind: 'avoid undercut' }))).to.deep.equal([0.3, 0]);
      expect(must(chooseShifts([spec(17), spec(18)], { kind: 'avoid undercut' }))).to.deep.equal([0.01, 0]);
      for (const z of [6, 9, 13, 16]) {
        const [x] = must(chooseShifts([spec(z), spec(40)], { kind: 'avoid undercut' }));
        expect(isUndercut(spec(z, x)), `${z} teeth`).to.equal(false);
        expect(isUndercut(spec(z, x - 0.011)), 'no more than it takes').to.equal(true);
      }
    },
  );

  it(
    'for a distance gives just that distance: 12 and 24 at module 3 on 56.4999 mm take 0.96 ' +
      'together (ISO 21771, Machinery’s Handbook)',
    () => {
      const at = (a: number, b: number): readonly [ToothSpec, ToothSpec] => [
        { ...spec(a), module: 3 },
        { ...spec(b), module: 3 },
      ];
      const [xa, xb] = must(chooseShifts(at(12, 24), { kind: 'meet distance', distance: 56.4999 }));
      expect(xa + xb).to.be.closeTo(0.96, 1e-3);
      fc.assert(
        fc.property(
          fc.integer({ min: 12, max: 60 }),
          fc.integer({ min: 12, max: 60 }),
          fc.double({ min: -0.3, max: 0.8, noNaN: true }),
          (a, b, more) => {
            const distance = a + b + more;
            const shifts = must(chooseShifts([spec(a), spec(b)], { kind: 'meet distance', distance }));
            expect(centreDistance({ module: 2, pressureAngleDeg: 20, counts: [a, b], shifts })).to.be.closeTo(
              distance,
              1e-8,
            );
          },
        ),
        { numRuns: 60 },
      );
      const short = chooseShifts([spec(20), spec(40)], { kind: 'meet distance', distance: 50 });
      expect(short.ok ? '' : short.problem.code).to.equal('distance-too-short');
      const long = chooseShifts([spec(20), spec(40)], { kind: 'meet distance', distance: 70 });
      expect(long.ok ? '' : long.problem.code).to.equal('shift-too-large');
    },
  );

  it('balances the feet of two wheels at the sum they have; equal wheels get nothing', () => {
    const [xa, xb] = must(chooseShifts([spec(18), spec(54)], { kind: 'balance thickness' }));
    expect(xa + xb).to.be.closeTo(0, 1e-12);
    expect(xa, 'the pinion gains').to.be.greaterThan(0);
    const foot = (s: ToothSpec): number => {
      const d = involuteDimensions(s);
      const r = Math.max(d.rootRadius, d.baseRadius);
      return 2 * r * halfAngleAt(r, d.baseRadius, d.halfAngleAtBase);
    };
    expect(foot(spec(18, xa))).to.be.closeTo(foot(spec(54, xb)), 1e-9);
    expect(must(chooseShifts([spec(30), spec(30)], { kind: 'balance thickness' }))[0]).to.be.closeTo(0, 1e-9);
  });
});

describe('a wheel in its ring', () => {
  const margins = (z: number, ring: number, form?: number): ReturnType<typeof ringInterference> =>
    ringInterference({
      counts: [z, ring],
      tips: [z / 2 + 1, ring / 2 - 1],
      bases: [(z / 2) * Math.cos(Math.PI / 9), (ring / 2) * Math.cos(Math.PI / 9)],
      distance: (ring - z) / 2,
      form,
    });

  it(
    'at 20° and full depth: tips pass from a difference of 8 or 9 teeth, go in radially ' +
      'from about 16 (handbook tables, from memory)',
    () => {
      const least = (pick: 'trochoid' | 'radial', z: number): number => {
        for (let d = 1; d < 60; d++) if (margins(z, z + d)[pick] >= 0) return d;
        return 60;
      };
      for (const z of [20, 26, 34]) {
        expect(least('trochoid', z), `tips of ${z}`).to.be.within(7, 10);
        expect(least('radial', z), `put in from the middle, ${z}`).to.be.within(12, 20);
      }
    },
  );

  it('a flank that begins above the base circle asks more of the ring', () => {
    const plain = margins(20, 60).involute;
    expect(margins(20, 60, 9.6).involute).to.be.below(plain);
    expect(margins(20, 60, 9.39).involute).to.be.closeTo(plain, 1e-9);
  });
});
