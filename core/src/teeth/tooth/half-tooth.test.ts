import { expect } from 'chai';
import fc from 'fast-check';
import {
  crossesItself,
  flatten,
  openCrosses,
  type Point,
  polygon,
  reversePath,
  signedArea,
  circle,
} from '../../ground/geometry/index.ts';
import { must } from '../../ground/result/index.ts';
import {
  arcTo,
  borderOf,
  epicycloid,
  epicycloidAtAngle,
  epicycloidAtRadius,
  halfOf,
  halfPoints,
  involuteHalf,
  lines,
  rackOutline,
  STANDARD_SPEC,
  tipEdge,
  type ToothSpec,
  upperHalf,
} from './index.ts';

const FORM = { kind: 'involute', pressureAngleDeg: 20, addendum: 1, dedendum: 1.25, fillet: 0.38 } as const;
const spec = (count: number): ToothSpec => ({ form: FORM, module: 2, count, ...STANDARD_SPEC });

describe('half a tooth', () => {
  it('and its mirror image make a tooth, and as many as asked a closed border', () => {
    const half = must(involuteHalf(spec(24), 0.005));
    const upper = upperHalf(half);
    const end = half.segments.at(-1)!.to;
    expect(upper.start.x).to.be.closeTo(end.x, 1e-12);
    expect(upper.start.y).to.be.closeTo(-end.y, 1e-12);
    const back = upper.segments.at(-1)!.to;
    expect([back.x, back.y]).to.deep.equal([half.start.x, -half.start.y]);
    const border = borderOf(half, 24);
    expect(crossesItself(flatten(border, 0.01))).to.equal(false);
    expect(signedArea(flatten(border, 0.001))).to.be.within(Math.PI * 21.5 ** 2, Math.PI * 26 ** 2);
  });

  it('joins arcs that go on into one: a plain disc of any number of teeth is a circle of few arcs', () => {
    const arc = halfOf({ x: 10 * Math.cos(-Math.PI / 8), y: 10 * Math.sin(-Math.PI / 8) }, [
      arcTo({ x: 10, y: 0 }, true),
    ]);
    const border = borderOf(arc, 8);
    expect(border.segments.length).to.be.at.most(2);
    expect(signedArea(flatten(border, 1e-5))).to.be.closeTo(100 * Math.PI, 0.01);
  });

  it('tips and bottoms of an involute wheel are one true arc each', () => {
    const border = borderOf(must(involuteHalf(spec(24), 0.005)), 24);
    expect(border.segments.filter(s => s.kind === 'arc')).to.have.length(48);
  });

  it('leaves out pieces that go nowhere', () => {
    const half = halfOf(
      { x: 1, y: 0 },
      lines([
        { x: 1, y: 0 },
        { x: 2, y: 0 },
        { x: 2, y: 1e-12 },
      ]),
    );
    expect(half.segments).to.have.length(1);
    expect(halfPoints(half, 0.1)).to.have.length(2);
  });

  it('a rack of five teeth is five pitches long and has a straight back', () => {
    const points = flatten(must(rackOutline(spec(1), 5, 4)), 0.001);
    const ys = points.map(p => p.y);
    expect(Math.max(...ys) - Math.min(...ys)).to.be.closeTo(5 * 2 * Math.PI, 1e-9);
    expect(Math.min(...points.map(p => p.x))).to.be.closeTo(-2.5 - 4, 1e-9);
    expect(signedArea(points)).to.be.greaterThan(0);
    expect(crossesItself(points)).to.equal(false);
  });
});

describe('corners of tips', () => {
  const straight = (t: number): Point => ({ x: t, y: -2 });
  it('a round touches flank and tip circle; a chamfer is as deep as it is wide', () => {
    const tip = Math.hypot(20, 2);
    const round = tipEdge(straight, 15, 20, tip, { kind: 'round', size: 0.5 })!;
    expect(Math.hypot(round.centre!.x, round.centre!.y)).to.be.closeTo(tip - 0.5, 1e-9);
    expect(round.centre!.y).to.be.closeTo(-1.5, 1e-6);
    expect(Math.hypot(round.tip.x, round.tip.y)).to.be.closeTo(tip, 1e-9);
    const cut = tipEdge(straight, 15, 20, tip, { kind: 'chamfer', size: 0.5 })!;
    expect(tip - Math.hypot(cut.at, 2)).to.be.closeTo(0.5, 1e-9);
    expect(Math.hypot(cut.tip.x, cut.tip.y)).to.be.closeTo(tip, 1e-9);
  });

  it('larger than the tooth they are refused', () => {
    expect(tipEdge(straight, 15, 20, Math.hypot(20, 2), { kind: 'round', size: 3 })).to.equal(undefined);
    expect(tipEdge(straight, 15, 20, Math.hypot(20, 2), { kind: 'chamfer', size: 6 })).to.equal(undefined);
  });
});

describe('epicycloids', () => {
  const base = fc.double({ min: 5, max: 60, noNaN: true });
  const rolling = fc.double({ min: 0.5, max: 20, noNaN: true });

  it(
    'start on the base circle, reach their crest after half a turn, and are found again by ' +
      'radius and by angle',
    () => {
      fc.assert(
        fc.property(base, rolling, fc.double({ min: 0.05, max: 3, noNaN: true }), (R, r, t) => {
          expect(Math.hypot(epicycloid(R, r, 0).x, epicycloid(R, r, 0).y)).to.be.closeTo(R, 1e-9);
          const crest = epicycloid(R, r, Math.PI);
          expect(Math.hypot(crest.x, crest.y)).to.be.closeTo(R + 2 * r, 1e-9);
          const p = epicycloid(R, r, t);
          expect(epicycloidAtRadius(R, r, Math.hypot(p.x, p.y))).to.be.closeTo(t, 1e-6);
          if ((r * t) / R < 3) expect(epicycloidAtAngle(R, r, Math.atan2(p.y, p.x))).to.be.closeTo(t, 1e-6);
        }),
        { numRuns: 60 },
      );
    },
  );

  it('of a circle of very large radius are involutes of the base circle', () => {
    const [R, r] = [10, 1e7];
    for (const angle of [0.2, 0.5, 0.9]) {
      // Involute after unwinding by φ: (cos φ + φ sin φ, sin φ − φ cos φ)·R.
      const p = epicycloid(R, r, (angle * R) / r);
      const q = {
        x: R * (Math.cos(angle) + angle * Math.sin(angle)),
        y: R * (Math.sin(angle) - angle * Math.cos(angle)),
      };
      expect(Math.hypot(p.x - q.x, p.y - q.y)).to.be.below(1e-2);
    }
  });
});

describe('paths walked the other way', () => {
  it('have the same figure with the opposite sense, and twice is as before', () => {
    const pill = {
      start: { x: 0, y: -1 },
      closed: true,
      segments: [
        ...lines([{ x: 5, y: -1 }]),
        arcTo({ x: 5, y: 1 }, true, { x: 5, y: 0 }),
        ...lines([{ x: 0, y: 1 }]),
        arcTo({ x: 0, y: -1 }, true),
      ],
    };
    for (const path of [
      pill,
      circle({ x: 1, y: 2 }, 3),
      polygon([
        { x: 0, y: 0 },
        { x: 4, y: 0 },
        { x: 0, y: 3 },
      ]),
    ]) {
      const area = signedArea(flatten(path, 1e-4));
      expect(signedArea(flatten(reversePath(path), 1e-4))).to.be.closeTo(-area, 1e-6);
      expect(reversePath(reversePath(path))).to.deep.equal(path);
    }
  });

  it('a run that crosses itself is told from one that only comes close to its start', () => {
    const loop = [
      { x: 0, y: 0 },
      { x: 4, y: 0 },
      { x: 4, y: 4 },
      { x: 2, y: -1 },
    ];
    expect(openCrosses(loop)).to.equal(true);
    expect(openCrosses(loop.slice(0, 3))).to.equal(false);
    expect(openCrosses([])).to.equal(false);
  });
});
