import { expect } from 'chai';
import fc from 'fast-check';
import { KINDS } from '../../../test/kinds.ts';
import { derive } from '../../state/derive/index.ts';
import { rational } from '../../ground/rational/index.ts';
import { advance, AT_REST, memberAngle, memberTurns, stancesAt, turnsAsNumber } from './index.ts';

describe('positions in time', () => {
  it('are exact after 10^15 turns: no error of our own grows', () => {
    const rate = rational(-254n, 19n);
    const whole = 19n * 10n ** 15n;
    expect(memberAngle(rate, { whole, part: 0 })).to.equal(0);
    expect(memberAngle(rate, { whole: whole + 1n, part: 0 })).to.equal(
      memberAngle(rate, { whole: 1n, part: 0 }),
    );
    expect(memberTurns(rate, { whole: whole + 1n, part: 0 }).whole).to.equal(-254n * 10n ** 15n - 14n);
  });

  it('carry parts of turns forwards and back', () => {
    expect(advance(AT_REST, -0.25)).to.deep.equal({ whole: -1n, part: 0.75 });
    expect(advance({ whole: -1n, part: 0.75 }, 0.5)).to.deep.equal({ whole: 0n, part: 0.25 });
    fc.assert(
      fc.property(fc.double({ min: -1e6, max: 1e6, noNaN: true }), by => {
        const t = advance(AT_REST, by);
        expect(t.part).to.be.within(0, 1);
        expect(turnsAsNumber(t)).to.be.closeTo(by, 1e-9);
      }),
    );
  });

  it('carry what an arm bears round with it', () => {
    const d = derive(KINDS['arm on arm']!);
    const stance = (id: string, part: number): { x: number; y: number; angle: number } => {
      const s = stancesAt(d.moving, { whole: 0n, part }).get(id)!;
      return { ...s.centre, angle: s.angle };
    };
    const start = stance('small', 0);
    const quarter = stance('small', 0.25);
    expect(quarter.x).to.be.closeTo(-start.y, 1e-9);
    expect(quarter.y).to.be.closeTo(start.x, 1e-9);
    expect(quarter.angle, 'an equal planet turns twice a cycle').to.be.closeTo(Math.PI, 1e-9);
    const far = stance('bird', 0.25);
    expect(Math.hypot(far.x - quarter.x, far.y - quarter.y)).to.be.closeTo(40, 1e-9);
  });
});
