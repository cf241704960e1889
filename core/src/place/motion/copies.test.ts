import { expect } from 'chai';
import fc from 'fast-check';
import { plantPlanetary } from '../../edits/planting/index.ts';
import { newMachine } from '../../document/machine/index.ts';
import { matingPhase, phaseError } from '../../teeth/mesh/index.ts';
import { assemblyOf } from '../../counting/planetary/index.ts';
import { memberCopies } from './copies.ts';

describe('planets in several places', () => {
  it('keep their teeth in the gaps of the sun and of the ring wherever the set goes together', () => {
    const count = fc.integer({ min: 12, max: 60 });
    fc.assert(
      fc.property(count, count, fc.integer({ min: 2, max: 7 }), (sun, planet, planets) => {
        const set = { sun, planet, ring: sun + 2 * planet, planets };
        const m = plantPlanetary(newMachine('m'), { set, held: 'ring', driver: 'sun', module: 1 });
        const copies = memberCopies(m);
        expect(copies).to.have.length(planets - 1);
        const first = matingPhase(sun, 0, planet, 0);
        const ringPhase = (at: number, phase: number): number => -set.ring * at - planet * (phase - at);
        for (const [i, c] of copies.entries()) {
          expect(c.turn).to.be.closeTo((assemblyOf(set).anglesDeg[i + 1]! * Math.PI) / 180, 1e-12);
          expect(phaseError(sun, 0, planet, first + c.spin, c.turn), 'with the sun').to.be.closeTo(0, 1e-9);
          const away = (ringPhase(c.turn, first + c.spin) - ringPhase(0, first)) / (2 * Math.PI);
          expect(away, 'with the ring: whole teeth').to.be.closeTo(Math.round(away), 1e-9);
        }
      }),
    );
  });

  it('are none for a machine without any', () => {
    expect(memberCopies(newMachine('m'))).to.deep.equal([]);
  });
});
