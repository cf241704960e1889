import { expect } from 'chai';
import { byId, type Machine, newMachine } from '../../document/machine/index.ts';
import { must } from '../../ground/result/index.ts';
import { plantPlanetary } from '../planting/index.ts';
import { compare, rational, toFraction } from '../../ground/rational/index.ts';
import { setFrom, teethInAll, twoRingFrom, twoRingTeeth } from '../../counting/planetary/index.ts';
import {
  changeSet,
  exactOrNearest,
  keepSets,
  letSetGo,
  MOST_IN_SEARCH,
  setFacts,
  setsLike,
  type SetWanted,
  stageRatio,
  twoRingsLike,
} from './index.ts';

const built = ((): Machine => {
  const set = must(setFrom({ sun: 24, planet: 18 }, 3));
  const asked = { set, held: 'ring' as const, driver: 'sun' as const, stages: 1, module: 1.5 };
  return plantPlanetary(newMachine('s'), asked);
})();
const id = built.sets[0]!.id;
const wanted = (change: Partial<SetWanted> = {}): SetWanted => ({
  ...{ ratio: stageRatio(built, id, 0)!, planets: [3], most: 120, order: 'size' },
  ...change,
});

describe('other counts for a set', () => {
  it('lists every size that makes its ratio exactly, the smallest ring first', () => {
    expect(toFraction(stageRatio(built, id, 0)!)).to.equal('2/7'); // 1/(1 + 60/24), Willis 1841
    const exact = must(setsLike(built, id, 0, wanted())).filter(f => compare(f.rate, rational(2n, 7n)) === 0);
    // By hand: ring/sun = 5/2 and ring = sun + 2·planet leave planet = 3/4·sun; three go in where sun + ring divides.
    const hand: string[] = [];
    for (let sun = 16; sun * 2.5 <= 120; sun += 4)
      if ((sun * 3.5) % 3 === 0) hand.push(`${sun}, ${(sun * 3) / 4}`);
    expect(exact.map(f => `${f.set.sun}, ${f.set.planet}`)).to.deep.equal(hand);
  });

  it('puts the fewest teeth first where that is asked, and keeps to the outside', () => {
    const planets = [3, 4, 5, 6];
    const bySize = must(setsLike(built, id, 0, wanted({ planets })));
    const byTeeth = must(setsLike(built, id, 0, wanted({ planets, order: 'teeth' })));
    const teeth = byTeeth.filter(f => f.error.num === 0n).map(f => teethInAll(f.set));
    expect(teeth).to.deep.equal([...teeth].sort((a, b) => a - b));
    const rings = bySize.filter(f => f.error.num === 0n).map(f => f.set.ring);
    expect(rings).to.deep.equal([...rings].sort((a, b) => a - b));
    expect(teeth).to.not.deep.equal(bySize.filter(f => f.error.num === 0n).map(f => teethInAll(f.set)));
    const within = must(setsLike(built, id, 0, wanted({ outside: 80 })));
    expect(Math.max(...within.map(f => f.outside))).to.be.at.most(80);
    const none = setsLike(built, id, 0, wanted({ outside: 20 }));
    expect(none.ok ? '' : none.problem.code).to.equal('planetary-none');
  });

  it('lists only the exact ones where there are any, and the nearest few where there are none', () => {
    const asked = must(setsLike(built, id, 0, wanted()));
    expect(exactOrNearest(asked)).to.deep.equal(asked.filter(f => f.error.num === 0n));
    const odd = must(setsLike(built, id, 0, wanted({ ratio: rational(100n, 401n) })));
    expect(odd.some(f => f.error.num === 0n)).to.equal(false);
    expect(exactOrNearest(odd)).to.deep.equal(odd.slice(0, 8));
    // Sun 20, planets 20 and 19 three times, rings 60 and 59: 20 + 117 + 119.
    expect(twoRingTeeth(must(twoRingFrom(20, 20, 19, 3)))).to.equal(256);
  });

  it('is taken as one change, and makes the ratio that was asked', () => {
    const ratio = rational(1n, 5n);
    const [first] = must(setsLike(built, id, 0, wanted({ ratio })));
    const { sun, planet, planets } = first!.set;
    const m = must(changeSet(id, { sun, planet, planets, stage: 0 })(built));
    expect(toFraction(stageRatio(m, id, 0)!)).to.equal('1/5');
    expect(setFacts(m, byId(m.sets, id)!)[0]!.ring).to.equal(sun + 2 * planet);
  });

  it('says that nothing is held, and asks two rings of another search', () => {
    const free = {
      ...built,
      members: built.members.map(m => {
        if (m.kind !== 'arbor') return m;
        const { held: _, ...rest } = m;
        return rest;
      }),
    };
    expect(stageRatio(free, id, 0)).to.equal(undefined);
    const asked = setsLike(free, id, 0, wanted());
    expect(asked.ok ? '' : asked.problem.code).to.equal('set-search-not-whole');
    expect(twoRingsLike(built, id, 0, wanted())).to.equal(undefined);
    // Loose wheels that are kept again are a set with the same ratio.
    const again = must(keepSets(letSetGo(id)(built)));
    expect(toFraction(stageRatio(again, again.sets[0]!.id, 0)!)).to.equal('2/7');
    expect(MOST_IN_SEARCH).to.be.above(120);
  });
});
