import { arrange } from '../../../test/arrange.ts';
import { expect } from 'chai';
import fc from 'fast-check';
import { crossesItself, flatten, type Path, signedArea } from '../../ground/geometry/index.ts';
import { ISO_53_A, moduleFromOutside, moduleOf } from '../../document/machine/index.ts';
import { must } from '../../ground/result/index.ts';
import { degrees, radians } from '../../ground/units/index.ts';
import {
  fullRound,
  halfAngleAt,
  inv,
  inverseInv,
  involuteDimensions,
  involuteFillet,
  involuteOutline,
  isUndercut,
  shiftWithoutUndercut,
  STANDARD_SPEC,
  type ToothSpec,
  undercutLimit,
} from './index.ts';

const spec = (change: Partial<ToothSpec>): ToothSpec => ({
  ...STANDARD_SPEC,
  form: ISO_53_A,
  module: 2,
  count: 20,
  ...change,
});
const outline = (s: ToothSpec, e = 0.005): Path => must(involuteOutline(s, e));

describe('involute function', () => {
  it('agrees with Machinery’s Handbook, table of involute functions (from memory)', () => {
    expect(inv(radians(14.5))).to.be.closeTo(0.0055448, 5e-8);
    expect(inv(radians(20))).to.be.closeTo(0.0149044, 5e-8);
    expect(inv(radians(25))).to.be.closeTo(0.0299753, 5e-8);
    expect(inv(radians(30))).to.be.closeTo(0.0537515, 5e-8);
  });

  it('is undone by its inverse over the whole range', () => {
    for (let a = 0.5; a < 80; a += 0.5) expect(degrees(inverseInv(inv(radians(a))))).to.be.closeTo(a, 1e-9);
    expect(inverseInv(0)).to.equal(0);
    expect(() => inverseInv(-0.1)).to.throw(RangeError);
  });
});

describe('involute wheel', () => {
  it(
    'has the diameters of ISO 21771: m 3, z 12 and 24, x 0.6 and 0.36 (Elements of Metric ' +
      'Gear Technology, profile-shifted spur gears, from memory)',
    () => {
      const a = 56.4999;
      const k = (a - 54) / 3 - 0.96;
      const pinion = involuteDimensions(spec({ module: 3, count: 12, shift: 0.6, shortening: k }));
      const wheel = involuteDimensions(spec({ module: 3, count: 24, shift: 0.36, shortening: k }));
      expect(2 * pinion.pitchRadius).to.equal(36);
      expect(2 * pinion.baseRadius).to.be.closeTo(33.8289, 1e-4);
      expect(2 * wheel.baseRadius).to.be.closeTo(67.6579, 1e-4);
      expect(2 * pinion.tipRadius).to.be.closeTo(44.84, 0.001);
      expect(2 * wheel.tipRadius).to.be.closeTo(79.4, 0.001);
      expect(2 * pinion.rootRadius).to.be.closeTo(32.1, 1e-9);
      expect(2 * wheel.rootRadius).to.be.closeTo(66.66, 1e-9);
    },
  );

  it('of a bevel from the outside of its blank: m = d_e / (z + 2 cos δ), 12 : 12, 80 mm (ISO 23509)', () => {
    const base = arrange({ a: {}, b: { at: [60, 0] } }, { 'a.u': 12, 'b.v': 12 }, [['a.u', 'b.v', 'bevel']]);
    const sized = (diameter: number, m = base): number =>
      must(moduleOf({ ...m.toothings[0]!, size: { by: 'outside diameter', wheel: 'a-u', diameter } }, m));
    expect(sized(80)).to.be.closeTo(5.964, 5e-4);
    // 15 : 30 at 90°: δ = atan(1/2), cos δ = 2/√5.
    const other = arrange({ a: {}, b: { at: [60, 0] } }, { 'a.u': 15, 'b.v': 30 }, [['a.u', 'b.v', 'bevel']]);
    expect(sized(33.5777, other)).to.be.closeTo(2, 1e-4);
    const flat = arrange({ a: {}, b: { at: [60, 0] } }, { 'a.u': 12, 'b.v': 12 }, [['a.u', 'b.v']]);
    expect(sized(80, flat)).to.be.closeTo(80 / 14, 1e-9);
  });

  it('gets its module from the outside diameter: OD 44, 20 teeth, module 2 (common practice, no source)', () => {
    expect(moduleFromOutside(44, 20)).to.equal(2);
    expect(involuteDimensions(spec({})).tipRadius).to.equal(22);
  });

  it('needs 32, 17.1 and 11.2 teeth to be without undercut at 14.5°, 20° and 25° (Machinery’s Handbook)', () => {
    expect(undercutLimit(14.5)).to.be.closeTo(31.9, 0.05);
    expect(undercutLimit(20)).to.be.closeTo(17.1, 0.05);
    expect(undercutLimit(25)).to.be.closeTo(11.2, 0.05);
    for (const [angle, least] of [
      [14.5, 32],
      [20, 18],
      [25, 12],
    ] as const) {
      const form = { ...ISO_53_A, pressureAngleDeg: angle, fillet: 0.25 / (1 - Math.sin(radians(angle))) };
      expect(isUndercut(spec({ form, count: least })), `${least} at ${angle}°`).to.equal(false);
      expect(isUndercut(spec({ form, count: least - 1 })), `${least - 1} at ${angle}°`).to.equal(true);
    }
  });

  it('is freed from undercut by exactly the shift that is offered', () => {
    for (let count = 6; count < 17; count++) {
      const x = shiftWithoutUndercut(spec({ count }));
      expect(isUndercut(spec({ count, shift: x + 1e-6 }))).to.equal(false);
      expect(isUndercut(spec({ count, shift: x - 1e-3 }))).to.equal(true);
    }
  });

  it('has a tooth thickness of half the pitch, less the thinning', () => {
    expect(involuteDimensions(spec({})).thickness).to.be.closeTo(Math.PI, 1e-12);
    expect(involuteDimensions(spec({ thinning: 0.05 })).thickness).to.be.closeTo(Math.PI - 0.05, 1e-12);
  });

  it('joins fillet and flank without a step, undercut or not', () => {
    for (const s of [
      spec({}),
      spec({ count: 12 }),
      spec({ count: 8 }),
      spec({ count: 12, shift: 0.4 }),
      spec({ count: 60, thinning: 0.1 }),
    ]) {
      const d = involuteDimensions(s);
      const f = involuteFillet(s)!;
      const p = f.curve(f.end);
      const half = Math.PI / s.count - Math.atan2(p.x, p.y);
      expect(Math.hypot(p.x, p.y)).to.be.closeTo(f.formRadius, 1e-9);
      expect(half).to.be.closeTo(halfAngleAt(f.formRadius, d.baseRadius, d.halfAngleAtBase), 1e-9);
      expect(f.undercut).to.equal(isUndercut(s));
    }
  });

  it(
    'is cut by the rack and by nothing else: no point of the outline lies inside the rack ' +
      'in any position, and every flank is touched',
    () => {
      const s = spec({ count: 11, module: 3 });
      const points = flatten(outline(s, 0.001), 0.001);
      const deepest = rackDepth(s, points);
      expect(deepest.into, 'the rack must not enter the wheel').to.be.below(0.002);
      expect(deepest.away, 'no point may stand off the rack’s envelope').to.be.below(0.01);
    },
  );

  it('is closed, does not cross itself, has its count of teeth and its chord error, for any parameters', () => {
    const params = fc.record({
      count: fc.integer({ min: 6, max: 150 }),
      module: fc.double({ min: 0.3, max: 6, noNaN: true }),
      shift: fc.double({ min: -0.4, max: 1, noNaN: true }),
      angle: fc.constantFrom(14.5, 17.5, 20, 22.5, 25, 30),
      fillet: fc.double({ min: 0, max: 0.45, noNaN: true }),
      play: fc.double({ min: 0, max: 0.2, noNaN: true }),
    });
    let drawn = 0;
    fc.assert(
      fc.property(params, ({ count, module, shift, angle, fillet, play }) => {
        const form = { ...ISO_53_A, pressureAngleDeg: angle, fillet };
        const s = spec({ form, count, module, shift, thinning: play * module });
        const made = involuteOutline(s, 0.01);
        if (!made.ok) return;
        drawn += 1;
        const points = flatten(made.value, 0.01);
        expect(crossesItself(points)).to.equal(false);
        expect(signedArea(points)).to.be.greaterThan(0);
        expect(teethOf(points)).to.equal(count);
        const d = involuteDimensions(s);
        for (const p of points) {
          const r = Math.hypot(p.x, p.y);
          expect(r).to.be.within(d.rootRadius - 1e-6, d.tipRadius + 1e-6);
        }
      }),
      { numRuns: 200 },
    );
    expect(drawn, 'most parameter sets can be drawn').to.be.greaterThan(120);
  });

  it('refuses a tooth that its undercut cuts off from both sides', () => {
    const form = { ...ISO_53_A, pressureAngleDeg: 14.5, fillet: 0 };
    const cut = involuteOutline(spec({ form, count: 6, module: 1, shift: -0.4, thinning: 0.2 }), 0.01);
    expect(!cut.ok && cut.problem.code).to.equal('teeth-cut-away');
    expect(
      involuteOutline(spec({ form, count: 6, module: 1, shift: -0.3, thinning: 0.2 }), 0.01).ok,
    ).to.equal(true);
  });

  it('keeps every chord within the error that is asked for', () => {
    const s = spec({ count: 9, module: 4 });
    const fine = flatten(outline(s, 0.00005), 0.00005);
    for (const e of [0.05, 0.005, 0.001]) {
      const coarse = flatten(outline(s, e), e);
      const worst = Math.max(...fine.filter((_, i) => i % 7 === 0).map(p => distanceTo(coarse, p)));
      expect(worst).to.be.below(e + 0.0001);
    }
  });

  it('says why it cannot be drawn', () => {
    const code = (s: ToothSpec): string => {
      const made = involuteOutline(s, 0.005);
      return made.ok ? 'ok' : made.problem.code;
    };
    expect(code(spec({ count: 3 }))).to.equal('too-few-teeth-to-draw');
    expect(code(spec({ count: 6000 }))).to.equal('too-many-teeth-to-draw');
    expect(code(spec({ thinning: 5 }))).to.equal('tooth-thinned-away');
    expect(code(spec({ count: 4, form: { ...ISO_53_A, dedendum: 2.2 } }))).to.equal('root-vanishes');
    expect(code(spec({ form: { ...ISO_53_A, pressureAngleDeg: 35, dedendum: 2 } }))).to.equal(
      'rack-too-deep',
    );
  });

  it('uses the full round of the rack where the fillet asked for does not fit', () => {
    const form = { ...ISO_53_A, pressureAngleDeg: 25, fillet: 0.9 };
    expect(fullRound(spec({ form })))
      .to.be.below(0.9)
      .and.above(0.2);
    expect(crossesItself(flatten(outline(spec({ form })), 0.005))).to.equal(false);
  });
});

type Points = readonly { x: number; y: number }[];

/** Teeth of an outline: how often its radius rises through the middle of its height. */
function teethOf(points: Points): number {
  const radii = points.map(p => Math.hypot(p.x, p.y));
  const middle = (Math.max(...radii) + Math.min(...radii)) / 2;
  return radii.filter(
    (r, i) => r >= middle && (radii[(i + radii.length - 1) % radii.length] as number) < middle,
  ).length;
}

function distanceTo(polygon: Points, p: { x: number; y: number }): number {
  let best = Infinity;
  polygon.forEach((a, i) => {
    const b = polygon[(i + 1) % polygon.length]!;
    const l2 = (b.x - a.x) ** 2 + (b.y - a.y) ** 2;
    const t = Math.max(0, Math.min(1, ((p.x - a.x) * (b.x - a.x) + (p.y - a.y) * (b.y - a.y)) / l2));
    best = Math.min(best, Math.hypot(a.x + t * (b.x - a.x) - p.x, a.y + t * (b.y - a.y) - p.y));
  });
  return best;
}

/**
 * Rolls the rack's cutting tooth (straight flanks, round corners) past points of one gap of the wheel and measures how
 * deep any of them ever lies inside it, and how far at least each stays away. Written from the rack's own shape,
 * with nothing of the outline's formulas.
 */
function rackDepth(s: ToothSpec, points: Points): { into: number; away: number } {
  const alpha = radians(s.form.pressureAngleDeg);
  const r = (s.module * s.count) / 2;
  const rho = s.form.fillet * s.module;
  const tip = s.form.dedendum * s.module;
  const half = (Math.PI * s.module) / 4 + s.thinning / 2;
  const cx = half - (tip - rho) * Math.tan(alpha) - rho / Math.cos(alpha);
  /** Signed distance to the cutting tooth, positive outside; x from its middle, y from its reference line. */
  const signed = (x: number, y: number): number => {
    const ax = Math.abs(x);
    const flank = (ax - half - y * Math.tan(alpha)) * Math.cos(alpha);
    const bottom = -tip - y;
    const [dx, dy] = [ax - cx, -(tip - rho) - y];
    const inCorner = dx > 0 && dy > dx * Math.tan(alpha) - 1e-12 && dy > 0;
    const cornerSector = inCorner && Math.atan2(dx, dy) < Math.PI / 2 - alpha;
    return cornerSector ? Math.hypot(dx, dy) - rho : Math.max(flank, bottom);
  };
  const gap = Math.PI / s.count;
  const tipRadius = Math.max(...points.map(p => Math.hypot(p.x, p.y)));
  const own = points.filter(p => {
    const a = Math.atan2(p.y, p.x);
    return a > 0 && a < 2 * gap && Math.hypot(p.x, p.y) < tipRadius - 1e-6;
  });
  let into = 0;
  let away = 0;
  for (const p of own) {
    let least = Infinity;
    for (let turn = -0.9; turn <= 0.9; turn += 0.0005) {
      const a = Math.PI / 2 - gap - turn;
      const x = p.x * Math.cos(a) - p.y * Math.sin(a);
      const y = p.x * Math.sin(a) + p.y * Math.cos(a);
      least = Math.min(least, signed(x - r * turn, y - r - s.shift * s.module));
    }
    into = Math.max(into, -least);
    away = Math.max(away, least);
  }
  return { into, away };
}
