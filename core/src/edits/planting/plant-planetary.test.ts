import { expect } from 'chai';
import { derive } from '../../state/derive/index.ts';
import {
  integrityProblems,
  newAim,
  newMachine,
  readMachine,
  writeMachine,
} from '../../document/machine/index.ts';
import { CENTRALS, planetaryRate } from '../../counting/planetary/index.ts';
import { absolute, toFraction } from '../../ground/rational/index.ts';
import { must } from '../../ground/result/index.ts';
import { sayFinding } from '../../files/words/index.ts';
import { plantPlanetary } from './index.ts';

const SET = { sun: 24, planet: 18, ring: 60, planets: 3 };

describe('a planetary set built into the machine', () => {
  for (const held of CENTRALS) {
    for (const driver of CENTRALS.filter(c => c !== held)) {
      it(`turns as the formula says: ${held} held, ${driver} turned by the drive`, () => {
        const rate = planetaryRate(SET, held, driver);
        const empty = newMachine('m');
        const aim = { ...newAim(empty, 'Output', toFraction(absolute(rate))), sense: 'either' as const };
        const m = plantPlanetary(
          { ...empty, aims: [aim] },
          { set: SET, held, driver, module: 1.5, aim: aim.id },
        );
        expect(integrityProblems(m)).to.deep.equal([]);
        expect(must(readMachine(writeMachine(m)))).to.deep.equal(JSON.parse(JSON.stringify(m)));
        const d = derive(m);
        expect(d.train.rates[m.aims[0]!.member!]).to.deep.equal(rate);
        expect(d.aims[aim.id]!.status).to.equal('met');
        expect(d.findings.filter(f => f.severity !== 'note').map(f => sayFinding(f, m).title)).to.deep.equal(
          [],
        );
        const axis = m.axes.at(-1)!;
        expect(axis.copies?.count).to.equal(3);
        const at = d.positions.at[axis.id]!;
        expect(Math.hypot(at.x, at.y), 'a = m(24 + 18)/2').to.be.closeTo(31.5, 1e-9);
      });
    }
  }

  it('stands at the nearest places where equal ones do not go together, and alone without an aim', () => {
    const m = plantPlanetary(newMachine('m'), {
      set: { ...SET, planets: 5 },
      held: 'ring',
      driver: 'sun',
      module: 1,
    });
    expect(m.axes.at(-1)!.copies?.anglesDeg).to.have.length(5);
    expect(m.aims).to.deep.equal([]);
    expect(derive(m).findings.filter(f => f.severity === 'stop')).to.deep.equal([]);
    const twice = plantPlanetary(m, { set: SET, held: 'ring', driver: 'sun', module: 1 });
    expect(integrityProblems(twice)).to.deep.equal([]);
    expect(new Set(twice.wheels.map(w => w.layer)).size, 'each set in a layer of its own').to.equal(2);
  });

  it('takes the place of the train that the aim had', () => {
    const empty = newMachine('m');
    const aim = newAim(empty, 'Output', '2/7');
    const once = plantPlanetary(
      { ...empty, aims: [aim] },
      { set: SET, held: 'ring', driver: 'sun', module: 1, aim: aim.id },
    );
    const again = plantPlanetary(once, { set: SET, held: 'sun', driver: 'ring', module: 1, aim: aim.id });
    expect(integrityProblems(again)).to.deep.equal([]);
    expect(derive(again).train.rates[again.aims[0]!.member!]).to.deep.equal(
      planetaryRate(SET, 'sun', 'ring'),
    );
  });
});
