import { Clipper, FillRule, type PathD } from 'clipper2-ts';
import { expect } from 'chai';
import fc from 'fast-check';
import { flatten, type Point, rotate, signedArea } from '../../ground/geometry/index.ts';
import { ISO_53_A } from '../../document/machine/index.ts';
import { must } from '../../ground/result/index.ts';
import { involuteOutline, STANDARD_SPEC, type ToothSpec } from '../tooth/index.ts';
import { degrees, MM_PER_INCH, moduleOfDiametralPitch, radians } from '../../ground/units/index.ts';
import {
  centreDistance,
  contactRatio,
  freedom,
  matingPhase,
  overlap,
  phaseError,
  playFromSpread,
  rollingPair,
  tipShortening,
  workingPressureAngle,
} from './index.ts';

const spec = (change: Partial<ToothSpec>): ToothSpec => ({
  ...STANDARD_SPEC,
  form: ISO_53_A,
  module: 2,
  count: 20,
  ...change,
});
const pair = (z1: number, z2: number, x1 = 0, x2 = 0, module = 2): Parameters<typeof centreDistance>[0] => ({
  module,
  pressureAngleDeg: 20,
  counts: [z1, z2],
  shifts: [x1, x2],
});

describe('centre distance', () => {
  // Elements of Metric Gear Technology, profile-shifted spur gears, worked example (from memory).
  it('is 56.4999 mm for m 3, 12 and 24 teeth, x 0.6 and 0.36, pressing at 26.0886°', () => {
    const p = pair(12, 24, 0.6, 0.36, 3);
    expect(degrees(workingPressureAngle(p)!)).to.be.closeTo(26.0886, 5e-5);
    expect(centreDistance(p)).to.be.closeTo(56.4999, 5e-5);
    expect(tipShortening(p)).to.be.closeTo(0.83329 - 0.96, 2e-5);
  });

  it('is plain without shift, and stays so when shifts cancel', () => {
    expect(centreDistance(pair(20, 40))).to.equal(60);
    expect(centreDistance(pair(20, 40, 0.3, -0.3))).to.equal(60);
    expect(tipShortening(pair(20, 40, 0.3, -0.3))).to.be.closeTo(0, 1e-12);
  });

  it('has no answer for shifts too negative', () => {
    expect(centreDistance(pair(6, 6, -2, -2))).to.equal(undefined);
  });
});

describe('contact ratio', () => {
  // Norton, Machine Design, gear mesh example: 19 and 37 teeth, 20°, diametral pitch 6, dedendum 1.25/P (from memory).
  const module = moduleOfDiametralPitch(6);
  const [a, b] = [spec({ module, count: 19 }), spec({ module, count: 37 })];

  it('is 1.62 for 19 and 37 teeth at diametral pitch 6', () => {
    const distance = (4 + 2 / 3) * MM_PER_INCH;
    expect(contactRatio(a, b, distance)).to.be.closeTo(1.62, 0.005);
  });

  it('falls as the centres move apart, and is nought when the wheels let go', () => {
    const at = (d: number): number => contactRatio(a, b, d);
    expect(at(119)).to.be.below(at(118.6));
    expect(at(130)).to.equal(0);
  });

  it('is shortened by undercut', () => {
    const small = spec({ count: 8 });
    const shifted = spec({ count: 8, shift: 0.55 });
    const wheel = spec({ count: 40 });
    const d = centreDistance(pair(8, 40, 0.55, 0))!;
    expect(contactRatio(small, wheel, 48)).to.be.below(contactRatio(shifted, wheel, d));
  });
});

describe('phase', () => {
  it('turns an even wheel half a tooth and leaves an odd one (conventions 9; common practice, no source)', () => {
    expect(degrees(matingPhase(12, 0, 18, 0))).to.be.closeTo(10, 1e-9);
    expect(degrees(matingPhase(12, 0, 17, 0))).to.be.closeTo(0, 1e-9);
  });

  it('puts tooth in gap for any counts, phases and directions', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 5, max: 300 }),
        fc.integer({ min: 5, max: 300 }),
        fc.double({ min: -7, max: 7, noNaN: true }),
        fc.double({ min: -7, max: 7, noNaN: true }),
        (za, zb, phase, line) => {
          const b = matingPhase(za, phase, zb, line);
          expect(b).to.be.within(-1e-9, (2 * Math.PI) / zb + 1e-9);
          expect(phaseError(za, phase, zb, b, line)).to.be.closeTo(0, 1e-9);
        },
      ),
    );
  });
});

describe('play', () => {
  it('grows by 2Δa·tan α: 20°, 0.1 mm: 0.0728 mm (conventions 13)', () => {
    expect(playFromSpread(0.1, 20)).to.be.closeTo(0.0728, 5e-5);
  });
});

describe('two outlines rolled against each other', () => {
  const E = 0.002;
  const points = (s: ToothSpec, e = E): Point[] => flatten(must(involuteOutline(s, e)), e);
  const cases: [string, ToothSpec, ToothSpec, number][] = [
    ['20 and 33, standard', spec({ count: 20 }), spec({ count: 33 }), 53],
    [
      '12 shifted and 41',
      spec({ count: 12, shift: 0.3 }),
      spec({ count: 41 }),
      centreDistance(pair(12, 41, 0.3, 0))!,
    ],
    ['9 undercut and 26', spec({ count: 9 }), spec({ count: 26 }), 35],
    [
      '17 and 18 at 25°',
      spec({ count: 17, form: { ...ISO_53_A, pressureAngleDeg: 25, fillet: 0.3 } }),
      spec({ count: 18, form: { ...ISO_53_A, pressureAngleDeg: 25, fillet: 0.3 } }),
      35,
    ],
  ];

  for (const [name, a, b, distance] of cases) {
    it(`${name}: no play, so no overlap beyond the chord error, and contact kept`, () => {
      const rolling = rollingPair(points(a), points(b), distance);
      const phase = matingPhase(a.count, 0, b.count, 0);
      for (let i = 0; i < 12; i++) {
        const turn = ((2 * Math.PI) / a.count) * (i / 12);
        const angleB = phase - (turn * a.count) / b.count;
        expect(overlap(rolling, turn, angleB), `position ${i}`).to.be.below(E);
        const [back, on] = freedom(rolling, turn, angleB + 0.00001, 0.05);
        const loose = (back + on) * b.module * b.count * 0.5;
        expect(loose, `looseness at position ${i}, mm`).to.be.below(3 * E);
      }
    });
  }

  it('have the play that was asked for, all round', () => {
    const j = 0.12;
    const [a, b] = [spec({ count: 15, thinning: j / 2 }), spec({ count: 28, thinning: j / 2 })];
    const rolling = rollingPair(points(a, 0.0005), points(b, 0.0005), 43);
    const phase = matingPhase(15, 0, 28, 0);
    for (let i = 0; i < 8; i++) {
      const turn = ((2 * Math.PI) / 15) * (i / 8);
      const [back, on] = freedom(rolling, turn, phase - (turn * 15) / 28, 0.05);
      expect((back + on) * 28).to.be.closeTo(j, 0.005);
    }
  });

  it('do not overlap by another library’s reckoning either', () => {
    const [a, b] = [spec({ count: 18, thinning: 0.03 }), spec({ count: 31, thinning: 0.03 })];
    const phase = matingPhase(18, 0, 31, 0);
    const asPath = (list: Point[], angle: number, dx: number): PathD =>
      list.map(p => {
        const q = rotate(p, angle);
        return { x: q.x + dx, y: q.y };
      });
    for (let i = 0; i < 10; i++) {
      const turn = radians(20) * (i / 10);
      const common = Clipper.intersectD(
        [asPath(points(a), turn, 0)],
        [asPath(points(b), phase - (turn * 18) / 31, 49)],
        FillRule.NonZero,
        6,
      );
      expect(common.reduce((sum, p) => sum + Math.abs(signedArea(p)), 0)).to.be.below(1e-6);
      const wrong = Clipper.intersectD(
        [asPath(points(a), turn, 0)],
        [asPath(points(b), phase - (turn * 18) / 31 + Math.PI / 31, 49)],
        FillRule.NonZero,
        6,
      );
      expect(
        wrong.reduce((sum, p) => sum + Math.abs(signedArea(p)), 0),
        'half a tooth off must strike',
      ).to.be.above(1);
    }
  });
});

describe('the contact of a pinion that is undercut', () => {
  it('is cut short by the undercut of either, whichever is named first', () => {
    const [pinion, wheel] = [spec({ count: 8 }), spec({ count: 30 })];
    const distance = centreDistance(pair(8, 30)) as number;
    const one = contactRatio(pinion, wheel, distance);
    expect(contactRatio(wheel, pinion, distance)).to.be.closeTo(one, 1e-9);
    // Between the tip circles alone, by the same formula without what the undercut takes.
    const [ra, rb, cos] = [(8 * 2) / 2, (30 * 2) / 2, Math.cos(radians(20))];
    const reach = (r: number): number => Math.sqrt((r + 2) ** 2 - (r * cos) ** 2);
    const whole = (reach(ra) + reach(rb) - (ra + rb) * Math.sin(radians(20))) / (Math.PI * 2 * cos);
    expect(one).to.be.below(whole - 0.1);
  });
});
