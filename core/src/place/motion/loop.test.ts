import { expect } from 'chai';
import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { derive } from '../../state/derive/index.ts';
import { readMachine } from '../../document/machine/index.ts';
import { setDriveWay } from '../../edits/change/index.ts';
import { rational } from '../../ground/rational/index.ts';
import { must } from '../../ground/result/index.ts';
import {
  advance,
  filmCloses,
  inLoop,
  loopFrom,
  memberAngle,
  ONE_BEAT,
  ONE_TOOTH,
  opposite,
  parseLoop,
  stancesAt,
  turnsAsNumber,
  turnsForTeeth,
} from './index.ts';

const machine = must(
  readMachine(readFileSync(new URL('../../../../demo/two-noons.json', import.meta.url), 'utf8')),
);
const d = derive(machine);

describe('loops', () => {
  it('are read in turns and in degrees, exactly', () => {
    expect(must(parseLoop('1 turn'))).to.deep.equal(rational(1n));
    expect(must(parseLoop('2.5 turns'))).to.deep.equal(rational(5n, 2n));
    expect(must(parseLoop('1/12'))).to.deep.equal(rational(1n, 12n));
    expect(must(parseLoop('90 degrees'))).to.deep.equal(rational(1n, 4n));
    expect(must(parseLoop('30°'))).to.deep.equal(rational(1n, 12n));
  });

  it('of no turns, of less, or of what is no number are told with a sentence’s code', () => {
    const code = (t: string): string => {
      const r = parseLoop(t);
      return r.ok ? 'ok' : r.problem.code;
    };
    expect(['0', '0 turns', '0 degrees'].map(code)).to.deep.equal(['loop-zero', 'loop-zero', 'loop-zero']);
    expect(['-1 turn', 'twice', '', '1/0', '3 m'].map(code)).to.deep.equal(Array(5).fill('loop-unreadable'));
  });

  it('bring turns back into their stretch from either end, by whole rounds', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -50, max: 50, noNaN: true }),
        fc.double({ min: 0.01, max: 9, noNaN: true }),
        (by, length) => {
          const from = { whole: 10n ** 9n, part: 0.25 };
          const loop = loopFrom(from, rational(BigInt(Math.round(length * 1000)), 1000n));
          const at = inLoop(advance(from, by), loop);
          const run = Number(at.whole - from.whole) + at.part - from.part;
          expect(run).to.be.within(-1e-9, loop.turns + 1e-9);
          const rounds = (by - run) / loop.turns;
          expect(rounds).to.be.closeTo(Math.round(rounds), 1e-6);
        },
      ),
    );
  });

  it('a film goes on into its beginning after a whole multiple of the turns in which all recurs', () => {
    expect([
      filmCloses(12, 12n),
      filmCloses(24, 12n),
      filmCloses(6, 12n),
      filmCloses(1.5, 1n),
      filmCloses(1, undefined),
    ]).to.deep.equal([true, true, false, false, false]);
  });
});

describe('steps of a tooth', () => {
  it(
    '30 teeth on the arbor of the seconds, which turns 60 times an hour: a tooth in 2 s, a ' +
      'beat in 1 s (a seconds pendulum)',
    () => {
      const rates = d.train.rates;
      const wheel = machine.wheels.find(w => w.member === 'escape')!;
      const thirty = { ...machine, wheels: [{ ...wheel, teeth: { kind: 'count' as const, count: 30 } }] };
      expect(turnsForTeeth(thirty, rates, wheel.id, ONE_TOOTH)! * 3600).to.be.closeTo(2, 1e-12);
      expect(turnsForTeeth(thirty, rates, wheel.id, ONE_BEAT)! * 3600).to.be.closeTo(1, 1e-12);
      expect(turnsForTeeth(thirty, { escape: rational(0n) }, wheel.id, ONE_TOOTH)).to.equal(undefined);
      expect(turnsForTeeth(thirty, rates, 'none', ONE_TOOTH)).to.equal(undefined);
    },
  );
});

describe('a drive that turns clockwise', () => {
  it('stands, after some turns, where the other stands after as many back', () => {
    const other = derive(setDriveWay(false)(machine));
    for (const part of [0, 0.3, 0.77]) {
      const turns = { whole: 41n, part };
      const [a, b] = [stancesAt(d.moving, turns), stancesAt(other.moving, opposite(turns))];
      expect(a.size).to.be.above(8);
      for (const [id, s] of a) {
        expect(s.centre).to.deep.equal(b.get(id)!.centre);
        expect(s.angle, id).to.equal(b.get(id)!.angle);
      }
    }
    expect(turnsAsNumber(opposite({ whole: 3n, part: 0.25 }))).to.equal(-3.25);
    expect(turnsAsNumber(opposite({ whole: -2n, part: 0 }))).to.equal(2);
  });

  it('a map of places filled again holds the new places, in the same objects', () => {
    const into = stancesAt(d.moving, { whole: 0n, part: 0.1 });
    const kept = into.get('hour')!;
    const again = stancesAt(d.moving, { whole: 5n, part: 0.6 }, into);
    expect(again).to.equal(into);
    expect(again.get('hour')).to.equal(kept);
    expect([...again]).to.deep.equal([...stancesAt(d.moving, { whole: 5n, part: 0.6 })]);
  });

  it('angles by doubles and by bigints are the same where both can be used', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: -5000, max: 5000 }),
        fc.integer({ min: 1, max: 90000 }),
        fc.integer({ min: -1e9, max: 1e9 }),
        fc.double({ min: 0, max: 0.999, noNaN: true }),
        (num, den, whole, part) => {
          const rate = rational(BigInt(num), BigInt(den));
          // A whole number of the member’s turns more makes the same angle and takes the other way to it.
          const far = BigInt(whole) + rate.den * 10n ** 20n;
          expect(memberAngle(rate, { whole: far, part })).to.equal(
            memberAngle(rate, { whole: BigInt(whole), part }),
          );
        },
      ),
    );
  });
});
