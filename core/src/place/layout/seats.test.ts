import { expect } from 'chai';
import Module from 'manifold-3d';
import { arrange } from '../../../test/arrange.ts';
import { derive } from '../../state/derive/index.ts';
import type { Derived } from '../../state/state/index.ts';
import { type Indicator, type Machine } from '../../document/machine/index.ts';
import { isClosed, meshBounds, meshVolume } from '../../ground/geometry/index.ts';
import { extraParts, partMaker, solidParts, spaceScene } from '../../making/solid/index.ts';
import { flatParts } from '../../making/workshop/index.ts';
import { must } from '../../ground/result/index.ts';
import { LEAF, SEAT_GAP } from './seats.ts';

/** Three nested arbors with a body each, in the order of the document the inner ones last or first. */
function orrery(distances: readonly [number, number, number], radius = 5): Machine {
  const m = arrange(
    { a: {}, t: { with: 'a' }, o: { with: 'a' }, d: { at: [60, 0] } },
    { 'a.1': 30, 'd.1': 30, 't.2': 36, 'd.2': 24, 'o.3': 40, 'd.3': 20 },
    [
      ['d.1', 'a.1'],
      ['d.2', 't.2'],
      ['d.3', 'o.3'],
    ],
  );
  const layered = m.wheels.map(w => ({ ...w, layer: Number(w.id.slice(-1)) }));
  const body = (member: string, distance: number): Indicator => ({
    ...{
      kind: 'body',
      id: `body-${member}`,
      name: `Body ${member}`,
      member,
      settingDeg: 0,
      radius,
      distance,
    },
  });
  const bodies = (['a', 't', 'o'] as const).map((x, i) => body(x, distances[i]!));
  return {
    ...m,
    wheels: layered,
    processes: [{ id: 'p', name: 'Printer', kind: 'printer' }],
    process: 'p',
    indicators: [...bodies].reverse(),
  };
}
const seat = (d: Derived, of: string): { low: number; high: number; ball: number | undefined } =>
  d.layout.spans.seats.get(`body-${of}`)!;
/** Arbors of the orrery, the outermost first. */
const outward = (d: Derived): string[] =>
  ['a', 't', 'o'].sort((p, q) => d.layout.sizes.get(q)!.diameter - d.layout.sizes.get(p)!.diameter);

describe('what sits on the arbors', () => {
  it('arms of bodies lie above each other, the innermost highest, each tube out past the next by an arm', () => {
    const d = derive(orrery([20, 40, 60]));
    const order = outward(d);
    order.slice(1).forEach((inner, i) => {
      const outer = order[i]!;
      expect(seat(d, inner).low).to.be.at.least(seat(d, outer).high + SEAT_GAP - 1e-9);
      const [top, below] = [inner, outer].map(id => d.layout.spans.of.get(id)!.whole.to);
      expect(top! - below!).to.be.closeTo(LEAF + SEAT_GAP, 1e-9);
    });
    for (const id of order) expect(d.layout.spans.of.get(id)!.whole.to).to.be.closeTo(seat(d, id).high, 1e-9);
    expect(seat(d, order[0]!).low).to.be.closeTo(d.layout.stack.height + SEAT_GAP, 1e-9);
  });

  it('an arm that reaches beyond a ball lower down passes over it', () => {
    const order = outward(derive(orrery([20, 40, 60])));
    // The outermost tube bears the nearest body: the others must go over its ball.
    const distances = ['a', 't', 'o'].map(x => 20 + 20 * order.indexOf(x)) as [number, number, number];
    const d = derive(orrery(distances));
    const [low, next] = [order[0]!, order[1]!];
    expect(seat(d, next).low).to.be.above(seat(d, low).ball! + 5 - 1e-9);
  });

  it('every body has arm, ball and pin among the parts, bored for its tube, closed, as heavy', async function () {
    this.timeout(60_000);
    const kit = await Module();
    kit.setup();
    const d = derive(orrery([20, 40, 60]));
    const make = partMaker(kit, d);
    for (const id of ['a', 't', 'o']) {
      const arm = flatParts(d).parts.find(p => p.id === `body-${id}`)!;
      expect(arm.kind).to.equal('body arm');
      const [own] = arm.holes;
      const bore = 2 * Math.hypot(own!.start.x, own!.start.y);
      expect(bore - d.layout.sizes.get(id)!.diameter, 'pressed on').to.be.within(-0.1, 0.1);
      const ball = extraParts(d).find(p => p.id === `ball body-${id}`)!;
      const mesh = must(make(ball));
      expect(isClosed(mesh)).to.equal(true);
      expect(meshVolume(mesh) / ball.volume).to.be.closeTo(1, 0.005);
      expect(meshBounds(mesh).least[2]).to.be.closeTo(0, 1e-9);
      expect(meshBounds(mesh).most[2]).to.be.closeTo(9.5, 1e-3);
      const parts = solidParts(d).map(p => p.id);
      for (const part of [`body-${id}`, `ball body-${id}`, `pin ball body-${id}`])
        expect(parts).to.include(part);
    }
    // In space each ball stands on the end of its arm.
    const items = spaceScene(d).items;
    for (const id of ['a', 't', 'o'] as const) {
      const ball = items.find(i => i.body === `ball body-${id}`)!;
      expect(ball.at.z).to.be.closeTo(seat(d, id).high, 1e-9);
      expect(ball.out).to.equal({ a: 20, t: 40, o: 60 }[id]);
    }
  });

  it('a body too near for a bar sits on a disc', () => {
    const d = derive(orrery([3, 40, 60]));
    const arm = flatParts(d).parts.find(p => p.id === 'body-a')!;
    expect(arm.outline.segments.every(s => s.kind === 'arc')).to.equal(true);
    expect(arm.holes).to.have.length(2);
  });
});
