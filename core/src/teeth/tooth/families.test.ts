import { expect } from 'chai';
import fc from 'fast-check';
import { RANDOM_TEETH } from '../../../test/random-teeth.ts';
import { crossesItself, flatten, type Path, rotate, signedArea } from '../../ground/geometry/index.ts';
import { sayProblem } from '../../files/words/index.ts';
import { halfPoints, toothFigure, type ToothFigure } from './index.ts';

/** A few hundred sets in all as a matter of course; many thousands by the campaign. */
const RUNS = Number(process.env['TESSERON_RUNS'] ?? 40);
const CHORD = 0.01;

/** What every figure must be, whatever its family. */
function checkFigure(figure: ToothFigure): void {
  const outline = flatten(figure.outline, CHORD);
  expect(signedArea(outline), 'the outline runs counter-clockwise').to.be.greaterThan(0);
  for (const path of [figure.outline, ...figure.holes]) {
    const last = path.segments.at(-1)?.to ?? path.start;
    expect(path.closed).to.equal(true);
    expect(Math.hypot(last.x - path.start.x, last.y - path.start.y), 'closed').to.be.below(1e-6);
    const points = flatten(path, CHORD);
    expect(
      points.every(p => Number.isFinite(p.x) && Number.isFinite(p.y)),
      'finite',
    ).to.equal(true);
    expect(crossesItself(points), 'does not cross itself').to.equal(false);
  }
  for (const hole of figure.holes)
    expect(signedArea(flatten(hole, CHORD)), 'holes run clockwise').to.be.below(0);
  if (figure.half && figure.closes) sameAfterATooth(figure);
}

/** Turned by a tooth, every corner of the border falls on another: the count is what it says. */
function sameAfterATooth(figure: ToothFigure): void {
  const border: Path =
    figure.holes.length === 1 && figure.tipRadius < figure.rootRadius
      ? (figure.holes[0] as Path)
      : figure.outline;
  const corners = new Map(border.segments.map(s => [key(s.to), s.to] as const));
  if (corners.size < figure.count) return;
  const step = (2 * Math.PI) / figure.count;
  for (const p of [...corners.values()].slice(0, 20)) {
    const q = rotate(p, step);
    const near = [...corners.values()].some(c => Math.hypot(c.x - q.x, c.y - q.y) < 1e-6);
    expect(near, 'a corner a tooth further').to.equal(true);
  }
}
const key = (p: { x: number; y: number }): string => `${p.x.toFixed(7)} ${p.y.toFixed(7)}`;

describe('teeth of every family', () => {
  for (const [name, teeth] of Object.entries(RANDOM_TEETH)) {
    it(`give a valid outline or a sentence: ${name}`, function () {
      this.timeout(Math.max(20_000, RUNS * 400));
      let drawn = 0;
      fc.assert(
        fc.property(teeth, spec => {
          const figure = toothFigure(spec, CHORD);
          if (!figure.ok) {
            expect(sayProblem(figure.problem)).to.match(/\.$/);
            return;
          }
          drawn += 1;
          checkFigure(figure.value);
          if (!figure.value.half) return;
          const points = halfPoints(figure.value.half, CHORD);
          expect(Math.abs(points.at(-1)?.y ?? 1), 'a half tooth ends on its middle').to.be.below(1e-6);
        }),
        { numRuns: RUNS },
      );
      expect(drawn, 'some of them can be drawn').to.be.greaterThan(RUNS / 10);
    });
  }
});
