import { expect } from 'chai';
import fc from 'fast-check';
import { circle, flatten, type Path, polygon, reversePath, signedArea } from '../../ground/geometry/index.ts';
import { must } from '../../ground/result/index.ts';
import { compensated, growthOf, leavesAsIs, leftUncut, offsetPath, uncutCorners } from './index.ts';

const square = (side: number): Path =>
  polygon([
    { x: 0, y: 0 },
    { x: side, y: 0 },
    { x: side, y: side },
    { x: 0, y: side },
  ]);
const area = (p: Path): number => signedArea(flatten(p, 1e-4));

describe('compensation', () => {
  it('a laser’s line stands half a kerf outside and half a kerf within a hole; a router’s half its cutter', () => {
    const p = { id: 'p', name: 'p' };
    expect(growthOf({ ...p, kind: 'laser', kerf: 0.2 })).to.deep.equal({ outline: 0.1, hole: 0.1 });
    expect(growthOf({ ...p, kind: 'router', cutter: 3 })).to.deep.equal({ outline: 1.5, hole: 1.5 });
    expect(growthOf({ ...p, kind: 'printer', outlineGrowth: 0.08, holeShrink: 0.3 })).to.deep.equal({
      outline: -0.08,
      hole: -0.15,
    });
    expect(leavesAsIs(growthOf({ ...p, kind: 'printer' }))).to.equal(true);
    expect(leavesAsIs(growthOf({ ...p, kind: 'saw', kerf: 0.4 }))).to.equal(false);
  });

  it('a square of side a grown by r has the area a² + 4ar + πr² (Steiner’s formula), shrunk (a − 2r)²', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 200, noNaN: true }),
        fc.double({ min: 0.01, max: 3, noNaN: true }),
        (a, r) => {
          const grown = area(must(offsetPath(square(a), r, 1e-4)));
          expect(grown).to.be.closeTo(a * a + 4 * a * r + Math.PI * r * r, 1e-3 * r + 1e-3);
          if (2 * r < a * 0.95)
            expect(area(must(offsetPath(square(a), -r, 1e-4)))).to.be.closeTo((a - 2 * r) ** 2, 1e-3);
        },
      ),
    );
  });

  it('circles stay circles, exactly, and holes keep their way round', () => {
    const hole = circle({ x: 3, y: 4 }, 2, false);
    const moved = must(offsetPath(hole, -0.1, 0.01));
    expect(moved).to.deep.equal(circle({ x: 3, y: 4 }, 1.9, false));
    const [outline, made] = must(
      compensated(circle({ x: 3, y: 4 }, 10), [hole], { outline: 0.1, hole: 0.1 }, 0.01),
    );
    expect(outline).to.deep.equal(circle({ x: 3, y: 4 }, 10.1));
    expect(made).to.deep.equal(circle({ x: 3, y: 4 }, 1.9, false));
    const turned = must(offsetPath(reversePath(square(10)), 1, 0.001));
    expect(area(turned), 'still clockwise').to.be.below(-140);
  });

  it('what the process takes off again leaves the finished part: out and in by the same is the same', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.05, max: 0.5, noNaN: true }), r => {
        const back = must(offsetPath(must(offsetPath(square(20), r, 1e-3)), -r, 1e-3));
        expect(area(back)).to.be.closeTo(400, 0.01);
      }),
    );
  });

  it('that swallows a part or a hole, or breaks it in two, is refused', () => {
    const code = (path: Path, by: number): string => {
      const r = offsetPath(path, by, 0.01);
      return r.ok ? 'ok' : r.problem.code;
    };
    expect(code(square(2), -1.1)).to.equal('compensation-swallows');
    expect(code(circle({ x: 0, y: 0 }, 1), -1)).to.equal('compensation-swallows');
    const dumbbell = polygon(
      [
        [0, 0],
        [10, 0],
        [10, 4],
        [20, 4],
        [20, 0],
        [30, 0],
        [30, 10],
        [20, 10],
        [20, 6],
        [10, 6],
        [10, 10],
        [0, 10],
      ].map(([x, y]) => ({ x: x!, y: y! })),
    );
    expect(code(dumbbell, -0.5)).to.equal('ok');
    expect(code(dumbbell, -1.5), 'its neck is 2 mm').to.equal('compensation-swallows');
    const all = compensated(square(20), [circle({ x: 10, y: 10 }, 1)], { outline: 1.5, hole: 1.5 }, 0.01);
    expect(!all.ok && all.problem.code).to.equal('compensation-swallows');
  });

  it('a cutter leaves (1 − π/4)·r² in each inside corner of a square notch, and nothing at outside corners', () => {
    const notch = polygon(
      [
        [0, 0],
        [30, 0],
        [30, 20],
        [20, 20],
        [20, 10],
        [10, 10],
        [10, 20],
        [0, 20],
      ].map(([x, y]) => ({ x: x!, y: y! })),
    );
    for (const r of [1, 2, 4])
      expect(leftUncut(notch, r, 1e-4)).to.be.closeTo(2 * (1 - Math.PI / 4) * r * r, 0.01);
    const all = (paths: readonly Path[]): number =>
      paths.reduce((sum, p) => sum + Math.abs(signedArea(flatten(p, 1e-3))), 0);
    const backwards = polygon([...flatten(notch, 1e-3)].reverse());
    expect(all(uncutCorners(backwards, 2, 1e-3)), 'whichever way round it is drawn').to.be.closeTo(
      all(uncutCorners(notch, 2, 1e-3)),
      1e-3,
    );
    const corners = uncutCorners(notch, 2, 1e-3);
    expect(corners.length, 'two inside corners').to.equal(2);
    for (const c of corners) expect(Math.abs(area(c))).to.be.closeTo((1 - Math.PI / 4) * 4, 0.01);
    expect([uncutCorners(square(20), 3, 1e-3), uncutCorners(notch, 0, 1e-3)]).to.deep.equal([[], []]);
    expect(leftUncut(square(20), 3, 1e-4)).to.be.closeTo(0, 1e-3);
    expect(leftUncut(notch, 0, 1e-4)).to.equal(0);
  });
});
