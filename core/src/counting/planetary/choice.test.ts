import { expect } from 'chai';
import { div, ONE, rational, sub, toFraction } from '../../ground/rational/index.ts';
import { must } from '../../ground/result/index.ts';
import { cannotBeBuilt, factsOfChoice, setsForRate, stackedRate } from './index.ts';

describe('a set being chosen', () => {
  const choice = {
    ...{ rings: 'one' as const, sun: 24, planet: 18, second: 17, planets: 3, stages: 1 },
    ...{ held: 'ring' as const, driver: 'sun' as const },
  };

  it('has the rate of all its stages, and the ring with its rim across', () => {
    const facts = must(factsOfChoice({ ...choice, stages: 3 }));
    expect(toFraction(facts.rate)).to.equal('8/343');
    expect(facts.output).to.equal('arm');
    expect(facts.across).to.equal(67.5);
    expect(facts.equal).to.equal(true);
    expect(cannotBeBuilt(facts)).to.equal(false);
  });

  it('says which planets strike each other or their ring, of one ring and of two', () => {
    const many = must(factsOfChoice({ ...choice, planets: 7 }));
    expect(many.gap).to.be.below(0);
    expect(cannotBeBuilt(many)).to.equal(true);
    // Small differences between ring and planet: tips strike below 8 or 9 teeth at 20°, common practice.
    const twin = must(factsOfChoice({ ...choice, rings: 'two', sun: 4, planet: 4, second: 40, planets: 1 }));
    expect(twin.output).to.equal('second ring');
    expect(twin.inRings).to.deep.equal([
      { kind: 'below base circle', planet: 4, ring: 12 },
      { kind: 'tips strike', planet: 40, ring: 48 },
    ]);
    expect(cannotBeBuilt(twin)).to.equal(true);
    const small = must(factsOfChoice({ ...choice, sun: 12, planet: 18, planets: 1 }));
    expect(small.inRings).to.deep.equal([{ kind: 'below base circle', planet: 18, ring: 48 }]);
    expect(cannotBeBuilt(small)).to.equal(false);
    expect(factsOfChoice({ ...choice, sun: 2 }).ok).to.equal(false);
  });

  it('is searched for a rate over all stages, and every error is that of them all', () => {
    const wanted = rational(8n, 343n);
    const found = must(
      setsForRate({ ...choice, stages: 3 }, wanted, { planets: [3], module: 1, outside: undefined })!,
    );
    expect(toFraction(found[0]!.rate)).to.equal('2/7');
    for (const f of found)
      expect(toFraction(f.error)).to.equal(toFraction(sub(div(stackedRate(f.rate, 3), wanted), ONE)));
    const held = must(
      setsForRate({ ...choice, held: 'arm' }, rational(2n, 5n), {
        planets: [3],
        module: 1,
        outside: undefined,
      })!,
    );
    expect(toFraction(held[0]!.rate)).to.equal('-2/5');
    expect(toFraction(held[0]!.error)).to.equal('0');
  });
});
