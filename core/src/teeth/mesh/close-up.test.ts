import { expect } from 'chai';
import { distanceToBorder, flatten, inside, type Point, rotate } from '../../ground/geometry/index.ts';
import { must } from '../../ground/result/index.ts';
import { borderOf, involuteHalf, rackHalf, ringHalf, STANDARD_SPEC, type ToothSpec } from '../tooth/index.ts';
import { closeUp, type Engagement, flankGap, flankPoints, readyToRoll } from './index.ts';

const FORM = { kind: 'involute', pressureAngleDeg: 20, addendum: 1, dedendum: 1.25, fillet: 0.38 } as const;
const CHORD = 0.002;
const spec = (count: number, more: Partial<ToothSpec> = {}): ToothSpec => ({
  form: FORM,
  module: 2,
  count,
  ...STANDARD_SPEC,
  thinning: 0.1,
  ...more,
});
const pair: Engagement = {
  stand: 'external',
  a: { half: must(involuteHalf(spec(20), CHORD)), count: 20 },
  b: { half: must(involuteHalf(spec(40), CHORD)), count: 40 },
  ...{ distance: 60, lever: 40, pitch: 0 },
};
const inRing: Engagement = {
  stand: 'internal',
  a: pair.a,
  b: { half: must(ringHalf(spec(60, { shortening: -0.2 }), CHORD)), count: 60 },
  ...{ distance: 40, lever: 60, pitch: 0 },
};
const onRack: Engagement = {
  stand: 'rack',
  a: pair.a,
  b: { half: must(rackHalf(spec(1))), count: 1 },
  ...{ distance: 20, lever: 1, pitch: 2 * Math.PI },
};

describe('the close up of a mesh', () => {
  it('pushes the second into contact: contacts lie on both outlines, which do not overlap', () => {
    const ready = readyToRoll(pair, CHORD);
    const wheelA = flatten(borderOf(pair.a.half, 20), CHORD / 4);
    const wheelB = flatten(borderOf(pair.b.half, 40), CHORD / 4);
    for (const t of [-0.1, 0, 0.04, 0.13, 1]) {
      const now = closeUp(ready, t, CHORD)!;
      const a = wheelA.map(p => rotate(p, now.angleA));
      const b = wheelB.map(p => rotate(p, now.placeB)).map((p): Point => ({ x: p.x + 60, y: p.y }));
      expect(now.contacts.length).to.be.within(1, 2);
      for (const c of now.contacts) {
        expect(distanceToBorder(a, c), 'on the first').to.be.below(3 * CHORD);
        expect(distanceToBorder(b, c), 'on the second').to.be.below(3 * CHORD);
      }
      const deepest = Math.max(
        0,
        ...b.filter(p => p.x < 24 && inside(a, p)).map(p => distanceToBorder(a, p)),
      );
      expect(deepest).to.be.below(CHORD);
      expect(now.play).to.be.closeTo(0.2, 0.01);
      expect(now.gap).to.be.closeTo(0.2 * Math.cos(Math.PI / 9), 0.01);
    }
  });

  it('repeats from tooth to tooth, in rings and on racks too', () => {
    for (const e of [pair, inRing, onRack]) {
      const ready = readyToRoll(e, CHORD);
      const pitch = (2 * Math.PI) / e.a.count;
      const [one, other] = [closeUp(ready, 0.05, CHORD)!, closeUp(ready, 0.05 + 3 * pitch, CHORD)!];
      expect(other.angleA).to.be.closeTo(one.angleA, 1e-9);
      expect(other.play).to.be.closeTo(one.play, 1e-9);
      expect(one.play).to.be.closeTo(0.2, 0.01);
      one.contacts.forEach((c, i) =>
        expect(Math.hypot(c.x - other.contacts[i]!.x, c.y - other.contacts[i]!.y)).to.be.below(1e-9),
      );
    }
  });

  it('has no place for teeth that do not reach each other', () => {
    expect(closeUp(readyToRoll({ ...pair, distance: 90 }, CHORD), 0, CHORD)).to.equal(undefined);
  });
});

describe('two flanks', () => {
  const line = (...points: [number, number][]): ReturnType<typeof flankPoints> =>
    flankPoints(points.map(([x, y]) => ({ x, y })));

  it('sliding meet where the first corner meets an edge, and not where their heights never match', () => {
    const a = line([0, 5], [1, 4], [2, 6]);
    const b = line([0, 0], [2, 1]);
    const touch = flankGap(a, b, 1, 'slide')!;
    expect(touch.gap).to.be.closeTo(3.5, 1e-12);
    expect(touch.at.x).to.be.closeTo(1, 1e-12);
    expect(flankGap(line([5, 0], [6, 0]), b, 1, 'slide')).to.equal(undefined);
  });

  it('turning meet at the angle between them, in either sense', () => {
    const a = line([10 * Math.cos(0.3), 10 * Math.sin(0.3)], [12 * Math.cos(0.3), 12 * Math.sin(0.3)]);
    const b = line([10, 0], [12, 0]);
    expect(flankGap(a, b, 1, 'turn')!.gap).to.be.closeTo(0.3, 1e-9);
    expect(flankGap(a, b, -1, 'turn')!.gap).to.be.closeTo(-0.3, 1e-9);
  });
});
