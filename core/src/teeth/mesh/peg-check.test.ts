import { expect } from 'chai';
import { PEG_ALLOWANCE, PEG_REACH, pegCheck, pegContact, pegModule, pegPair } from './index.ts';

const D = 6.35;
const WOOD = 0.35;
/** Rings as they are laid out for wood: reckoned with thicker pegs, built with the true ones. */
const inWood = (a: number, b: number): ReturnType<typeof pegPair> =>
  pegPair(pegModule(D + PEG_ALLOWANCE), [a, b], D, PEG_REACH * (D + PEG_ALLOWANCE));

describe('two rings of pegs at right angles', () => {
  it('have a pitch of two pegs and 3 % of play (common practice, no source)', () => {
    expect(Math.PI * pegModule(D)).to.be.closeTo(2.03 * D, 1e-9);
    expect(pegPair(pegModule(D), [10, 20], D, 1).radii[1] * 2).to.be.closeTo((20 * 2.03 * D) / Math.PI, 1e-9);
  });

  it(
    '5 against 10 run while the large wheel drives and bind when the small one does; 10 ' +
      'against 20 run whichever drives (common practice, no source)',
    () => {
      expect(pegCheck(inWood(5, 10), 'second', WOOD).fault, 'large drives small').to.equal('none');
      expect(pegCheck(inWood(5, 10), 'first', WOOD).fault, 'small drives large').to.equal('binds');
      expect(pegCheck(inWood(10, 20), 'first', WOOD).fault).to.equal('none');
      expect(pegCheck(inWood(10, 20), 'second', WOOD).fault).to.equal('none');
    },
  );

  it('the same pair the other way round says the same', () => {
    const [a, b] = [pegCheck(inWood(5, 10), 'first', WOOD), pegCheck(inWood(10, 5), 'second', WOOD)];
    expect(a.bindingAngle).to.be.closeTo(b.bindingAngle, 1e-9);
    expect(a.leastPlay).to.be.closeTo(b.leastPlay, 1e-9);
  });

  it('a working length of 55 % of the peg just clears, 70 % jams (common practice, no source)', () => {
    const at = (part: number): number =>
      pegCheck(pegPair(pegModule(D), [10, 20], D, part * D), 'first', WOOD).leastPlay;
    expect(at(0.55)).to.be.within(0, 0.03 * D);
    expect(at(0.7)).to.be.below(0);
    expect(pegCheck(pegPair(pegModule(D), [10, 20], D, 0.7 * D), 'first', WOOD).fault).to.equal('jams');
  });

  it('side on side, pegs stand a whole diameter apart along the way they go, and the push lies in that way', () => {
    const pair = pegPair(pegModule(D), [24, 24], D, 0.9 * D);
    const c = pegContact(pair, true, 0)!;
    const [ya, yb] = [0, pair.radii[1] * Math.sin(c.driven)];
    expect(yb - ya).to.be.closeTo(D, 1e-6);
    expect(c.edge).to.equal(false);
    expect(c.normal[1]).to.be.closeTo(1, 1e-9);
  });

  it('where they touch is on both pegs, for edges too', () => {
    const pair = pegPair(pegModule(D), [8, 16], D, PEG_REACH * D);
    let edges = 0;
    for (let t = -0.5; t <= 0.4; t += 0.05) {
      const c = pegContact(pair, true, t);
      if (!c) continue;
      if (c.edge) edges += 1;
      const [x, y, z] = c.at;
      const own = Math.hypot(x - pair.radii[0] * Math.cos(t), y - pair.radii[0] * Math.sin(t));
      const other = Math.hypot(
        y - pair.radii[1] * Math.sin(c.driven),
        z - pair.radii[1] * (1 - Math.cos(c.driven)),
      );
      expect(own).to.be.closeTo(D / 2, 1e-6);
      expect(other).to.be.closeTo(D / 2, 1e-6);
      expect(Math.hypot(...c.normal)).to.be.closeTo(1, 1e-12);
    }
    expect(edges).to.be.greaterThan(3);
  });

  it('more friction binds, none does not; few on both let go', () => {
    expect(pegCheck(inWood(10, 20), 'first', 1.2).fault).to.equal('binds');
    expect(pegCheck(inWood(5, 10), 'first', 0.01).fault).to.equal('none');
    expect(pegCheck(pegPair(pegModule(D), [5, 5], D, PEG_REACH * D), 'first', WOOD).fault).to.equal(
      'lets go',
    );
  });
});
