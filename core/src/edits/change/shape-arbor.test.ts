import { expect } from 'chai';
import { arrange } from '../../../test/arrange.ts';
import { derive } from '../../state/derive/index.ts';
import { fix } from '../../ground/result/index.ts';
import { boreForArbor, markAll, setWheel, shapeArbor } from './index.ts';

describe('arbors that are shaped once', () => {
  const m = arrange({ a: {}, b: { at: [60, 0] } }, { 'a.u': 30, 'a.v': 24, 'b.w': 30 }, [['a.u', 'b.w']]);
  const SHAPES = [
    [
      { kind: 'hex', across: 4 },
      { kind: 'hex', across: 4 },
    ],
    [
      { kind: 'square', across: 5 },
      { kind: 'square', across: 5 },
    ],
    [
      { kind: 'flat', diameter: 5, across: 4.5 },
      { kind: 'D', diameter: 5, flat: 4.5 },
    ],
    [
      { kind: 'keyed', diameter: 8, keyWidth: 2, keyDepth: 1 },
      { kind: 'keyed', diameter: 8, width: 2, depth: 1 },
    ],
    [
      { kind: 'rod', diameter: 6 },
      { kind: 'round', diameter: 6 },
    ],
  ] as const;

  for (const [section, bore] of SHAPES)
    it(`${section.kind}: every wheel on it is bored for it, and no other`, () => {
      const made = shapeArbor('a', section)(m);
      expect(made.wheels.filter(w => w.member === 'a').map(w => w.bore)).to.deep.equal([bore, bore]);
      expect(made.wheels.find(w => w.member === 'b')).to.equal(m.wheels.find(w => w.member === 'b'));
      const codes = derive(made).findings.map(f => f.code);
      expect(codes).to.not.include('bore-not-for-section').and.not.include('bore-on-round');
    });

  it('a bore of another shape is told, and mended', () => {
    const hex = shapeArbor('a', { kind: 'hex', across: 4 })(m);
    const id = hex.wheels.find(w => w.member === 'a')!.id;
    const wrong = setWheel(id, { bore: { kind: 'round', diameter: 4 } })(hex);
    const found = derive(wrong).findings.find(f => f.code === 'bore-not-for-section')!;
    expect(found.subjects).to.deep.equal([id]);
    expect(found.fixes).to.deep.equal([fix('bore-for-arbor', id)]);
    expect(derive(boreForArbor(id)(wrong)).findings.map(f => f.code)).to.not.include(found.code);
    // A fit that is said stays.
    const fitted = setWheel(id, { bore: { kind: 'round', diameter: 4, fit: 'press' } })(m);
    expect(shapeArbor('a', { kind: 'hex', across: 4 })(fitted).wheels[0]!.bore).to.deep.equal({
      ...{ kind: 'hex', across: 4, fit: 'press' },
    });
  });

  it('all wheels are marked and engraved at once, and unmarked', () => {
    const all = markAll('engraved', true)(markAll('mark', true)(m));
    expect(all.wheels.every(w => w.body?.mark && w.body.engraved)).to.equal(true);
    expect(markAll('mark', false)(all).wheels.some(w => w.body?.mark)).to.equal(false);
  });
});
