import { expect } from 'chai';
import fc from 'fast-check';
import { arrange } from '../../../test/arrange.ts';
import { ninetyWheels } from '../../../../bench/ninety-wheels.ts';
import { derive } from '../../state/derive/index.ts';
import { parseDecimal, rational, toNumber } from '../../ground/rational/index.ts';
import { must } from '../../ground/result/index.ts';
import {
  exactTurns,
  memberAngle,
  memberTurns,
  MOST_TEETH_A_FRAME,
  quickestTeeth,
  recurrenceOf,
  trueSpeed,
  turnsAfter,
  turnsByHand,
  turnsText,
} from './index.ts';

const train = arrange(
  { drive: {}, lay: { at: [80, 0] }, out: { at: [140, 0] } },
  { 'drive.w': 20, 'lay.w': 60, 'lay.p': 15, 'out.w': 48 },
  [
    ['drive.w', 'lay.w'],
    ['lay.p', 'out.w'],
  ],
);
const rates = derive(train).train.rates;

describe('recurrence', () => {
  it('of a train by hand: 20/60 · 15/48 = 5/48, so 3 turns for the lay arbor and 48 for all', () => {
    const found = recurrenceOf(train, rates);
    expect(found.members).to.deep.equal({ drive: 1n, lay: 3n, out: 48n });
    expect(found.whole).to.equal(48n);
  });

  it('brings every member back to the angle that it had, and no fewer turns do', () => {
    const { whole } = recurrenceOf(train, rates);
    for (let n = 1n; n <= whole!; n++) {
      const back = Object.values(rates).every(
        r => memberAngle(r, { whole: n, part: 0 }) % (2 * Math.PI) === 0,
      );
      expect(back, `${n}`).to.equal(n === whole);
    }
  });

  it('of motion work: after 12 hours the hands stand as before (common practice, no source)', () => {
    const hour = rational(1n, 12n);
    expect(memberTurns(hour, { whole: 12n, part: 0 })).to.deep.equal({ whole: 1n, part: 0 });
    const at = (h: bigint, part: number): number => (memberAngle(hour, { whole: h, part }) * 180) / Math.PI;
    expect(at(3n, 0), 'a quarter round at three').to.be.closeTo(90, 1e-9);
    expect(at(8n, 1 / 3), 'at 8:20').to.be.closeTo(250, 1e-9);
  });

  it(
    'of a pair of teeth is the least common multiple of the counts: 20 and 60 meet every ' +
      'time, 15 and 48 after 80 turns',
    () => {
      const { meshes } = recurrenceOf(train, rates);
      expect(meshes['m0']).to.deep.equal({ teeth: 60n, turns: 3n });
      expect(meshes['m1']).to.deep.equal({ teeth: 240n, turns: 16n });
    },
  );

  it('of ninety wheels on nested arms is exact, however long', () => {
    const m = ninetyWheels();
    const r = derive(m).train.rates;
    const { whole } = recurrenceOf(m, r);
    for (const rate of Object.values(r)) expect((rate.num * whole!) % rate.den).to.equal(0n);
  });

  it('is open where a rate is', () => {
    expect(recurrenceOf(train, { drive: rational(1n) }).whole).to.equal(undefined);
  });
});

describe('turns', () => {
  it('for a time are exact after 10⁹ turns and before the start', () => {
    const day = rational(86400n);
    expect(turnsAfter(rational(86400n * 10n ** 9n + 21600n), day)).to.deep.equal({
      whole: 10n ** 9n,
      part: 0.25,
    });
    expect(turnsAfter(rational(-21600n), day)).to.deep.equal({ whole: -1n, part: 0.75 });
  });

  it('are kept as text and read again the same', () => {
    fc.assert(
      fc.property(
        fc.bigInt({ min: -(10n ** 12n), max: 10n ** 12n }),
        fc.double({ min: 0, max: 0.999999999, noNaN: true }),
        (whole, part) => {
          const again = exactTurns(must(parseDecimal(turnsText({ whole, part }))));
          expect(Number(again.whole - whole) + again.part).to.be.closeTo(part, 1e-11);
        },
      ),
    );
    expect(turnsText({ whole: -1n, part: 0.25 })).to.equal('-0.750000000000');
    expect(turnsText({ whole: 2n, part: 0.9999999999999 })).to.equal('3.000000000000');
  });
});

describe('a wheel pulled by hand', () => {
  const at = (deg: number): { x: number; y: number } => ({
    x: 5 + 20 * Math.cos((deg * Math.PI) / 180),
    y: -3 + 20 * Math.sin((deg * Math.PI) / 180),
  });
  const pull = (num: number, den: number, from: number, to: number): number =>
    turnsByHand(rational(BigInt(num), BigInt(den)), { x: 5, y: -3 }, at(from), at(to));

  it('turns the drive by as much as its rate asks, the short way round', () => {
    expect(pull(1, 1, 0, 90)).to.be.closeTo(0.25, 1e-12);
    expect(pull(-1, 3, 0, 90)).to.be.closeTo(-0.75, 1e-12);
    expect(pull(12, 1, 170, -170)).to.be.closeTo(20 / 360 / 12, 1e-12);
    expect(pull(0, 1, 0, 90)).to.equal(0);
  });

  it('follows the hand: the wheel has then turned as far as it was pulled', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: -30, max: 30 }),
        fc.integer({ min: 1, max: 40 }),
        fc.integer({ min: -179, max: 179 }),
        (num, den, deg) => {
          if (num === 0) return;
          const angle = memberAngle(rational(BigInt(num), BigInt(den)), {
            whole: 0n,
            part: pull(num, den, 10, 10 + deg),
          });
          expect((angle * 180) / Math.PI).to.be.closeTo(deg, 1e-9);
        },
      ),
    );
  });
});

describe('what the eye can follow', () => {
  it('is set by the wheel whose teeth pass quickest', () => {
    const quick = quickestTeeth(train, rates)!;
    expect(quick.teeth).to.be.closeTo(20, 1e-12);
    expect(trueSpeed(quick.teeth) * quick.teeth).to.be.closeTo(60 * MOST_TEETH_A_FRAME, 1e-9);
    expect(quickestTeeth({ ...train, wheels: [] }, rates)).to.equal(undefined);
    expect(toNumber(rates['drive']!)).to.equal(1);
  });
});
