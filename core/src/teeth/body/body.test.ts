import { expect } from 'chai';
import { distance, flatten, type Path, type Point, signedArea } from '../../ground/geometry/index.ts';
import { must } from '../../ground/result/index.ts';
import { borePath, boreReach, FIT_ALLOWANCE, webPaths } from './index.ts';

const far = (path: Path): number => Math.max(...flatten(path, 1e-3).map(p => Math.hypot(p.x, p.y)));
const middle = (path: Path): Point => {
  const points = flatten(path, 1e-2);
  const sum = points.reduce((s, p) => ({ x: s.x + p.x, y: s.y + p.y }), { x: 0, y: 0 });
  return { x: sum.x / points.length, y: sum.y / points.length };
};

describe('bores', () => {
  it('reach as far as their farthest corner, key and fit included', () => {
    const holes = [
      { kind: 'round', diameter: 6 },
      { kind: 'hex', across: 6 },
      { kind: 'square', across: 6 },
      { kind: 'D', diameter: 6, flat: 5 },
      { kind: 'keyed', diameter: 6, width: 2, depth: 1 },
    ] as const;
    for (const hole of holes)
      for (const fit of [undefined, 'press', 'free'] as const) {
        const made = { ...hole, ...(fit && { fit }) };
        expect(far(borePath(made)), `${hole.kind}, ${fit ?? 'no fit'}`).to.be.closeTo(boreReach(made), 2e-3);
      }
    expect(boreReach({ kind: 'keyed', diameter: 6, width: 2, depth: 1 }), 'corner of the key').to.be.closeTo(
      Math.hypot(4, 1),
      1e-9,
    );
    expect(boreReach({ kind: 'round', diameter: 6, fit: 'free' })).to.be.closeTo(
      3 + FIT_ALLOWANCE.free / 2,
      1e-9,
    );
  });
});

describe('webs', () => {
  const room = { rootRadius: 40, boreRadius: 4, module: 2 };
  const body = { mark: false, engraved: false };

  it('holes leave a spoke between neighbours, and never touch hub or rim', () => {
    for (const number of [3, 5, 8, 12, 20]) {
      const paths = must(webPaths({ ...body, web: { kind: 'holes', number } }, room));
      expect(paths).to.have.length(number);
      const [a, b] = [paths[0]!, paths[1]!];
      const radius = Math.sqrt(Math.abs(signedArea(flatten(a, 1e-3))) / Math.PI);
      expect(distance(middle(a), middle(b)) - 2 * radius, `${number}: stock between`).to.be.above(2.9);
      expect(far(a), 'within the rim').to.be.below(40 - 1);
    }
  });

  it('spokes keep their width from hub to rim', () => {
    const [opening] = must(webPaths({ ...body, web: { kind: 'spokes', number: 4, width: 6 } }, room));
    const points = flatten(opening!, 1e-3);
    expect(Math.min(...points.map(p => p.y)), 'half a spoke from the line').to.be.closeTo(3, 1e-2);
    expect(Math.min(...points.map(p => p.x))).to.be.closeTo(3, 1e-2);
  });
});

describe('a web without room', () => {
  it('says how large the hub and the room within the rim are, as diameters', () => {
    const tight = { mark: false, engraved: false, web: { kind: 'holes' as const, number: 4 } };
    const refused = webPaths(tight, { rootRadius: 12, boreRadius: 4, module: 2 });
    expect(!refused.ok && refused.problem.code).to.equal('no-room-for-web');
    const data = !refused.ok && refused.problem.code === 'no-room-for-web' ? refused.problem.data : undefined;
    expect(data!.hub, 'bore and three modules all round').to.equal(20);
    expect(data!.rim).to.be.below(24);
    expect(data!.rim).to.be.above(8);
  });
});
