import { expect } from 'chai';
import { flatten, inside, signedArea } from '../../ground/geometry/index.ts';
import { lugCircle, lugHoles, lugReach, mostLugs, ringWithLugs } from './lugs.ts';

describe('lugs of a ring', () => {
  const lugs = { number: 3, hole: 3, circleRadius: lugCircle(50, 3), at: 0.3 };

  it('have their holes on their circle, outside the rim, with stock all round', () => {
    const { outline, holes } = ringWithLugs(50, lugs);
    const border = flatten(outline, 0.001);
    expect(lugs.circleRadius - 1.5).to.be.at.least(50);
    expect(holes).to.have.length(3);
    for (const at of lugHoles(lugs)) {
      expect(Math.hypot(at.x, at.y)).to.be.closeTo(lugs.circleRadius, 1e-9);
      const nearest = Math.min(...border.map(p => Math.hypot(p.x - at.x, p.y - at.y)));
      expect(nearest, 'stock beside the hole').to.be.closeTo(lugReach(3), 0.01);
      expect(nearest).to.be.above(1.5 + 1.9);
    }
  });

  it('fill the disc and what stands out of it: its area is found by counting points, another way', () => {
    const { outline } = ringWithLugs(50, lugs);
    const border = flatten(outline, 0.001);
    let within = 0;
    const step = 0.25;
    for (let x = -60; x <= 60; x += step)
      for (let y = -60; y <= 60; y += step) {
        const own =
          Math.hypot(x, y) <= 50 ||
          lugHoles(lugs).some(h => {
            const d = Math.hypot(h.x, h.y);
            const along = (x * h.x + y * h.y) / d;
            const aside = Math.abs(x * h.y - y * h.x) / d;
            return (
              (along > 0 && along <= d && aside <= lugReach(3)) || Math.hypot(x - h.x, y - h.y) <= lugReach(3)
            );
          });
        within += own ? step * step : 0;
      }
    expect(signedArea(border)).to.be.closeTo(within, 0.001 * within);
    expect(inside(border, { x: 0, y: 0 })).to.equal(true);
  });

  it('no more stand side by side than the rim has room for', () => {
    const most = mostLugs(10, 4);
    // Each is 8 mm wide on a circle 62.8 mm round: seven at most.
    expect(most).to.equal(7);
  });
});
