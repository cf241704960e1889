import { expect } from 'chai';
import fc from 'fast-check';
import {
  bisect,
  bounds,
  circle,
  crossesItself,
  direction,
  distance,
  centroid,
  distanceFrom,
  distanceToBorder,
  distanceToSegment,
  flatten,
  inside,
  type Path,
  polar,
  polygon,
  rotate,
  sampleCurve,
  signedArea,
  sweep,
} from './index.ts';

const square = [
  { x: 0, y: 0 },
  { x: 4, y: 0 },
  { x: 4, y: 4 },
  { x: 0, y: 4 },
];
const number = fc.double({ min: -100, max: 100, noNaN: true });
const origin = { x: 0, y: 0 };

describe('points', () => {
  it('the middle of a triangle is the mean of its corners, whichever way it runs', () => {
    const corners = [
      { x: 3, y: -2 },
      { x: 9, y: 1 },
      { x: 0, y: 10 },
    ];
    for (const way of [corners, [...corners].reverse()]) {
      const { x, y } = centroid(way);
      expect([x, y].map(v => Number(v.toFixed(9)))).to.deep.equal([4, 3]);
    }
  });

  it('turned and turned back are where they were, at the same distance all the way', () => {
    fc.assert(
      fc.property(number, number, number, (x, y, angle) => {
        const p = rotate({ x, y }, angle);
        expect(Math.hypot(p.x, p.y)).to.be.closeTo(Math.hypot(x, y), 1e-9);
        const q = rotate(p, -angle);
        expect(distance(q, { x, y })).to.be.below(1e-9);
      }),
    );
  });

  it('are found again by direction and distance', () => {
    fc.assert(
      fc.property(number, number, number, number, (ax, ay, bx, by) => {
        const [a, b] = [
          { x: ax, y: ay },
          { x: bx, y: by },
        ];
        expect(distance(polar(a, distance(a, b), direction(a, b)), b)).to.be.below(1e-9);
      }),
    );
  });
});

describe('paths', () => {
  it('a circle flattens to points on it, every chord within the error, however fine', () => {
    for (const error of [0.1, 0.005, 0.0005]) {
      const points = flatten(circle({ x: 3, y: -2 }, 20), error);
      for (const p of points) expect(distance(p, { x: 3, y: -2 })).to.be.closeTo(20, 1e-9);
      points.forEach((p, i) => {
        const q = points[(i + 1) % points.length]!;
        const middle = { x: (p.x + q.x) / 2, y: (p.y + q.y) / 2 };
        expect(20 - distance(middle, { x: 3, y: -2 })).to.be.at.most(error * 1.0001);
      });
      expect(points.length, 'no more points than are needed, within a factor').to.be.below(
        3 * Math.ceil(Math.PI / Math.acos(1 - error / 20)),
      );
    }
  });

  it('an arc knows its sweep in either sense, and a whole turn', () => {
    const from = { x: 1, y: 0 };
    expect(sweep(from, { to: { x: 0, y: 1 }, centre: origin, ccw: true })).to.be.closeTo(Math.PI / 2, 1e-12);
    expect(sweep(from, { to: { x: 0, y: 1 }, centre: origin, ccw: false })).to.be.closeTo(
      -1.5 * Math.PI,
      1e-12,
    );
    expect(sweep(from, { to: from, centre: origin, ccw: true })).to.be.closeTo(2 * Math.PI, 1e-12);
  });

  it('a clockwise circle has negative area: it is a hole', () => {
    expect(signedArea(flatten(circle(origin, 2), 0.001))).to.be.closeTo(Math.PI * 4, 0.01);
    expect(signedArea(flatten(circle(origin, 2, false), 0.001))).to.be.closeTo(-Math.PI * 4, 0.01);
    expect(() => circle(origin, 0)).to.throw(RangeError);
  });

  it('of lines and arcs have the area of their figure', () => {
    const slot: Path = {
      start: { x: 0, y: -1 },
      segments: [
        { kind: 'line', to: { x: 5, y: -1 } },
        { kind: 'arc', to: { x: 5, y: 1 }, centre: { x: 5, y: 0 }, ccw: true },
        { kind: 'line', to: { x: 0, y: 1 } },
        { kind: 'arc', to: { x: 0, y: -1 }, centre: { x: 0, y: 0 }, ccw: true },
      ],
      closed: true,
    };
    const points = flatten(slot, 0.0001);
    expect(signedArea(points)).to.be.closeTo(10 + Math.PI, 0.001);
    expect(bounds(points).maxX).to.be.closeTo(6, 0.001);
  });
});

describe('measures', () => {
  it('area is signed by the sense of the points', () => {
    expect(signedArea(square)).to.equal(16);
    expect(signedArea([...square].reverse())).to.equal(-16);
    expect(flatten(polygon(square), 1)).to.deep.equal(square);
  });

  it('inside and distance agree with the square they are asked about', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -3, max: 7, noNaN: true }),
        fc.double({ min: -3, max: 7, noNaN: true }),
        (x, y) => {
          const edge = Math.min(Math.abs(x), Math.abs(x - 4), Math.abs(y), Math.abs(y - 4));
          if (edge < 1e-9) return;
          const within = x > 0 && x < 4 && y > 0 && y < 4;
          expect(inside(square, { x, y })).to.equal(within);
          const dx = Math.max(0, -x, x - 4);
          const dy = Math.max(0, -y, y - 4);
          expect(distanceToBorder(square, { x, y })).to.be.closeTo(within ? edge : Math.hypot(dx, dy), 1e-9);
        },
      ),
    );
  });

  it('distance by the index of its edges is that by all of them', () => {
    const coordinate = fc.double({ min: -10, max: 10, noNaN: true });
    const at = fc.record({ x: coordinate, y: coordinate });
    fc.assert(
      fc.property(
        fc.array(at, { minLength: 1, maxLength: 60 }),
        fc.array(at, { minLength: 1 }),
        (corners, asked) => {
          const away = distanceFrom(corners);
          for (const p of asked) expect(away(p)).to.be.closeTo(distanceToBorder(corners, p), 1e-12);
        },
      ),
    );
  });

  it('a segment of no length is a point', () => {
    expect(distanceToSegment(origin, origin, { x: 3, y: 4 })).to.equal(5);
  });

  it('a figure of eight crosses itself, a star of one stroke too, a square not', () => {
    expect(crossesItself(square)).to.equal(false);
    expect(
      crossesItself([
        { x: 0, y: 0 },
        { x: 4, y: 4 },
        { x: 4, y: 0 },
        { x: 0, y: 4 },
      ]),
    ).to.equal(true);
    const star = [0, 2, 4, 1, 3].map(k => polar(origin, 5, (2 * Math.PI * k) / 5));
    expect(crossesItself(star)).to.equal(true);
  });

  it('no points have no bounds', () => {
    expect(() => bounds([])).to.throw(RangeError);
    expect(() => polygon([])).to.throw(RangeError);
  });
});

describe('roots and samples', () => {
  it('a root is found to the last bit that matters', () => {
    expect(bisect(x => x * x - 2, 0, 2)).to.be.closeTo(Math.SQRT2, 1e-15);
    expect(bisect(x => x - 1, 1, 2)).to.equal(1);
    expect(bisect(x => x - 2, 1, 2)).to.equal(2);
    expect(() => bisect(x => x * x + 1, -1, 1)).to.throw(RangeError);
  });

  it('a sampled curve starts and ends where it should and stays within the error', () => {
    const curve = (t: number): { x: number; y: number } => ({ x: t, y: 5 * Math.sin(t) });
    for (const error of [0.1, 0.01, 0.001]) {
      const points = sampleCurve(curve, 0, 6, error);
      expect(points[0]).to.deep.equal(curve(0));
      expect(points.at(-1)).to.deep.equal(curve(6));
      for (let t = 0; t <= 6; t += 0.003) {
        const off = Math.min(...points.slice(1).map((p, i) => distanceToSegment(points[i]!, p, curve(t))));
        expect(off).to.be.below(error * 1.2);
      }
    }
  });
});
