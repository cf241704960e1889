import { expect } from 'chai';
import Module from 'manifold-3d';
import { couponDrawing, couponsFor, pairGaps, SQUARE } from '../coupon/index.ts';
import { sectionAt } from '../dry-run/index.ts';
import { isClosed, meshBounds, meshVolume } from '../../ground/geometry/index.ts';
import type { Process } from '../../document/machine/index.ts';
import { must } from '../../ground/result/index.ts';
import { couponBodies, type SolidKit } from './index.ts';

const PRINTER: Process = {
  id: 'p',
  name: 'P',
  kind: 'printer',
  nozzle: 0.4,
  layer: 0.2,
  flare: 0.2,
  outlineGrowth: 0.1,
};
let kit: SolidKit;
before(async () => {
  const module = await Module();
  module.setup();
  kit = module;
});
const far = (paths: readonly (readonly { x: number; y: number }[])[]): number =>
  Math.max(...paths.flat().map(p => Math.hypot(p.x, p.y)));

describe('coupons for a printer', function () {
  this.timeout(120_000);

  it('are closed bodies that lie on the bed, of every kind', () => {
    for (const kind of couponsFor('printer')) {
      if (kind === 'wheel pair') continue;
      const bodies = couponBodies(kit, must(couponDrawing(kind, PRINTER, 6, 0.01)), PRINTER, false, 0.01);
      expect(bodies.length, kind).to.be.above(0);
      for (const b of bodies) {
        expect(isClosed(b.mesh), `${kind}: ${b.name}`).to.equal(true);
        expect(meshVolume(b.mesh)).to.be.above(0);
        expect(meshBounds(b.mesh).least[2]).to.be.closeTo(0, 1e-6);
      }
    }
  });

  it('the one that measures the printer is as drawn, its first layer too', () => {
    const [square] = couponBodies(
      kit,
      must(couponDrawing('square and hole', PRINTER, 6, 0.01)),
      PRINTER,
      true,
      0.01,
    );
    const { least, most } = meshBounds(square!.mesh);
    expect([most[0]! - least[0]!, most[1]! - least[1]!]).to.deep.equal([SQUARE.side, SQUARE.side]);
    expect(far(sectionAt(square!.mesh, 0.1))).to.be.closeTo(SQUARE.side * Math.SQRT2, 1e-6);
  });

  it(
    'rings printed in place stand round their discs with the gap that is written on them, ' +
      'less what prints wider',
    () => {
      const bodies = couponBodies(
        kit,
        must(couponDrawing('ring in place', PRINTER, 6, 0.005)),
        PRINTER,
        false,
        0.005,
      );
      const gaps = pairGaps();
      expect(bodies.length).to.equal(2 * gaps.length);
      for (const gap of gaps) {
        const [disc, ring] = ['disc', 'ring'].map(k =>
          bodies.find(b => b.name === `${k} ${gap.toFixed(2)}`)!,
        );
        expect(disc!.at[0]!.slice(0, 2)).to.deep.equal(ring!.at[0]!.slice(0, 2));
        const outer = far(sectionAt(disc!.mesh, 2));
        const inner = Math.min(
          ...sectionAt(ring!.mesh, 2)
            .flat()
            .map(p => Math.hypot(p.x, p.y)),
        );
        // The disc is drawn narrower by what outlines print wider; the hole is as drawn.
        expect(inner - outer).to.be.closeTo(gap + 0.1, 0.012);
      }
    },
  );
});
