import { expect } from 'chai';
import { linkage, pin, rod, slideBeside, standing } from '../../../test/linkage.ts';
import type { Machine } from '../../document/machine/index.ts';
import { distanceToSegment, polar } from '../../ground/geometry/index.ts';
import { derive } from '../../state/derive/index.ts';
import type { Clearance } from '../layout/index.ts';

/** A crank with its rod in a layer that is said, and a post beside it. */
const beside = (x: number, y: number, layer: number | undefined = undefined): Machine => {
  const m = linkage(
    { post: [x, y] },
    [rod('rod', 70), slideBeside('slide', 0)],
    [{ kind: 'crank', id: 'j1', pin: pin('drive', 24), rod: 'rod', slide: 'slide' }],
  );
  return {
    ...m,
    members: m.members.map(a =>
      a.kind === 'arbor' && a.id === 'post'
        ? { ...a, arm: { layer: layer ?? 1 } }
        : a.kind === 'link'
          ? { ...a, layer: 1 }
          : a,
    ),
    // The post is an arbor with a crank of its own, which stands in its layer.
    joints: [
      ...m.joints,
      {
        kind: 'cord',
        id: 'j2',
        pin: pin('post', 1e-3),
        eye: { along: 0, aside: 0 },
        length: 500,
        slide: 'far',
      },
    ],
  };
};
const withFar = (m: Machine): Machine => ({ ...m, members: [...m.members, slideBeside('far', -400)] });
const linked = (m: Machine): readonly Clearance[] =>
  derive(withFar(m)).layout.clearances.filter(c => c.kind === 'linkage');
const between = (m: Machine, a: string, b: string): Clearance | undefined =>
  linked(m).find(c => [c.a, c.b].includes(a) && [c.a, c.b].includes(b));

/** The least distance of a place from the middle line of the rod in a turn, by going round it in small steps. */
function fromRod(m: Machine, at: { x: number; y: number }): number {
  const stand = standing(withFar(m));
  let least = Infinity;
  for (let deg = 0; deg < 360; deg += 0.1) {
    const bar = stand(deg)('rod');
    least = Math.min(least, distanceToSegment(bar.centre, polar(bar.centre, 70, bar.angle), at));
  }
  return least;
}

describe('clearances of linkages', () => {
  it('are the nearest that a rod comes to what stands beside it, through the whole turn', () => {
    for (const [x, y] of [
      [40, 30],
      [75, 20],
      [-5, 40],
    ] as const) {
      const m = beside(x, y);
      const found = between(m, 'rod', 'post');
      // The rod is three pins of 3 mm wide, the crank of the post so too.
      expect(found?.gap, `${x}, ${y}`).to.be.closeTo(fromRod(m, { x, y }) - 4.5 - 4.5, 0.01);
    }
  });

  it('what overlaps is told, with where; on another layer it is not held against it', () => {
    const struck = derive(withFar(beside(40, 20))).findings.find(f => f.code === 'linkage-strikes');
    expect(struck?.subjects).to.have.members(['rod', 'post']);
    const data = struck?.code === 'linkage-strikes' ? struck.data : undefined;
    expect(data?.overlap).to.be.closeTo(9 - fromRod(beside(40, 20), { x: 40, y: 20 }), 0.01);
    expect(data?.at).to.be.within(0, 1);
    expect(between(beside(40, 20, 3), 'rod', 'post')).to.equal(undefined);
  });

  it('a pin that goes through a layer between is held against what lies there', () => {
    // The crank lies in layer 1, the rod in 3: its pin passes through 2, where the post's crank lies on its circle.
    const m = beside(0, 24, 2);
    const lifted: Machine = {
      ...m,
      members: m.members.map(a => (a.kind === 'link' ? { ...a, layer: 4 } : a)),
    };
    const found = linked(lifted).filter(c => [c.a, c.b].includes('post') && [c.a, c.b].includes('drive'));
    expect(found.length).to.be.at.least(1);
    expect(Math.min(...found.map(c => c.gap)), 'the pin runs through the post').to.be.closeTo(
      -4.5 - 1.5,
      0.05,
    );
  });
});
