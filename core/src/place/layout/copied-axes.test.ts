import { expect } from 'chai';
import fc from 'fast-check';
import { type ArborSpec, arrange } from '../../../test/arrange.ts';
import { derive } from '../../state/derive/index.ts';
import { type Machine } from '../../document/machine/index.ts';
import { toFraction } from '../../ground/rational/index.ts';
import { assemblyFindings, copyGroups, equalNumbers, nearestPlaces, placeStep, settingsAt } from './index.ts';
import { withFix } from '../../../test/find.ts';

const simple = (sun: number, planet: number, copies: number): Machine =>
  arrange(
    {
      sun: {},
      arm: { with: 'sun' },
      ring: { with: 'sun', held: true },
      planet: { frame: 'arm', at: [sun + planet, 0], copies },
    },
    { 'sun.w': sun, 'planet.w': planet, 'ring.ring': sun + 2 * planet },
    [
      ['sun.w', 'planet.w'],
      ['planet.w', 'ring.ring', 'internal'],
    ],
  );
const group = (m: Machine): ReturnType<typeof copyGroups>[number] => copyGroups(m)[0]!;
const goes = (m: Machine, turns: number): boolean => settingsAt(group(m), 2 * Math.PI * turns) !== undefined;

describe('what an arm carries in several places', () => {
  it('24 + 60 = 84: three, four and six go together, five do not (conventions 10)', () => {
    for (const n of [2, 3, 4, 6]) expect(goes(simple(24, 18, n), 1 / n), `${n}`).to.equal(true);
    expect(goes(simple(24, 18, 5), 1 / 5)).to.equal(false);
    expect(toFraction(placeStep(group(simple(24, 18, 5)))!)).to.equal('1/84');
    expect(equalNumbers(placeStep(group(simple(24, 18, 5)))!, 12)).to.deep.equal([2, 3, 4, 6, 7, 12]);
  });

  it(
    'goes together exactly where (sun + ring)/n is whole (Machinery’s Handbook, planetary ' +
      'gearing; from memory)',
    () => {
      const count = fc.integer({ min: 6, max: 50 });
      fc.assert(
        fc.property(count, count, fc.integer({ min: 2, max: 9 }), (sun, planet, n) => {
          expect(goes(simple(sun, planet, n), 1 / n)).to.equal((2 * (sun + planet)) % n === 0);
        }),
        { numRuns: 60 },
      );
    },
  );

  it(
    'two meshing planets between sun and ring: multiples of 1/(ring − sun) (from memory, ' +
      'Müller, Die Umlaufgetriebe, 1971)',
    () => {
      const double = arrange(
        {
          sun: {},
          arm: { with: 'sun' },
          ring: { with: 'sun', held: true },
          p: { frame: 'arm', at: [30, 5], copies: 3 },
          q: { frame: 'arm', at: [40, -5], copies: 3 },
        },
        { 'sun.w': 20, 'p.w': 14, 'q.w': 16, 'ring.ring': 62 },
        [
          ['sun.w', 'p.w'],
          ['p.w', 'q.w'],
          ['q.w', 'ring.ring', 'internal'],
        ],
      );
      expect(copyGroups(double)).to.have.length(1);
      expect(toFraction(placeStep(group(double))!)).to.equal('1/42');
      expect([goes(double, 1 / 3), goes(double, 1 / 5), goes(double, 5 / 42)]).to.deep.equal([
        true,
        false,
        true,
      ]);
    },
  );

  it('planets of two wheels: the step is found by trying every place, too', () => {
    const counts = fc.integer({ min: 5, max: 18 });
    fc.assert(
      fc.property(counts, counts, counts, counts, (sun, p, q, more) => {
        const arbors: Record<string, ArborSpec> = {
          sun: {},
          arm: { with: 'sun' },
          ring: { with: 'sun', held: true },
          planet: { frame: 'arm', at: [30, 0], copies: 2 },
        };
        const m = arrange(arbors, { 'sun.w': sun, 'planet.p': p, 'planet.q': q, 'ring.ring': q + more }, [
          ['sun.w', 'planet.p'],
          ['planet.q', 'ring.ring', 'internal'],
        ]);
        const step = placeStep(group(m))!;
        const n = Number(step.den) / Number(step.num);
        expect(goes(m, 1 / n), 'at the step').to.equal(true);
        // No smaller place does: by brute force over all multiples of a step finer by any small whole number.
        for (const finer of [2, 3, 5, 7]) expect(goes(m, 1 / (n * finer)), `1/${n * finer}`).to.equal(false);
      }),
      { numRuns: 80 },
    );
  });

  it('say so where they do not, with numbers and counts that would, and a fix that works', () => {
    const m = simple(24, 18, 5);
    const [found, ...more] = assemblyFindings(m);
    expect(more).to.deep.equal([]);
    expect(found!.code === 'planets-misfit' && found!.data.fits).to.equal('2, 3, 4, 6, 7, 12');
    expect(found!.code === 'planets-misfit' && found!.data.counts).to.equal('25 for 24, or 61 for 60');
    const mended = withFix(m, found!.fixes[0]);
    expect(assemblyFindings(mended)).to.deep.equal([]);
    expect(
      mended.axes
        .find(a => a.copies)!
        .copies!.anglesDeg!.map(a => (a * 84) / 360)
        .map(Math.round),
    ).to.deep.equal([0, 17, 34, 50, 67]);
    expect(nearestPlaces({ num: 1n, den: 84n }, 2)).to.deep.equal([0, 180]);
  });

  it('one central mesh alone fits anywhere', () => {
    const m = arrange(
      { sun: {}, arm: { with: 'sun' }, planet: { frame: 'arm', at: [30, 0], copies: 5 } },
      { 'sun.w': 23, 'planet.w': 17 },
      [['sun.w', 'planet.w']],
    );
    expect(placeStep(group(m))).to.equal(undefined);
    expect(goes(m, 0.123)).to.equal(true);
  });

  it('neighbours whose tips overlap are a finding', () => {
    const touching = (n: number): boolean =>
      derive(simple(12, 30, n)).findings.some(f => f.code === 'planets-touch');
    expect([touching(2), touching(4)]).to.deep.equal([false, true]);
  });
});
