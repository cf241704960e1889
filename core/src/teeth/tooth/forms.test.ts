import { expect } from 'chai';
import { distanceToBorder, flatten, inside, type Point, rotate } from '../../ground/geometry/index.ts';
import { must } from '../../ground/result/index.ts';
import { degrees, radians } from '../../ground/units/index.ts';
import {
  backConeHalf,
  bevelPair,
  blankProfile,
  borderOf,
  cycloidalDimensions,
  cycloidalHalf,
  type CycloidalSpec,
  endTemplate,
  epicycloid,
  halfPoints,
  involuteHalf,
  involuteOutline,
  ironPieces,
  leadOf,
  magnetRim,
  overlapRatio,
  rackHalf,
  reducerDimensions,
  reducerOutline,
  ringBorder,
  ringDimensions,
  STANDARD_SPEC,
  theoreticalAddendum,
  thrustSense,
  thrustShare,
  type ToothSpec,
  transverseAngleDeg,
  transverseSpec,
  usualFaceWidth,
  wrapStrip,
} from './index.ts';

const FORM = { kind: 'involute', pressureAngleDeg: 20, addendum: 1, dedendum: 1.25, fillet: 0.38 } as const;
const spec = (count: number, more: Partial<ToothSpec> = {}): ToothSpec => ({
  form: FORM,
  module: 2,
  count,
  ...STANDARD_SPEC,
  ...more,
});
const CHORD = 0.002;

describe('rings and racks', () => {
  it('a ring has the circles of ISO 21771 with a negative count', () => {
    const d = ringDimensions(spec(60));
    expect([2 * d.tipRadius, 2 * d.rootRadius, 2 * d.pitchRadius]).to.deep.equal([116, 125, 120]);
    expect(d.thickness).to.be.closeTo(Math.PI, 1e-12);
    const shifted = ringDimensions(spec(60, { shift: 0.5 }));
    expect(2 * shifted.tipRadius, 'shifted outwards').to.be.closeTo(118, 1e-9);
    expect(2 * shifted.rootRadius).to.be.closeTo(127, 1e-9);
  });

  it(
    'the gap of a ring is the tooth of a wheel of the same count and shift, from base ' +
      'circle to pitch circle and beyond',
    () => {
      for (const shift of [0, 0.3]) {
        const ring = flatten(must(ringBorder(spec(60, { shift }), CHORD)), CHORD);
        const wheel = flatten(must(involuteOutline(spec(60, { shift }), CHORD)), CHORD).map(p =>
          rotate(p, Math.PI / 60),
        );
        const flank = wheel.filter(
          p => Math.hypot(p.x, p.y) > 58.5 + 2 * shift && Math.hypot(p.x, p.y) < 61.5,
        );
        expect(flank.length).to.be.greaterThan(100);
        for (const p of flank) expect(distanceToBorder(ring, p)).to.be.below(2 * CHORD);
      }
    },
  );

  it('a rack has the pitch π·m, flanks at the pressure angle, and half the pitch at its pitch line (ISO 53)', () => {
    const points = halfPoints(must(rackHalf(spec(1))), CHORD);
    expect(points[0]!.y).to.be.closeTo(-Math.PI, 1e-12);
    expect(points[0]!.x).to.be.closeTo(-2.5, 1e-12);
    const [a, b] = points.slice(-3) as [Point, Point];
    expect(degrees(Math.atan2(b.y - a.y, b.x - a.x))).to.be.closeTo(20, 1e-9);
    const atPitch = a.y + ((0 - a.x) * (b.y - a.y)) / (b.x - a.x);
    expect(atPitch).to.be.closeTo(-Math.PI / 2, 1e-9);
    expect(b.x).to.equal(2);
  });

  it('corners are taken off tips as asked, by a chamfer or a round that touches tip and flank', () => {
    const sharp = halfPoints(must(involuteHalf(spec(24), CHORD)), CHORD);
    for (const kind of ['chamfer', 'round'] as const) {
      const half = must(involuteHalf(spec(24, { form: { ...FORM, tip: { kind, size: 0.2 } } }), CHORD));
      const arcs = half.segments.filter(s => s.kind === 'arc');
      expect(arcs.length).to.equal(kind === 'round' ? 3 : 2);
      const cut = halfPoints(half, CHORD);
      expect(Math.max(...cut.map(p => Math.hypot(p.x, p.y)))).to.be.closeTo(26, 1e-9);
      const full = [...sharp, ...sharp.map(p => ({ x: p.x, y: -p.y })).reverse()];
      for (const p of cut) expect(inside(full, p) || distanceToBorder(full, p) < 2 * CHORD).to.equal(true);
    }
  });
});

describe('cycloidal teeth', () => {
  const wheel: CycloidalSpec = {
    module: 1,
    count: 60,
    mate: 10,
    drives: true,
    tip: 'eased',
    thickness: Math.PI / 2,
    practical: 0.95,
    dedendum: 1.5,
    fillet: 0.2,
  };

  it('have the practical addenda of the table (BS 978-2, from memory)', () => {
    for (const [count, mate, factor] of [
      [18, 6, 1.259],
      [60, 6, 1.323],
      [64, 8, 1.473],
      [80, 10, 1.607],
    ] as const)
      expect(0.95 * theoreticalAddendum(count, mate), `${count} for ${mate}`).to.be.closeTo(factor, 0.003);
  });

  it('are truncated where the practical addendum says, and pointed at the theoretical one', () => {
    expect(cycloidalDimensions(wheel).addendum).to.be.closeTo(0.95 * theoreticalAddendum(60, 10), 1e-12);
    const whole = halfPoints(must(cycloidalHalf({ ...wheel, practical: 1 }, CHORD)), CHORD);
    const tip = whole.reduce((m, p) => (Math.hypot(p.x, p.y) > Math.hypot(m.x, m.y) ? p : m));
    expect(Math.hypot(tip.x, tip.y)).to.be.closeTo(30 + theoreticalAddendum(60, 10), 1e-6);
    expect(Math.abs(tip.y)).to.be.below(1e-4);
  });

  it(
    'obey Camus: the normal of the generated addendum passes through the pitch point when ' +
      'it touches the radial flank',
    () => {
      const [R, rho] = [30, 2.5];
      for (const t of [0.4, 0.8, 1.2, 1.6]) {
        const p = epicycloid(R, rho, t);
        const h = 1e-6;
        const [a, b] = [epicycloid(R, rho, t - h), epicycloid(R, rho, t + h)];
        const foot = { x: R * Math.cos((rho * t) / R), y: R * Math.sin((rho * t) / R) };
        const along = (b.x - a.x) * (foot.x - p.x) + (b.y - a.y) * (foot.y - p.y);
        expect(
          Math.abs(along) / (Math.hypot(b.x - a.x, b.y - a.y) * Math.hypot(foot.x - p.x, foot.y - p.y)),
        ).to.be.below(1e-6);
        // The mate's radial flank: in its own frame the point lies on a diameter of its pitch circle of radius 2ρ.
        const turnedWheel = rotate(p, -(rho * t) / R);
        const mate = rotate({ x: turnedWheel.x - (R + 2 * rho), y: turnedWheel.y }, -t / 2);
        expect(Math.abs(mate.y)).to.be.below(1e-9);
      }
    },
  );

  it(
    'tips are as high as their arcs make them: a half, two thirds and about 0.86 of the ' +
      'leaf (BS 978-2, from memory)',
    () => {
      const high = (tip: CycloidalSpec['tip']): number =>
        cycloidalDimensions({ ...wheel, count: 200, drives: false, tip, thickness: 1.05 }).addendum / 1.05;
      expect(high('round')).to.be.closeTo(0.5, 0.01);
      expect(high('medium ogive')).to.be.closeTo(0.67, 0.01);
      expect(high('high ogive')).to.be.closeTo(0.86, 0.04);
    },
  );
});

describe('reducers', () => {
  it('a disc has lobes as high as twice the eccentricity, and refuses cusps by name', () => {
    const s = { lobes: 11, pins: 12, pinDiameter: 6, pinCircleRadius: 30, eccentricity: 1.5, offset: 0 };
    const d = must(reducerDimensions(s));
    expect(d.tipRadius - d.rootRadius).to.be.closeTo(3, 1e-9);
    expect(d.pitchRadius).to.be.closeTo(16.5, 1e-12);
    const fat = reducerOutline({ ...s, pinDiameter: d.largestPin + 0.1 }, CHORD);
    expect(fat.ok ? '' : fat.problem.code).to.equal('cusp-in-lobes');
    expect(reducerOutline({ ...s, pinDiameter: d.largestPin - 0.1 }, CHORD).ok).to.equal(true);
    const loops = reducerOutline({ ...s, eccentricity: 2.5 }, CHORD);
    expect(loops.ok ? '' : loops.problem.code).to.equal('eccentricity-too-large');
  });

  it('least radius of the pin’s way agrees with the curvature of a shortened epitrochoid', () => {
    // Curvature of the trochoid x = R cos t − e cos(Nt): at t = 0 of the far side, ρ = (R − eN)²/(R − eN²)
    // (elementary calculus).
    const [R, e, N] = [30, 1.5, 12];
    const d = must(
      reducerDimensions({
        lobes: N - 1,
        pins: N,
        pinDiameter: 6,
        pinCircleRadius: R,
        eccentricity: e,
        offset: 0,
      }),
    );
    let least = Infinity;
    for (let t = 0; t < 2 * Math.PI; t += 1e-4) {
      const [dx, dy] = [
        -R * Math.sin(t) + e * N * Math.sin(N * t),
        R * Math.cos(t) - e * N * Math.cos(N * t),
      ];
      const [ddx, ddy] = [
        -R * Math.cos(t) + e * N * N * Math.cos(N * t),
        -R * Math.sin(t) + e * N * N * Math.sin(N * t),
      ];
      const k = (dx * ddy - dy * ddx) / Math.hypot(dx, dy) ** 3;
      if (k > 0) least = Math.min(least, 1 / k);
    }
    expect(d.largestPin / 2).to.be.closeTo(least, 0.02);
  });
});

describe('bevels', () => {
  it('have the cones of Litvin & Fuentes: 20 and 40 at a right angle, 26.565° and 63.435°', () => {
    const { cones, coneDistance } = bevelPair(2, [20, 40], 90, FORM);
    expect(degrees(cones[0].pitchAngle)).to.be.closeTo(26.565, 5e-4);
    expect(degrees(cones[1].pitchAngle)).to.be.closeTo(63.435, 5e-4);
    expect(coneDistance).to.be.closeTo(44.7214, 1e-4);
    expect(cones[0].virtualCount).to.be.closeTo(22.36, 0.01);
    expect(cones[0].outsideDiameter).to.be.closeTo(40 + 4 * Math.cos(cones[0].pitchAngle), 1e-12);
    expect(usualFaceWidth(coneDistance, 2)).to.be.closeTo(14.907, 1e-3);
    for (const angle of [40, 75, 120]) {
      const pair = bevelPair(1, [17, 30], angle, FORM);
      expect(degrees(pair.cones[0].pitchAngle + pair.cones[1].pitchAngle)).to.be.closeTo(angle, 1e-9);
      expect(Math.sin(pair.cones[0].pitchAngle) / Math.sin(pair.cones[1].pitchAngle)).to.be.closeTo(
        17 / 30,
        1e-12,
      );
    }
  });

  it('of no shaft angle are spur wheels, tooth for tooth', () => {
    const { cones } = bevelPair(2, [20, 40], 0, FORM);
    expect(cones[0].virtualCount).to.equal(20);
    const [a, b] = [
      halfPoints(must(backConeHalf(spec(20), cones[0], CHORD)), CHORD),
      halfPoints(must(involuteHalf(spec(20), CHORD)), CHORD),
    ];
    a.forEach((p, i) => expect(Math.hypot(p.x - b[i]!.x, p.y - b[i]!.y)).to.be.below(1e-12));
    expect(must(endTemplate(spec(20), cones[0], CHORD, 10))).to.deep.equal(
      borderOf(must(involuteHalf(spec(20), CHORD)), 20),
    );
  });

  it('rolled flat, the large end is a sector with as many teeth as the wheel, and does not close', () => {
    const { cones } = bevelPair(2, [20, 40], 90, FORM);
    const points = flatten(must(endTemplate(spec(20), cones[0], CHORD, 15)), CHORD);
    const tips = points.filter(p => Math.hypot(p.x, p.y) > cones[0].virtualCount + 1.999);
    const step = (2 * Math.PI) / cones[0].virtualCount;
    const angles = tips.map(p => Math.atan2(p.y, p.x)).map(a => (a < -step / 2 ? a + 2 * Math.PI : a));
    const clusters = new Set(angles.map(a => Math.round(a / step)));
    expect(clusters.size).to.equal(20);
  });

  it(
    'a strip of paper round 3.5 in is about 11 in long, and 14 teeth stand 25/32 in apart ' +
      '(common practice, no source)',
    () => {
      const strip = wrapStrip(3.5 * 25.4, 14);
      expect(strip.length / 25.4).to.be.closeTo(11, 0.01);
      expect(strip.pitch / 25.4).to.be.closeTo(25 / 32, 0.006);
      expect(strip.marks).to.have.length(14);
    },
  );

  it('the blank is turned to its outside diameter, its face on the face cone, and impossible ones are refused', () => {
    const { cones, coneDistance } = bevelPair(2, [20, 40], 90, FORM);
    const blank = { faceWidth: 10, bore: 6, hubDiameter: 20, hubLength: 6 };
    const points = flatten(must(blankProfile(cones[0], 2.5, coneDistance, blank)), CHORD);
    expect(2 * Math.max(...points.map(p => p.y))).to.be.closeTo(cones[0].outsideDiameter, 1e-9);
    const heel = points.find(p => Math.abs(2 * p.y - cones[0].outsideDiameter) < 1e-9)!;
    const toe = points[points.indexOf(heel) + 1]!;
    expect(Math.atan2(heel.y - toe.y, heel.x - toe.x)).to.be.closeTo(cones[0].faceAngle, 1e-9);
    const code = (b: typeof blank): string => {
      const r = blankProfile(cones[0], 2.5, coneDistance, b);
      return r.ok ? 'ok' : r.problem.code;
    };
    expect(code({ ...blank, faceWidth: 60 })).to.equal('face-too-wide');
    expect(code({ ...blank, hubDiameter: 80 })).to.equal('hub-too-large');
  });
});

describe('helical teeth', () => {
  it('in the plane across the axis are those of ISO 21771: 2 mm, 20° at 30° give 2.3094 mm and 22.796°', () => {
    const t = transverseSpec(spec(20), 30);
    expect(t.module).to.be.closeTo(2.3094, 1e-4);
    expect(t.form.pressureAngleDeg).to.be.closeTo(22.796, 1e-3);
    expect(t.form.addendum * t.module).to.be.closeTo(2, 1e-12);
    expect(transverseAngleDeg(20, 0)).to.be.closeTo(20, 1e-12);
    expect(transverseSpec(spec(20), 0), 'a helix of nought is spur').to.deep.equal(spec(20));
  });

  it('lead, overlap and thrust', () => {
    expect(leadOf(50, 45)).to.be.closeTo(Math.PI * 50, 1e-9);
    expect(overlapRatio(20, 2, 30)).to.be.closeTo((20 * 0.5) / (2 * Math.PI), 1e-12);
    expect(thrustShare(45, false)).to.be.closeTo(1, 1e-12);
    expect(thrustShare(30, true), 'chevrons have none').to.equal(0);
    // A right-hand screw that turns like a screw driven home pulls its nut back and is itself pushed forwards.
    expect(thrustSense('right', 1, true)).to.equal(1);
    expect(thrustSense('left', 1, true)).to.equal(-1);
    expect(thrustSense('right', 1, false)).to.equal(-1);
    expect(Math.tan(radians(30))).to.be.closeTo(thrustShare(30, false), 1e-12);
  });
});

describe('magnets', () => {
  it('come in pairs of poles that alternate, with a wall between, or a sentence how many go', () => {
    const magnet = { shape: 'round', diameter: 5 } as const;
    const rim = must(magnetRim({ pairs: 8, rimRadius: 20, inside: false, magnet, wall: 0.8 }));
    expect(rim.pockets).to.have.length(16);
    expect(rim.north.filter(Boolean)).to.have.length(8);
    expect(rim.between).to.be.greaterThan(0);
    const many = magnetRim({ pairs: 14, rimRadius: 20, inside: false, magnet, wall: 0.8 });
    const most = !many.ok && many.problem.code === 'magnets-touch' ? many.problem.data.most : 0;
    expect(most).to.be.above(0);
    expect(magnetRim({ pairs: most, rimRadius: 20, inside: false, magnet, wall: 0.8 }).ok).to.equal(true);
    expect(magnetRim({ pairs: most + 1, rimRadius: 20, inside: false, magnet, wall: 0.8 }).ok).to.equal(
      false,
    );
    expect(ironPieces(4, 7), 'as many as both together (common practice, no source)').to.equal(11);
  });
});
