import DxfParser from 'dxf-parser';
import { expect } from 'chai';
import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { KINDS } from '../../../test/kinds.ts';
import { derive } from '../../state/derive/index.ts';
import { writeDxf, writeSvg } from '../../files/format/index.ts';
import { circle, crossesItself, flatten, inside, polar, signedArea } from '../../ground/geometry/index.ts';
import { type Dial, type Hand, type Machine, readMachine } from '../../document/machine/index.ts';
import { indicatorDrawing } from '../../files/drawings/index.ts';
import { must } from '../../ground/result/index.ts';
import { SKY, meanPeriodDays } from '../../document/sky/index.ts';
import { dialFigure, handPaths, indicatorFindings, roman, windowPath, writings } from './index.ts';
import {
  DIAL_STARTS,
  bodySize,
  inProportion,
  scaled,
  startRings,
  usualReads,
  usualStart,
  withHandAndDial,
} from '../../edits/indicators/index.ts';

const demo = (name: string): Machine =>
  must(readMachine(readFileSync(new URL(`../../../../demo/${name}.json`, import.meta.url), 'utf8')));
const plain = (more: Partial<Dial> = {}): Dial => ({
  ...{ kind: 'dial', id: 'd', name: 'Dial', member: 'ground', axis: 'axis1', radius: 50, settingDeg: 90 },
  ...{ sense: 'clockwise', rings: startRings('12 hours', 50), windows: [], ...more },
});
const findings = (dial: Dial): string[] =>
  indicatorFindings({ machine: { axes: [], members: [], aims: [], indicators: [dial] }, rates: {} }).map(
    f => f.code,
  );

describe('dials as they are cut', () => {
  it('a clock dial has its twelve at nought, three a quarter on clockwise, six opposite, each upright', () => {
    const { labels } = dialFigure(plain());
    const at = (text: string): { x: number; y: number } => {
      const l = labels.find(x => x.text === text)!;
      // The middle of the capital, from the baseline up along the writing; the dial then turned to stand with its
      // nought up.
      const up = (l.angle ?? 0) + Math.PI / 2;
      const m = {
        x: l.x + (Math.cos(up) * l.height * 0.7) / 2,
        y: l.y + (Math.sin(up) * l.height * 0.7) / 2,
      };
      return { x: -m.y, y: m.x };
    };
    expect(labels).to.have.length(12);
    expect(at('12').x).to.be.closeTo(0, 1e-9);
    expect(at('12').y).to.be.closeTo(38, 1e-9);
    expect(at('3').x).to.be.closeTo(38, 1e-9);
    expect(at('6').y).to.be.closeTo(-38, 1e-9);
    expect(at('9').x).to.be.closeTo(-38, 1e-9);
    for (const l of labels) expect(l.angle! + Math.PI / 2, 'upright').to.be.closeTo(0, 1e-12);
  });

  it('has sixty divisions, equally spaced, every fifth long from the inner circle', () => {
    const [, ring] = dialFigure(plain()).shapes;
    const lengths = ring!.paths.map(p =>
      Math.hypot(p.segments[0]!.to.x - p.start.x, p.segments[0]!.to.y - p.start.y),
    );
    expect(lengths).to.have.length(60);
    expect(lengths.filter(l => l > 3)).to.have.length(12);
    const angles = ring!.paths.map(p => Math.atan2(p.start.y, p.start.x));
    for (const [i, a] of angles.entries()) {
      const want = (-2 * Math.PI * i) / 60;
      expect(Math.cos(a - want), `division ${i}`).to.be.closeTo(1, 1e-12);
    }
  });

  it('a counter-clockwise dial is its mirror', () => {
    const turn = (sense: Dial['sense']): number[] =>
      dialFigure(plain({ sense })).shapes[1]!.paths.map(p => p.start.y);
    turn('clockwise').forEach((y, i) => expect(y).to.be.closeTo(-turn('counter-clockwise')[i]!, 1e-9));
  });

  it('every start gives a dial without findings at 60 mm', () => {
    for (const start of DIAL_STARTS)
      expect(findings(plain({ radius: 60, rings: startRings(start, 60, 29.53) })), start).to.deep.equal([]);
  });

  it('writes Roman figures in the subtractive way (1994 is MCMXCIV) and numbers by steps', () => {
    expect([4, 9, 12, 40, 1994].map(roman)).to.deep.equal(['IV', 'IX', 'XII', 'XL', 'MCMXCIV']);
    expect(roman(0)).to.equal('0');
    const ring = {
      outer: 10,
      inner: 9,
      divisions: 4,
      numerals: {
        radius: 7,
        height: 1,
        stand: 'outward' as const,
        writes: { kind: 'numbers' as const, count: 4, first: -10, step: 5 },
      },
    };
    expect(writings(ring).map(w => [w.text, w.part])).to.deep.equal([
      ['−10', 0],
      ['−5', 0.25],
      ['0', 0.5],
      ['5', 0.75],
    ]);
  });

  it('tells of rings, windows and numerals that do not fit, and of crowded ones', () => {
    const numerals = (height: number, radius: number): Dial =>
      plain({
        rings: [
          {
            outer: 40,
            inner: 38,
            divisions: 4,
            numerals: {
              radius,
              height,
              stand: 'outward',
              writes: { kind: 'numbers', count: 60, first: 100, step: 1 },
            },
          },
        ],
      });
    expect(findings(numerals(4, 30))).to.deep.equal(['numerals-crowded']);
    expect(findings(numerals(0.5, 50))).to.deep.equal(['numerals-off-dial']);
    expect(findings(plain({ rings: [{ outer: 60, inner: 58, divisions: 4 }] }))).to.deep.equal([
      'ring-off-dial',
    ]);
    expect(findings(plain({ rings: [{ outer: 20, inner: 18, divisions: 720 }] }))).to.deep.equal([
      'divisions-crowded',
    ]);
    expect(
      findings(plain({ windows: [{ kind: 'round', atDeg: 0, distance: 45, radius: 6 }] })),
    ).to.deep.equal(['window-off-dial']);
    expect(
      findings(plain({ windows: [{ kind: 'sector', atDeg: 0, spanDeg: 30, inner: 30, outer: 20 }] })),
    ).to.deep.equal(['window-inside-out']);
    expect(
      findings(plain({ windows: [{ kind: 'phases', atDeg: 0, distance: 20, radius: 14.2 }] })),
    ).to.deep.equal(['moon-never-full']);
    expect(
      findings(plain({ windows: [{ kind: 'phases', atDeg: 0, distance: 20, radius: 14.1 }] })),
    ).to.deep.equal([]);
  });
});

describe('openings', () => {
  it('the one for phases has half a disc less two half moons, π/2·((d + r)² − 2r²), and does not cross itself', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 5, max: 60, noNaN: true }),
        fc.double({ min: 0.2, max: 0.99, noNaN: true }),
        fc.double({ min: -180, max: 180, noNaN: true }),
        (d, k, atDeg) => {
          const r = d * k;
          const points = flatten(windowPath({ kind: 'phases', atDeg, distance: d, radius: r }), 0.001);
          const area = (Math.PI / 2) * ((d + r) ** 2 - 2 * r * r);
          expect(Math.abs(signedArea(points))).to.be.closeTo(area, 0.004 * area + 0.05);
          expect(crossesItself(points)).to.equal(false);
        },
      ),
      { numRuns: 60 },
    );
  });

  it('shows the whole of a full moon and nothing of a new one, as the disc turns', () => {
    const [d, r] = [20, 13];
    const opening = flatten(windowPath({ kind: 'phases', atDeg: 90, distance: d, radius: r }), 0.001);
    const seen = (at: number): number => {
      const rim = flatten(circle(polar({ x: 0, y: 0 }, d, at), r * 0.98), 0.01);
      return rim.filter(p => inside(opening, p)).length / rim.length;
    };
    expect(seen(Math.PI / 2), 'full').to.equal(1);
    expect(seen(0), 'behind the right hump').to.equal(0);
    expect(seen(Math.PI), 'behind the left hump').to.equal(0);
    expect(seen(Math.PI / 4), 'half way').to.be.within(0.2, 0.8);
  });

  it('a part of a ring has its area, ½·φ·(R² − r²)', () => {
    const points = flatten(
      windowPath({ kind: 'sector', atDeg: 30, spanDeg: 90, inner: 10, outer: 20 }),
      0.001,
    );
    expect(Math.abs(signedArea(points))).to.be.closeTo((Math.PI / 4) * 300, 0.05);
  });
});

describe('hands as they are cut', () => {
  it('every shape is one closed outline that does not cross itself, as long as it is said, its eye within it', () => {
    const shapes = fc.constantFrom('straight', 'tapered', 'leaf', 'ringed');
    fc.assert(
      fc.property(
        shapes,
        fc.double({ min: 12, max: 120, noNaN: true }),
        fc.double({ min: 0.5, max: 6, noNaN: true }),
        fc.double({ min: 0, max: 20, noNaN: true }),
        fc.double({ min: 0, max: 5, noNaN: true }),
        (shape, radius, width, tail, bore) => {
          const hand = {
            kind: 'hand',
            id: 'h',
            name: 'h',
            member: 'm',
            settingDeg: 0,
            radius,
            width,
            tail,
            shape,
          } as Hand;
          const [outline, eye] = handPaths(hand, bore);
          const points = flatten(outline!, 0.01);
          expect(Math.max(...points.map(p => p.x))).to.be.closeTo(radius, 0.02);
          expect(crossesItself(points), JSON.stringify(hand)).to.equal(false);
          expect(signedArea(points)).to.be.above(0);
          if (bore >= 0.1) for (const p of flatten(eye!, 0.05)) expect(inside(points, p)).to.equal(true);
        },
      ),
      { numRuns: 200 },
    );
  });

  it('a dial and its hands reopened from DXF by another library have their lines and their turned letters', () => {
    const d = derive(demo('saltreach-tide-clock'));
    const dial = d.machine.indicators.find(i => i.id === 'moon-dial')!;
    const drawing = indicatorDrawing(d, dial);
    const dxf = new DxfParser().parseSync(writeDxf(drawing))!;
    const texts = dxf.entities.filter(e => e.type === 'TEXT') as unknown as {
      text: string;
      rotation?: number;
      startPoint: { x: number; y: number };
    }[];
    expect(texts).to.have.length(10);
    for (const t of texts) expect(Math.abs(t.rotation ?? 0), 'upright at its setting').to.be.below(1e-6);
    // Half of a lunation is opposite to nought, which is at the top.
    const half = texts.find(t => t.text === '14.8')!;
    expect(half.startPoint.y).to.be.below(-28);
    expect(half.startPoint.x).to.be.closeTo(0, 1e-6);
    const circles = dxf.entities.filter(e => e.type === 'CIRCLE') as unknown as { radius: number }[];
    expect(circles.map(c => c.radius)).to.include(40);
    expect(writeSvg(drawing).match(/<text /g)).to.have.length(10);
  });
});

describe('bodies in proportion', () => {
  it(
    'the distances kept obey Kepler’s third law with the periods kept: a³/T² is one figure ' +
      'for planets and one for Jupiter’s moons',
    () => {
      const k = (id: string): number => {
        const body = SKY.find(b => b.id === id)!;
        return bodySize(body).distance ** 3 / meanPeriodDays(body) ** 2;
      };
      const planets = ['mercury', 'venus', 'earth', 'mars', 'jupiter', 'saturn', 'uranus', 'neptune'];
      for (const id of planets) expect(k(id) / k('earth') - 1, id).to.be.closeTo(0, 0.003);
      for (const id of ['io', 'europa', 'ganymede'])
        expect(k(id) / k('callisto') - 1, id).to.be.closeTo(0, 0.003);
    },
  );

  it('true ones keep all ratios, roots and logarithms the order and the farthest', () => {
    expect(scaled([1, 4, 16], 80, 'true')).to.deep.equal([5, 20, 80]);
    expect(scaled([1, 4, 16], 80, 'roots')).to.deep.equal([20, 40, 80]);
    expect(scaled([1, 4, 16], 80, 'logarithms')).to.deep.equal([20, 50, 80]);
    const quartet = demo('quartet-of-moons');
    const bodies = must(inProportion(quartet, 100, 5, 'true')).indicators.flatMap(i =>
      i.kind === 'body' ? [i.distance] : [],
    );
    expect(bodies.map(b => b / bodies[0]!).map(x => Number(x.toFixed(2)))).to.deep.equal([
      1, 1.59, 2.54, 4.46,
    ]);
    const none = inProportion({ ...quartet, indicators: [] }, 100, 5, 'true');
    expect(!none.ok && none.problem.code).to.equal('bodies-unknown');
  });
});

describe('what a new hand begins with', () => {
  it('reads what its output keeps, on a dial that counts the way it turns', () => {
    const tide = demo('saltreach-tide-clock');
    const rates = derive(tide).train.rates;
    const made = withHandAndDial(tide, rates, 'arbor4', 40);
    const next = derive(made.machine);
    expect(next.findings.filter(f => f.subjects.includes(made.hand))).to.deep.equal([]);
    expect(usualReads(tide, 'arbor4')).to.deep.equal({ kind: 'days', full: '29.530588 d' });
    expect(usualReads(tide, 'arbor1')).to.deep.equal({ kind: 'turns' });
    expect(usualStart({ kind: 'clock', full: '12 h' })).to.equal('12 hours');
    expect(usualStart({ kind: 'days', full: '29 d' })).to.equal('days');
  });

  it('every kind of machine keeps its indicators when it is written and read', () => {
    const m = KINDS['open counts, indicators, poses, log']!;
    expect(m.indicators.map(i => i.kind)).to.deep.equal(['globe', 'dial', 'dial', 'hand', 'body']);
    expect(derive(m).findings.filter(f => f.code === 'moon-never-full')).to.deep.equal([]);
  });
});
