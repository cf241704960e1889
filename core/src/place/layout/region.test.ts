import { expect } from 'chai';
import fc from 'fast-check';
import { flatten, signedArea } from '../../ground/geometry/index.ts';
import type { Region } from '../../document/machine/index.ts';
import { convexHull, cornersOf, depthIn, hullRound, middleOf, spanFrom } from './index.ts';

const circle: Region = { kind: 'circle', x: 3, y: -2, diameter: 20 };
const box: Region = { kind: 'rectangle', x: 3, y: -2, width: 30, height: 12 };
/** An L of 30 by 30 with a quarter of it cut away. */
const ell: Region = {
  kind: 'outline',
  name: 'ell',
  points: [
    [0, 0],
    [30, 0],
    [30, 15],
    [15, 15],
    [15, 30],
    [0, 30],
  ],
};
const coordinate = fc.double({ min: -60, max: 60, noNaN: true });

/** The border of a region as many points. */
function border(region: Region): { x: number; y: number }[] {
  if (region.kind === 'circle')
    return Array.from({ length: 7200 }, (_, i) => {
      const a = (i * Math.PI) / 3600;
      return { x: region.x + 10 * Math.cos(a), y: region.y + 10 * Math.sin(a) };
    });
  const corners = cornersOf(region);
  return corners.flatMap((p, i) => {
    const q = corners[(i + 1) % corners.length]!;
    return Array.from({ length: 400 }, (_, k) => ({
      x: p.x + ((q.x - p.x) * k) / 400,
      y: p.y + ((q.y - p.y) * k) / 400,
    }));
  });
}

describe('regions of the plan', () => {
  for (const region of [circle, box, ell])
    it(`${region.kind}: depth and span are what looking along the border finds`, () => {
      const points = border(region);
      fc.assert(
        fc.property(coordinate, coordinate, (x, y) => {
          const distances = points.map(p => Math.hypot(p.x - x, p.y - y));
          const [near, far] = [Math.min(...distances), Math.max(...distances)];
          const depth = depthIn(region, { x, y });
          expect(Math.abs(depth)).to.be.closeTo(near, 0.1);
          const span = spanFrom(region, { x, y });
          expect(span.near).to.be.closeTo(depth > 0 ? 0 : near, 0.1);
          expect(span.far).to.be.closeTo(far, 0.1);
        }),
        { numRuns: 60 },
      );
    });

  it('are inside where they are deep: the cut corner of an L is outside', () => {
    expect(depthIn(ell, { x: 7, y: 25 })).to.be.closeTo(5, 1e-9);
    expect(depthIn(ell, { x: 22, y: 22 })).to.be.below(0);
    expect(depthIn(circle, { x: 3, y: -2 })).to.equal(10);
    expect(depthIn(box, { x: 3, y: -2 })).to.equal(6);
  });

  it('have a middle: of an outline that of its box', () => {
    expect(middleOf(circle)).to.deep.equal({ x: 3, y: -2 });
    expect(middleOf(ell)).to.deep.equal({ x: 15, y: 15 });
  });
});

describe('hulls', () => {
  const points = fc.array(fc.record({ x: coordinate, y: coordinate }), { minLength: 3, maxLength: 40 });

  it('turn left at every corner and leave no point outside', () => {
    fc.assert(
      fc.property(points, list => {
        const hull = convexHull(list);
        if (hull.length < 3) return;
        for (const [i, a] of hull.entries()) {
          const [b, c] = [hull[(i + 1) % hull.length]!, hull[(i + 2) % hull.length]!];
          const side = (p: { x: number; y: number }): number =>
            (b.x - a.x) * (p.y - a.y) - (b.y - a.y) * (p.x - a.x);
          expect(side(c)).to.be.greaterThan(0);
          for (const p of list) expect(side(p)).to.be.at.least(-1e-3);
        }
      }),
    );
  });

  it('with a band round them have the area of the hull, a strip along it and one circle (Steiner 1840)', () => {
    fc.assert(
      fc.property(points, fc.double({ min: 1, max: 20, noNaN: true }), (list, radius) => {
        const hull = convexHull(list);
        if (hull.length < 3) return;
        const round = hull.reduce((sum, p, i) => {
          const q = hull[(i + 1) % hull.length]!;
          return sum + Math.hypot(q.x - p.x, q.y - p.y);
        }, 0);
        const expected = signedArea(hull) + round * radius + Math.PI * radius * radius;
        const area = signedArea(flatten(hullRound(list, radius), 1e-4));
        expect(area).to.be.closeTo(expected, expected * 2e-4 + 0.01);
      }),
      { numRuns: 60 },
    );
  });

  it('of one point are a circle, of two a slot; of none there is nothing', () => {
    expect(signedArea(flatten(hullRound([{ x: 1, y: 1 }], 3), 1e-4))).to.be.closeTo(9 * Math.PI, 0.01);
    const slot = hullRound(
      [
        { x: 0, y: 0 },
        { x: 10, y: 0 },
      ],
      2,
    );
    expect(signedArea(flatten(slot, 1e-4))).to.be.closeTo(40 + 4 * Math.PI, 0.01);
    expect(() => hullRound([], 2)).to.throw(RangeError);
    expect(() => hullRound([{ x: 0, y: 0 }], 0)).to.throw(RangeError);
  });
});
