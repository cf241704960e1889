import { expect } from 'chai';
import fc from 'fast-check';
import { fitDiscs, panBy, roundLength, toPlane, toScreen, zoomAt } from './view';

const size = { width: 716, height: 720 };
const number = fc.double({ min: -500, max: 500, noNaN: true });

describe('the view of the plane', () => {
  it('goes to the screen and back', () => {
    fc.assert(
      fc.property(number, number, fc.double({ min: 0.1, max: 100, noNaN: true }), (x, y, scale) => {
        const view = { centre: { x: 3, y: -7 }, scale };
        const p = toPlane(view, size, toScreen(view, size, { x, y }));
        expect(p.x).to.be.closeTo(x, 1e-6);
        expect(p.y).to.be.closeTo(y, 1e-6);
      }),
    );
  });

  it('has y upwards, and keeps the point under the pointer when zooming', () => {
    const view = { centre: { x: 0, y: 0 }, scale: 2 };
    expect(toScreen(view, size, { x: 0, y: 10 }).y).to.be.below(360);
    const at = { x: 100, y: 600 };
    const before = toPlane(view, size, at);
    const after = toPlane(zoomAt(view, size, at, 3), size, at);
    expect(after.x).to.be.closeTo(before.x, 1e-9);
    expect(after.y).to.be.closeTo(before.y, 1e-9);
    expect(toPlane(panBy(view, 20, 0), size, { x: 120, y: 0 }).x).to.be.closeTo(
      toPlane(view, size, { x: 100, y: 0 }).x,
      1e-9,
    );
  });

  it('fits all discs, and gives round lengths for the scale bar', () => {
    const discs = [
      { centre: { x: -40, y: 0 }, radius: 30 },
      { centre: { x: 90, y: 20 }, radius: 10 },
    ];
    const view = fitDiscs(discs, size);
    for (const d of discs) {
      const p = toScreen(view, size, d.centre);
      expect(p.x - d.radius * view.scale).to.be.at.least(0);
      expect(p.x + d.radius * view.scale).to.be.at.most(size.width);
    }
    for (const scale of [0.07, 0.5, 3, 80]) {
      const length = roundLength({ centre: { x: 0, y: 0 }, scale }, 120);
      expect(length * scale).to.be.within(40, 120.001);
      expect([1, 2, 5]).to.include(Number((length / 10 ** Math.floor(Math.log10(length) + 1e-9)).toFixed(6)));
    }
  });
});
