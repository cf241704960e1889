import { expect } from 'chai';
import fc from 'fast-check';
import { arrange } from '../../../test/arrange.ts';
import { derive } from '../../state/derive/index.ts';
import { hardwareList } from '../../making/lists/index.ts';
import type { Machine } from '../machine/index.ts';
import { mend, setToothForm } from '../../edits/edit/index.ts';
import { must } from '../../ground/result/index.ts';
import { setToothing } from '../../edits/change/index.ts';
import {
  BLOCK_MAGNETS,
  magnetHeight,
  type MagnetSize,
  magnetSold,
  nearestMagnet,
  ROUND_MAGNETS,
} from './index.ts';

const SOLD: readonly MagnetSize[] = [
  ...ROUND_MAGNETS.map(({ diameter }): MagnetSize => ({ shape: 'round', diameter })),
  ...BLOCK_MAGNETS.map(([width, depth]): MagnetSize => ({ shape: 'block', width, depth })),
];
const size = fc.double({ min: 0.5, max: 40, noNaN: true });
const anyMagnet: fc.Arbitrary<MagnetSize> = fc.oneof(
  fc.record({ shape: fc.constant('round' as const), diameter: size }),
  fc.record({ shape: fc.constant('block' as const), width: size, depth: size }),
);
const off = (a: MagnetSize, b: MagnetSize): number =>
  a.shape === 'round' && b.shape === 'round'
    ? Math.abs(a.diameter - b.diameter)
    : a.shape === 'block' && b.shape === 'block'
      ? Math.hypot(a.width - b.width, a.depth - b.depth)
      : Infinity;

describe('magnets as they are sold', () => {
  it('the nearest of a shape is sold, and none that is sold is nearer', () => {
    for (const m of SOLD) expect(nearestMagnet(m)).to.deep.equal(m);
    fc.assert(
      fc.property(anyMagnet, magnet => {
        const near = nearestMagnet(magnet);
        expect(magnetSold(near)).to.equal(true);
        for (const m of SOLD) expect(off(m, magnet)).to.be.at.least(off(near, magnet) - 1e-6);
      }),
    );
  });

  it('are as high as the wheel is thick, or the next lower', () => {
    expect([1, 2.5, 4, 5.9].map(t => magnetHeight(5, t))).to.deep.equal([1, 2, 4, 5]);
    expect(magnetHeight(5, 0.5)).to.equal(undefined);
    expect(magnetHeight(5.5, 4)).to.equal(undefined);
  });

  it('of another size are told, with the nearest, and stand in the list with their height', () => {
    const pair = arrange({ a: {}, b: { at: [18, 0] } }, { 'a.u': 6, 'b.w': 12 }, [['a.u', 'b.w']]);
    const found = (m: Machine): ReturnType<typeof derive>['findings'] =>
      derive(m).findings.filter(f => f.code === 'magnet-not-sold');
    const magnetic = must(
      setToothForm('toothing1', 'magnetic')({ ...pair, wheels: pair.wheels.map(w => ({ ...w, layer: 0 })) }),
    );
    expect(found(magnetic), 'those that are taken first are sold').to.deep.equal([]);
    const form = magnetic.toothings[0]!.form;
    if (form.kind !== 'magnetic') throw new Error('no magnets');
    const odd = setToothing('toothing1', { form: { ...form, magnet: { shape: 'round', diameter: 5.4 } } })(
      magnetic,
    );
    expect(found(odd)[0]!.fixes[0]!.value).to.deep.equal({ shape: 'round', diameter: 5 });
    const mended = must(mend(found(odd)[0]!.fixes[0]!)(odd));
    expect(found(mended)).to.deep.equal([]);
    const row = hardwareList(derive(mended)).rows.find(r => String(r[0]).startsWith('magnet'))!;
    expect(row.slice(1, 3)).to.deep.equal(['5 across', magnetHeight(5, mended.stack.thickness)]);
  });
});
