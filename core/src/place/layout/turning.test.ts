import { expect } from 'chai';
import fc from 'fast-check';
import { rational } from '../../ground/rational/index.ts';
import { neverNearer, reachOf, relative, type Turning } from './turning.ts';

const vector = (key: string, x: number, y: number, num?: number, den = 1): Turning['vectors'][number] => ({
  ...{ key, x, y },
  rate: num === undefined ? undefined : rational(num, den),
});
const length = fc.integer({ min: 1, max: 60 });

/** The least distance from the origin by looking at many turns of the drive. */
function sampled(p: Turning, turns: number, steps: number): number {
  let best = Infinity;
  for (let i = 0; i <= steps; i++) {
    let [x, y] = [p.x, p.y];
    for (const v of p.vectors) {
      const a = (2 * Math.PI * Number(v.rate!.num) * turns * i) / steps / Number(v.rate!.den);
      x += Math.cos(a) * v.x - Math.sin(a) * v.y;
      y += Math.sin(a) * v.x + Math.cos(a) * v.y;
    }
    best = Math.min(best, Math.hypot(x, y));
  }
  return best;
}

describe('how near what is carried comes', () => {
  it('a standing way and one that turns reach everything between their difference and their sum', () => {
    const p = { x: 30, y: 40, vectors: [vector('1/1', 0, 20, 1)] };
    expect(reachOf(p)).to.deep.equal({ least: 30, most: 70, swept: false });
    expect(reachOf({ x: 3, y: 4, vectors: [] })).to.deep.equal({ least: 5, most: 5, swept: false });
  });

  it('of two that turn together only their sum counts, and what an arm carries rests to it', () => {
    const one = { x: 0, y: 0, vectors: [vector('1/3', 30, 0, 1, 3)] };
    const two = { x: 0, y: 0, vectors: [vector('1/3', 0, 40, 1, 3)] };
    expect(reachOf(relative(one, two))).to.deep.equal({ least: 50, most: 50, swept: false });
    expect(relative(one, one).vectors).to.deep.equal([]);
  });

  it('with three ways of known rates it is what looking at the whole period finds', () => {
    const rate = fc.tuple(fc.integer({ min: 1, max: 4 }), fc.integer({ min: 1, max: 3 }));
    fc.assert(
      fc.property(length, length, length, rate, rate, (c, a, b, [p, q], [r, s]) => {
        const point: Turning = { x: c, y: 0, vectors: [vector('a', 0, a, p, q), vector('b', -b, 3, -r, s)] };
        const found = reachOf(point);
        const truly = sampled(point, q * s, 20_000);
        expect(found.swept).to.equal(false);
        expect(found.least).to.be.at.most(truly + 1e-6);
        expect(found.least).to.be.closeTo(truly, 0.12);
      }),
      { numRuns: 25 },
    );
  });

  it('rates that never bring three ways in line leave the room that only sweeping would forbid', () => {
    // Opposite ways at once: 20 + 20 against 40 never falls to nought, though their lengths would let it.
    const p: Turning = { x: 40, y: 0, vectors: [vector('1', 20, 0, 1), vector('2', 20, 0, 2)] };
    expect(reachOf(p).least).to.be.greaterThan(10);
  });

  it('where a rate is not known, or the period is too long, the swept room is said to be that', () => {
    const unknown: Turning = { x: 10, y: 0, vectors: [vector('a', 4, 0), vector('b', 3, 0, 1)] };
    expect(reachOf(unknown)).to.deep.equal({ least: 3, most: 17, swept: true });
    const long: Turning = { x: 10, y: 0, vectors: [vector('a', 4, 0, 997, 1000), vector('b', 3, 0, 1)] };
    expect(reachOf(long).swept).to.equal(true);
  });

  it('is never nearer than the quick bound, and as near where nothing needs a search', () => {
    const number = fc.integer({ min: -90, max: 90 });
    const vector = fc.record({ key: fc.constantFrom('1/2', '3/4', '-2/3'), x: number, y: number });
    const point = fc.record({
      x: number,
      y: number,
      vectors: fc.uniqueArray(vector, { maxLength: 2, selector: v => v.key }),
    });
    fc.assert(
      fc.property(point, point, (p, q) => {
        const turning = (t: typeof p): Turning => ({
          ...t,
          vectors: t.vectors.map(v => {
            const [num, den] = v.key.split('/').map(Number) as [number, number];
            return { ...v, rate: rational(num, den) };
          }),
        });
        const [a, b] = [turning(p), turning(q)];
        const both = relative(a, b);
        const { least } = reachOf(both);
        const bound = neverNearer(a, b);
        expect(bound).to.be.at.most(least + 1e-9);
        if (both.vectors.length <= 1) expect(bound).to.be.closeTo(least, 1e-9);
      }),
      { seed: 5, numRuns: 200 },
    );
  });
});
