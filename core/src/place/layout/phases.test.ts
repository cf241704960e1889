import { expect } from 'chai';
import fc from 'fast-check';
import { arrange } from '../../../test/arrange.ts';
import { derive, settle } from '../../state/derive/index.ts';
import type { Machine } from '../../document/machine/index.ts';
import { innerPhase, innerPhaseError, matingPhase, phaseError } from '../../teeth/mesh/index.ts';
import { stancesAt } from '../motion/index.ts';

const FULL = 2 * Math.PI;
/** Where the middle of the nearest tooth of a wheel is from a direction, as a part of a tooth. */
const toothAt = (count: number, phase: number, direction: number): number => {
  const teeth = (count * (direction - phase)) / FULL;
  return teeth - Math.round(teeth);
};

describe('phases inside rings', () => {
  it('put a tooth of the wheel into a gap of the ring, on the side where they touch', () => {
    const count = fc.integer({ min: 8, max: 90 });
    fc.assert(
      fc.property(
        count,
        count,
        fc.double({ min: -7, max: 7, noNaN: true }),
        fc.double({ min: -7, max: 7, noNaN: true }),
        (z, more, phase, contact) => {
          const ring = z + more;
          const set = innerPhase(z, phase, ring, contact);
          expect(set)
            .to.be.at.least(0)
            .and.below(FULL / ring);
          expect(innerPhaseError(z, phase, ring, set, contact)).to.be.closeTo(0, 1e-9);
          const away = Math.abs(toothAt(z, phase, contact) - toothAt(ring, set, contact));
          expect(Math.abs(away - 0.5), 'half a tooth apart at the contact').to.be.below(1e-9);
          expect(innerPhase(ring, set, z, contact), 'and back').to.satisfy(
            (back: number) => Math.abs(innerPhaseError(z, back, ring, set, contact)) < 1e-9,
          );
        },
      ),
    );
  });

  it('agree with the outer ones for a ring so large that it is a rack', () => {
    const outer = matingPhase(20, 0.1, 100000, 0);
    const inner = innerPhase(20, 0.1, 100000, 0);
    expect(phaseError(20, 0.1, 100000, outer, 0)).to.be.closeTo(0, 1e-6);
    // Seen from the other side of the rack, teeth count the other way.
    expect(toothAt(100000, inner, 0)).to.be.closeTo(-toothAt(100000, outer, Math.PI), 1e-6);
  });
});

describe('phases of a planetary set in motion', () => {
  it('hold at any turn of the drive: every planet has a tooth in a gap of the sun, and of the ring', () => {
    const counts = fc.record({
      sun: fc.integer({ min: 10, max: 40 }),
      planet: fc.integer({ min: 10, max: 40 }),
      part: fc.double({ min: 0, max: 1, noNaN: true, maxExcluded: true }),
    });
    fc.assert(
      fc.property(counts, ({ sun, planet, part }) => {
        const ring = sun + 2 * planet;
        const m = arrange(
          {
            sun: {},
            arm: { with: 'sun' },
            ring: { with: 'sun', held: true },
            planet: { frame: 'arm', at: [sun + planet, 0], copies: 2 },
          },
          { 'sun.w': sun, 'planet.w': planet, 'ring.ring': ring },
          [
            ['sun.w', 'planet.w'],
            ['planet.w', 'ring.ring', 'internal'],
          ],
        );
        const d = derive(m);
        const at = stancesAt(d.moving, { whole: 11n, part });
        const [s, p] = [at.get('sun')!, at.get('planet')!];
        const line = Math.atan2(p.centre.y, p.centre.x);
        const [ps, pp, pr] = ['sun-w', 'planet-w', 'ring-ring'].map(w => d.phases.at[w]!) as [
          number,
          number,
          number,
        ];
        expect(phaseError(sun, s.angle + ps, planet, p.angle + pp, line), 'sun').to.be.closeTo(0, 1e-6);
        expect(innerPhaseError(planet, p.angle + pp, ring, pr, line), 'ring').to.be.closeTo(0, 1e-6);
        const copy = d.moving.copies[0]!;
        const two = at.get(`planet 0`)!;
        const far = Math.atan2(two.centre.y, two.centre.x);
        const misfit = d.findings.some(f => f.code === 'planets-misfit');
        expect(misfit).to.equal(false);
        expect(
          phaseError(sun, s.angle + ps, planet, two.angle + pp + copy.spin, far),
          'second with the sun',
        ).to.be.closeTo(0, 1e-6);
        expect(
          innerPhaseError(planet, two.angle + pp + copy.spin, ring, pr, far),
          'second with the ring',
        ).to.be.closeTo(0, 1e-6);
      }),
      { numRuns: 60 },
    );
  });

  it('are settled without outlines exactly as with them', () => {
    const m: Machine = arrange(
      { a: {}, b: { at: [60, 0] }, c: { at: [120, 0] } },
      { 'a.u': 20, 'b.v': 40, 'b.w': 15, 'c.x': 45 },
      [
        ['a.u', 'b.v'],
        ['b.w', 'c.x'],
      ],
    );
    const d = derive(m);
    expect(settle(m).phases).to.deep.equal(d.phases);
    expect(settle(m).positions).to.deep.equal(d.positions);
  });
});
