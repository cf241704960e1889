import { expect } from 'chai';
import { arrange } from '../../../test/arrange.ts';
import { meshes, type Machine } from '../../document/machine/index.ts';
import { setHelix, setWheel } from '../../edits/change/index.ts';
import { overlapRatio } from '../../teeth/tooth/index.ts';
import { derive } from '../derive/index.ts';
import { meshOverlap } from './index.ts';

const pair = (helix: number, thick: number): Machine => {
  const m = arrange({ a: {}, b: { at: [16, 0] } }, { 'a.u': 8, 'b.v': 8 }, [['a.u', 'b.v']]);
  const flat = ['a-u', 'b-v'].reduce((x, id) => setWheel(id, { layer: 0, thickness: thick })(x), m);
  return setHelix(
    'toothing1',
    helix,
  )({
    ...flat,
    wheels: flat.wheels.map((w, i) => ({ ...w, hand: i === 0 ? 'left' : 'right' })),
  });
};

describe('what a helix adds to the contact ratio', () => {
  it('is b sin β / (π m_n) (ISO 21771): an axial pitch of face adds one', () => {
    expect(overlapRatio(20, 2, 15)).to.be.closeTo(0.824, 5e-4);
    expect(overlapRatio((Math.PI * 2) / Math.sin(Math.PI / 6), 2, 30)).to.be.closeTo(1, 1e-12);
    expect(overlapRatio(20, 2, 0)).to.equal(0);
  });

  it('is of the narrower wheel, and of the normal module', () => {
    const m = setWheel('b-v', { thickness: 10 })(pair(20, 30));
    const { modules } = derive(m);
    expect(meshOverlap(m, meshes(m)[0]!, modules)).to.be.closeTo(overlapRatio(10, 2, 20), 1e-9);
    expect(meshOverlap(pair(0, 30), meshes(m)[0]!, modules)).to.equal(0);
  });

  it('counts where little contact is judged: eight straight teeth have too little, leaning ones not', () => {
    const little = (m: Machine): boolean => derive(m).findings.some(f => f.code === 'little-contact');
    expect(little(pair(0, 30))).to.equal(true);
    expect(little(pair(25, 30))).to.equal(false);
  });
});
