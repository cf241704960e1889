import { Clipper, FillRule } from 'clipper2-ts';
import { expect } from 'chai';
import fc from 'fast-check';
import { arrange } from '../../../test/arrange.ts';
import { derive } from '../../state/derive/index.ts';
import type { Derived } from '../../state/state/index.ts';
import { circle, flatten, type Point } from '../../ground/geometry/index.ts';
import { mend } from '../../edits/edit/index.ts';
import type { Machine } from '../../document/machine/index.ts';
import { setArbor, setLayout, setWheel } from '../../edits/change/index.ts';
import { must } from '../../ground/result/index.ts';
import { stancesAt } from '../motion/index.ts';
import { type Clearance, USUAL_CLEARANCE } from './index.ts';

const gapOf = (d: Derived, a: string, b: string): Clearance | undefined =>
  d.layout.clearances.find(c => (c.a === a && c.b === b) || (c.a === b && c.b === a));

/**
 * A disc as a polygon of the foreign library's whole numbers, a thousandth of a millimetre each; outside the
 * circle, so that nothing is missed.
 */
const polygon = (centre: Point, radius: number): { x: number; y: number }[] =>
  flatten(circle(centre, radius), 0.002).map(p => ({ x: Math.round(p.x * 1000), y: Math.round(p.y * 1000) }));

/** How much two discs overlap at the worst, by cutting their polygons at many turns of the drive; mm². */
function worstOverlap(d: Derived, a: string, b: string, turns: number, steps: number): number {
  let worst = 0;
  const disc = (id: string, at: ReturnType<typeof stancesAt>): { x: number; y: number }[] =>
    polygon(at.get(d.machine.wheels.find(w => w.id === id)!.member)!.centre, d.extents[id]!.outer);
  for (let i = 0; i < steps; i++) {
    const at = stancesAt(d.moving, { whole: 0n, part: (turns * i) / steps });
    const both = Clipper.intersect([disc(a, at)], [disc(b, at)], FillRule.NonZero);
    worst = Math.max(worst, both.reduce((sum, p) => sum + Math.abs(Clipper.area(p)), 0) / 1e6);
  }
  return worst;
}

/** A wheel that stands, and one that an arm of the drive carries past it, in one layer. */
function passing(radius: number, away: number, angle: number): Machine {
  const m = arrange(
    {
      drive: {},
      post: { at: [away * Math.cos(angle), away * Math.sin(angle)] },
      bird: { frame: 'drive', at: [radius, 0] },
    },
    { 'post.wheel': 20, 'bird.wheel': 24 },
    [],
  );
  const flat = (x: Machine, id: string): Machine => setWheel(id, { layer: 0 })(x);
  return flat(flat(setArbor('drive', { arm: { layer: 5 } })(m), 'post-wheel'), 'bird-wheel');
}

describe('clearances', () => {
  it('of a wheel carried past another agree with cutting polygons all the way round', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 10, max: 60 }),
        fc.integer({ min: 30, max: 150 }),
        fc.double({ min: 0, max: 6, noNaN: true }),
        (radius, away, angle) => {
          const d = derive(passing(radius, away, angle));
          const found = gapOf(d, 'post-wheel', 'bird-wheel');
          const overlap = worstOverlap(d, 'post-wheel', 'bird-wheel', 1, 240);
          const gap = found?.gap ?? Infinity;
          if (gap > 0.01) expect(overlap).to.equal(0);
          if (gap < -0.3) expect(overlap).to.be.greaterThan(0);
          const truly = Math.abs(away - radius) - 22 - 26;
          if (found) expect(gap).to.be.closeTo(truly, 1e-9);
        },
      ),
      { numRuns: 30 },
    );
  });

  it('at rest alone would miss what the motion brings together', () => {
    const d = derive(passing(60, 62, Math.PI));
    expect(worstOverlap(d, 'post-wheel', 'bird-wheel', 0, 1), 'apart as drawn').to.equal(0);
    const strike = d.findings.find(f => f.code === 'wheels-strike')!;
    expect(strike.data['overlap']).to.be.closeTo(46, 1e-9);
  });

  it('of what two arms carry at unlike rates are those of all their turns together', () => {
    const two = (far: number): Machine => {
      const base = arrange(
        {
          drive: {},
          slow: { at: [far, 0] },
          a: { frame: 'drive', at: [30, 0] },
          b: { frame: 'slow', at: [20, 0] },
        },
        { 'drive.w': 20, 'slow.w': 30, 'a.w': 12, 'b.w': 12 },
        [['drive.w', 'slow.w']],
      );
      const levelled = ['a-w', 'b-w'].reduce((m, id) => setWheel(id, { layer: 9 })(m), base);
      return setArbor('slow', { arm: { layer: 20 } })(setArbor('drive', { arm: { layer: 30 } })(levelled));
    };
    const touching = derive(two(60));
    const clear = derive(two(120));
    expect(gapOf(touching, 'a-w', 'b-w')!.gap).to.be.below(0);
    expect(worstOverlap(touching, 'a-w', 'b-w', 3, 900)).to.be.greaterThan(0);
    expect(gapOf(clear, 'a-w', 'b-w')?.gap ?? 99).to.be.greaterThan(0);
    expect(worstOverlap(clear, 'a-w', 'b-w', 3, 300)).to.equal(0);
  });

  it('of a bar: against what it sweeps past, and exactly against what it carries', () => {
    const m = setArbor('drive', { arm: { layer: 0, width: 8 } })(passing(40, 45, 2));
    const d = derive(m);
    // The bar reaches 40 + 4; the post, 45 away and 22 round, stands in its way.
    expect(gapOf(d, 'drive', 'post-wheel')!.gap).to.be.closeTo(45 - 22 - 44, 1e-9);
    expect(d.findings.some(f => f.code === 'arm-strikes' && f.subjects.includes('drive'))).to.equal(true);
    // What it carries lies in its own layer: the wheel is about the bar's end, 26 and 4 deep in each other.
    expect(gapOf(d, 'drive', 'bird-wheel')!.gap).to.be.closeTo(-30, 1e-9);
  });

  it('of a sun within its ring are the clear room, and neither is in the other’s place', () => {
    const set = arrange(
      {
        sun: {},
        arm: { with: 'sun' },
        ring: { with: 'sun', held: true },
        planet: { frame: 'arm', at: [42, 0], copies: 4 },
      },
      { 'sun.w': 24, 'planet.w': 18, 'ring.ring': 60 },
      [
        ['sun.w', 'planet.w'],
        ['planet.w', 'ring.ring', 'internal'],
      ],
    );
    const flat = ['sun-w', 'planet-w', 'ring-ring'].reduce((m, id) => setWheel(id, { layer: 1 })(m), set);
    const d = derive(setArbor('arm', { arm: { layer: 0 } })(flat));
    const ringInside = 60 - 2; // tips of a ring of 60 at module 2
    expect(gapOf(d, 'sun-w', 'ring-ring')?.gap ?? ringInside - 26).to.be.closeTo(ringInside - 26, 0.2);
    expect(d.findings.filter(f => f.severity === 'stop').map(f => f.code)).to.deep.equal([]);
    const neighbours = d.layout.clearances.find(c => c.kind === 'neighbours')!;
    expect(neighbours.gap, '2·42·sin 45° less two tip radii of 20').to.be.closeTo(
      84 * Math.SQRT1_2 - 40,
      1e-9,
    );
  });

  it('against the envelope and room kept free: circle, rectangle and outline alike', () => {
    const at = (m: Machine): Derived => derive(m);
    const base = arrange({ drive: { at: [10, 0] } }, { 'drive.w': 20 }, []);
    const disc = 22;
    const circleGap = at(
      setLayout({ envelope: { region: { kind: 'circle', x: 0, y: 0, diameter: 80 } } })(base),
    );
    expect(gapOf(circleGap, 'drive-w', 'envelope')!.gap).to.be.closeTo(40 - 10 - disc, 1e-9);
    const box = at(
      setLayout({ envelope: { region: { kind: 'rectangle', x: 0, y: 0, width: 60, height: 80 } } })(base),
    );
    expect(gapOf(box, 'drive-w', 'envelope')!.gap).to.be.closeTo(30 - 10 - disc, 1e-9);
    expect(box.findings.map(f => f.code)).to.include('outside-envelope');
    const points: [number, number][] = [
      [-30, -40],
      [30, -40],
      [30, 40],
      [-30, 40],
    ];
    const outline = at(setLayout({ envelope: { region: { kind: 'outline', name: 'b', points } } })(base));
    expect(gapOf(outline, 'drive-w', 'envelope')!.gap).to.be.closeTo(
      gapOf(box, 'drive-w', 'envelope')!.gap,
      1e-9,
    );
    const keepOuts = [
      { id: 'k', name: 'lamp', region: { kind: 'circle' as const, x: 50, y: 0, diameter: 20 } },
    ];
    expect(gapOf(at(setLayout({ keepOuts })(base)), 'drive-w', 'k')!.gap).to.be.closeTo(40 - 10 - disc, 1e-9);
    const above = [{ ...keepOuts[0]!, layers: { least: 3, most: 4 } }];
    expect(gapOf(at(setLayout({ keepOuts: above })(base)), 'drive-w', 'k')?.gap ?? 'clear').to.not.equal(
      'clear',
    );
  });

  it('say of an envelope that is smaller than a wheel how large it would have to be, and the fix is enough', () => {
    const base = arrange({ drive: {} }, { 'drive.w': 40 }, []);
    const small = setLayout({ envelope: { region: { kind: 'circle', x: 0, y: 0, diameter: 60 } } })(base);
    const found = derive(small).findings.find(f => f.code === 'envelope-too-small')!;
    expect(found.data['needs'], 'two tip radii of 42 and what is wanted round them').to.equal(85);
    const mended = derive(must(mend(found.fixes[0]!)(small)));
    expect(mended.layout.findings).to.deep.equal([]);
  });

  it('are wanted at least so large: less is a note, an overlap a stop', () => {
    const near = (x: number): Machine =>
      ['a-w', 'b-w'].reduce(
        (m, id) => setWheel(id, { layer: 0 })(m),
        arrange({ a: {}, b: { at: [x, 0] } }, { 'a.w': 20, 'b.w': 20 }, []),
      );
    const code = (x: number, clearance?: number): string[] =>
      derive(setLayout({ clearance })(near(x))).layout.findings.map(f => `${f.severity} ${f.code}`);
    expect(code(44 + USUAL_CLEARANCE)).to.deep.equal([]);
    expect(code(44.1)).to.deep.equal(['note runs-close']);
    expect(code(44.1, 0.05)).to.deep.equal([]);
    expect(code(43.5)).to.deep.equal(['stop wheels-strike']);
  });

  it('of a rod: a wheel two layers away strikes an arbor that passes it', () => {
    const m = arrange({ a: {}, b: { at: [18, 0] } }, { 'a.low': 20, 'b.mid': 10, 'a.high': 20 }, []);
    const d = derive(m);
    expect(gapOf(d, 'b-mid', 'a')!.gap, '18 less a tip radius of 12 and half a rod').to.be.closeTo(
      18 - 12 - d.layout.sizes.get('a')!.diameter / 2,
      1e-9,
    );
    expect(gapOf(d, 'a-low', 'b'), 'b passes only its own layer').to.equal(undefined);
  });
});
