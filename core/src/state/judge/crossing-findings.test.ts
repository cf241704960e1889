import { expect } from 'chai';
import { arrange } from '../../../test/arrange.ts';
import { DEMOS } from '../../../test/machines.ts';
import { type Cylinder, cylinderGap } from '../../ground/geometry/index.ts';
import type { Machine } from '../../document/machine/index.ts';
import { setHelix, setWheel } from '../../edits/change/index.ts';
import { derive } from '../derive/index.ts';

const X = { x: 1, y: 0, z: 0 };
const Z = { x: 0, y: 0, z: 1 };
const disc = (
  from: Cylinder['from'],
  along: Cylinder['along'],
  length: number,
  radius: number,
): Cylinder => ({
  ...{ from, along, length, radius },
});

describe('the way between two round bodies in space', () => {
  it('is that of their faces, rims and edges, worked by hand', () => {
    const base = disc({ x: 0, y: 0, z: 0 }, Z, 4, 10);
    expect(cylinderGap(base, disc({ x: 0, y: 0, z: 7 }, Z, 4, 10)), 'face to face').to.be.closeTo(3, 1e-6);
    expect(cylinderGap(base, disc({ x: 25, y: 0, z: 0 }, Z, 4, 10)), 'rim to rim').to.be.closeTo(5, 1e-6);
    expect(cylinderGap(base, disc({ x: 13, y: 0, z: 2 }, X, 5, 8)), 'rim to face').to.be.closeTo(3, 1e-6);
    // The upper disc's lowest line lies at z = 9 − 2 = 7 over the face at 4.
    expect(cylinderGap(base, disc({ x: -3, y: 0, z: 9 }, X, 6, 2)), 'face to rim').to.be.closeTo(3, 1e-6);
    const edge = cylinderGap(base, disc({ x: 13, y: 0, z: 8 + 6 }, X, 5, 6));
    expect(edge, 'edge to edge: 3 across and 4 up').to.be.closeTo(5, 1e-4);
    expect(cylinderGap(base, disc({ x: 8, y: 0, z: 2 }, X, 5, 8)), 'one in the other').to.equal(0);
  });
});

/** A worm's pair on crossing axes, and a third wheel beside the first. */
const crossed = (third: readonly [number, number], layer: number): Machine => {
  const m = setHelix(
    'toothing1',
    45,
  )(
    arrange({ a: {}, b: { at: [60, 0] }, c: { at: third } }, { 'a.u': 20, 'b.v': 40, 'c.w': 30 }, [
      ['a.u', 'b.v', 'crossed'],
    ]),
  );
  const axes = m.axes.map(x =>
    x.id === 'on-b' ? { ...x, place: { kind: 'mesh' as const, joint: 'm0', angleDeg: 0 } } : x,
  );
  return setWheel('c-w', { layer })(setWheel('a-u', { layer: 0 })({ ...m, axes }));
};
const cuts = (m: Machine): (readonly string[])[] =>
  derive(m).findings.flatMap(f => (f.code === 'cuts-through' ? [f.subjects] : []));

describe('wheels on crossing axes', () => {
  it('cut through a neighbour that lies where they stand up', () => {
    // The crossed wheel stands on edge beyond the first; the third lies flat right there.
    expect(cuts(crossed([95, 0], 0))).to.deep.equal([['b-v', 'c-w']]);
    expect(cuts(crossed([-95, 0], 0)), 'on the other side').to.deep.equal([]);
    expect(cuts(crossed([95, 0], 30)), 'far above').to.deep.equal([]);
  });

  it('are offered a swing that is tried', () => {
    const found = derive(crossed([95, 0], 0)).findings.find(f => f.code === 'cuts-through')!;
    expect(found.fixes.some(f => f.code === 'swing-axis' && f.subject === 'on-b')).to.equal(true);
  });

  it('are not judged where none cross, nor against what they mesh with', () => {
    for (const m of Object.values(DEMOS)) expect(cuts(m), m.name).to.deep.equal([]);
  });
});
