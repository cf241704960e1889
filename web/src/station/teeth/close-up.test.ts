import { must } from '@tesseron/core/result';
import { involuteHalf, pinHalf, rackHalf, reducerHalf, STANDARD_SPEC } from '@tesseron/core/tooth';
import { expect } from 'chai';
import { closeUpScene, contactWay, transformOfB } from './close-up';

const FORM = { kind: 'involute', pressureAngleDeg: 20, addendum: 1, dedendum: 1.25, fillet: 0.38 } as const;
const spec = (count: number): Parameters<typeof involuteHalf>[0] => ({
  form: FORM,
  module: 2,
  count,
  ...STANDARD_SPEC,
  thinning: 0.05,
});
const wheel = (count: number): { half: ReturnType<typeof pinHalf>; count: number } => ({
  half: must(involuteHalf(spec(count), 0.01)),
  count,
});
const external = {
  stand: 'external',
  a: wheel(20),
  b: wheel(40),
  distance: 60,
  lever: 40,
  pitch: 0,
} as const;
const reducer = {
  stand: 'internal',
  a: {
    half: must(
      reducerHalf(
        { lobes: 11, pins: 12, pinDiameter: 6, pinCircleRadius: 30, eccentricity: 1.5, offset: 0.1 },
        0.01,
      ),
    ),
    count: 11,
  },
  b: { half: pinHalf(30, 6), count: 12 },
  ...{ distance: 1.5, lever: 30, pitch: 0 },
} as const;
const figures = (path: string): number => path.match(/Z/g)?.length ?? 0;

describe('the scene of a close up', () => {
  it('looks at the pitch point of two wheels, and draws a few teeth of each as one figure', () => {
    const scene = closeUpScene(external, 0.01)!;
    expect(scene.pitchPoint.x).to.be.closeTo(20, 1e-9);
    expect(scene.radiusB).to.be.closeTo(40, 1e-9);
    expect(scene.look.centre).to.deep.equal(scene.pitchPoint);
    expect([figures(scene.a), figures(scene.b)]).to.deep.equal([1, 1]);
    const running = contactWay(scene, 0.01);
    let step = running.next();
    while (!step.done) step = running.next();
    expect(step.value.length).to.be.greaterThan(40);
    for (const p of step.value)
      expect(Math.hypot(p.x - 20, p.y), 'contact runs past the pitch point').to.be.below(6);
  });

  it('looks at the whole of a disc in its pins, each pin a figure of its own', () => {
    const scene = closeUpScene(reducer, 0.01)!;
    expect(scene.look.centre).to.deep.equal({ x: 0, y: 0 });
    expect(scene.look.span).to.be.greaterThan(60);
    expect([figures(scene.a), figures(scene.b)]).to.deep.equal([1, 12]);
  });

  it(
    'turns the second by less than a tooth from where it faces the first, and slides a rack ' +
      'by less than a pitch',
    () => {
      const scene = closeUpScene(external, 0.01)!;
      for (const place of [3.2, 40, -17]) {
        const angle = Number(/rotate\((.*)\)/.exec(transformOfB(scene, place))![1]);
        expect(Math.abs(angle - 180)).to.be.at.most(4.5 + 1e-9);
      }
      const rack = { half: must(rackHalf(spec(1))), count: 1 };
      const slid = closeUpScene(
        { stand: 'rack', a: wheel(20), b: rack, distance: 20, lever: 1, pitch: 2 * Math.PI },
        0.01,
      )!;
      expect(slid.radiusB).to.equal(0);
      for (const place of [0, 10, -31]) {
        const y = Number(/translate\(\S+ (\S+)\)/.exec(transformOfB(slid, place))![1]);
        expect(Math.abs(y)).to.be.at.most(Math.PI + 1e-9);
      }
    },
  );

  it('is none for teeth that do not reach each other', () => {
    expect(closeUpScene({ ...external, distance: 80 }, 0.01)).to.equal(undefined);
  });
});
