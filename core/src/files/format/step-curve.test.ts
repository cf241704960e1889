import { expect } from 'chai';
import fc from 'fast-check';
import { circle, type Path, type Point, polar, polygon } from '../../ground/geometry/index.ts';
import { edgesOf, type Spline } from './step-curve.ts';

/** A point of a B-spline by de Boor's recursion, knots written out: the definition, apart from how it was made. */
function at({ control, times }: Spline, t: number): Point {
  const knots = times.flatMap((x, i) => Array<number>(i === 0 || i === times.length - 1 ? 4 : 2).fill(x));
  let k = 3;
  while (k < control.length - 1 && t >= knots[k + 1]!) k++;
  const d = [0, 1, 2, 3].map(j => ({ ...control[j + k - 3]! }));
  for (let r = 1; r <= 3; r++)
    for (let j = 3; j >= r; j--) {
      const low = knots[j + k - 3]!;
      const span = knots[j + 1 + k - r]! - low;
      const a = span === 0 ? 0 : (t - low) / span;
      d[j] = { x: (1 - a) * d[j - 1]!.x + a * d[j]!.x, y: (1 - a) * d[j - 1]!.y + a * d[j]!.y };
    }
  return d[3]!;
}

describe('outlines as few smooth edges', () => {
  it('a curve goes through the points it was made from, and between them stays on what they were taken from', () => {
    fc.assert(
      fc.property(fc.double({ min: 3, max: 80, noNaN: true }), fc.integer({ min: 8, max: 40 }), (r, n) => {
        const arc = Array.from({ length: n + 1 }, (_, i) => polar({ x: 0, y: 0 }, r, (i / n) * 1.2));
        const path = polygon([...arc, { x: -r, y: r }, { x: -r, y: -r }]);
        const curve = edgesOf(path).find(e => e.kind === 'curve');
        if (curve?.kind !== 'curve') throw new Error('no curve');
        const { spline } = curve;
        for (const [i, t] of spline.times.entries()) {
          const p = at(spline, Math.min(t, spline.times.at(-1)! - 1e-12));
          expect(Math.hypot(p.x - arc[i]!.x, p.y - arc[i]!.y)).to.be.below(1e-6);
        }
        const sagitta = r * (1 - Math.cos(0.6 / n));
        for (let i = 0; i < n; i++) {
          const p = at(spline, (spline.times[i]! + spline.times[i + 1]!) / 2);
          expect(Math.abs(Math.hypot(p.x, p.y) - r), 'far nearer than the chords').to.be.below(
            sagitta / 3 + 1e-9,
          );
        }
      }),
      { numRuns: 40 },
    );
  });

  it('edges follow each other all round, wherever the path begins', () => {
    const teeth = Array.from({ length: 12 }, (_, i) => [
      polar({ x: 0, y: 0 }, 10, i / 2),
      polar({ x: 0, y: 0 }, 12, i / 2 + 0.2),
    ]).flat();
    for (let from = 0; from < 5; from++) {
      const points = [...teeth.slice(from), ...teeth.slice(0, from)];
      const edges = edgesOf(polygon(points));
      edges.forEach((e, i) => expect(e.to).to.deep.equal(edges[(i + 1) % edges.length]!.from));
    }
  });

  it('a square stays four lines, a circle its two arcs, a slot lines and arcs', () => {
    const kinds = (p: Path): string[] => edgesOf(p).map(e => e.kind);
    expect(
      kinds(
        polygon([
          { x: 0, y: 0 },
          { x: 9, y: 0 },
          { x: 9, y: 9 },
          { x: 0, y: 9 },
        ]),
      ),
    ).to.deep.equal(['line', 'line', 'line', 'line']);
    expect(kinds(circle({ x: 0, y: 0 }, 4))).to.deep.equal(['arc', 'arc']);
  });

  it('points that fall together make no edge', () => {
    const doubled = polygon([
      { x: 0, y: 0 },
      { x: 5, y: 0 },
      { x: 5, y: 0 },
      { x: 5, y: 5 },
    ]);
    expect(edgesOf(doubled).length).to.equal(3);
  });
});
