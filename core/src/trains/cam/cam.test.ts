import { expect } from 'chai';
import * as Astronomy from 'astronomy-engine';
import { type Point, rotate } from '../../ground/geometry/index.ts';
import {
  type CamJoint,
  camContact,
  camFacts,
  camFaults,
  type CamMotion,
  camOutline,
  camShape,
  type CamShape,
  followed,
  type FollowerWay,
  leastRadius,
  leavesAt,
  liftOf,
  periodicSpline,
  rise,
  rollCam,
  slideWay,
} from './index.ts';

const DEG = Math.PI / 180;
const LAWS = ['harmonic', 'cycloidal', '3-4-5', 'modified trapezoid'] as const;
const slide = (offset = 0): FollowerWay => ({ kind: 'slide', offset });

/** A rise of 20 over 120°, a dwell of 60°, a fall over 120°, a dwell. Invented. */
const wave = (law: (typeof LAWS)[number] = 'cycloidal', to = 20): CamMotion => ({
  kind: 'segments',
  segments: [
    { overDeg: 120, to, law },
    { overDeg: 60, to, law },
    { overDeg: 120, to: 0, law },
    { overDeg: 60, to: 0, law },
  ],
});

const joint = (motion: CamMotion, more: Partial<CamJoint> = {}): CamJoint => ({
  ...{ kind: 'cam', id: 'c', cam: 'a', follower: 'f', motion, radius: 40 },
  ...{ touch: { kind: 'roller', diameter: 12 }, kept: { kind: 'weight' }, layer: 0, ...more },
});
const shape = (motion: CamMotion, way: FollowerWay, more: Partial<CamJoint> = {}): CamShape =>
  camShape(joint(motion, more), way);

describe('the motion of a cam', () => {
  it('has the greatest speeds and accelerations of the handbooks (Norton, Design of Machinery; from memory)', () => {
    const peak = (law: (typeof LAWS)[number], of: 'rate' | 'second'): number =>
      Math.max(...Array.from({ length: 4001 }, (_, i) => rise(law, i / 4000)[of]));
    expect(LAWS.map(l => +peak(l, 'rate').toFixed(3))).to.deep.equal([1.571, 2, 1.875, 2]);
    expect(LAWS.map(l => +peak(l, 'second').toFixed(3))).to.deep.equal([4.935, 6.283, 5.774, 4.888]);
  });

  it('begins and ends every rise at rest where it is a dwell’s neighbour, and says its own derivatives', () => {
    for (const law of LAWS) {
      expect(
        [rise(law, 0).done, rise(law, 1).done, rise(law, 0.5).done].map(x => +x.toFixed(12)),
      ).to.deep.equal([0, 1, 0.5]);
      expect(rise(law, 0).rate).to.be.closeTo(0, 1e-12);
      for (let x = 0.013; x < 1; x += 0.0371) {
        const h = 1e-5;
        const [a, b] = [rise(law, x - h), rise(law, x + h)];
        expect((b.done - a.done) / (2 * h), law).to.be.closeTo(rise(law, x).rate, 1e-7);
        expect((b.rate - a.rate) / (2 * h), law).to.be.closeTo(rise(law, x).second, 1e-3);
      }
    }
  });

  it('goes through its segments, and closes at the lift with which it began', () => {
    const lift = liftOf(wave('harmonic'));
    const at = [0, 60, 120, 150, 240, 300, 359.999, -60].map(deg => +lift(deg * DEG)[0].toFixed(6));
    expect(at).to.deep.equal([0, 10, 20, 20, 10, 0, 0, 0]);
  });

  it('goes smoothly through points round the turn: eight of a sine give the sine', () => {
    const points = Array.from({ length: 8 }, (_, i) => [i, Math.sin((i * Math.PI) / 4)] as const);
    const spline = periodicSpline(points, 8);
    for (let x = -8; x < 16; x += 0.13) expect(spline(x)[0]).to.be.closeTo(Math.sin((x * Math.PI) / 4), 2e-3);
    for (const [x, y] of points) expect(spline(x)[0]).to.be.closeTo(y, 1e-12);
    // Uneven steps: value, slope and bend go on over every point.
    const uneven = periodicSpline(
      [
        [0, 1],
        [0.4, 3],
        [2, -1],
        [5, 0.5],
      ],
      6,
    );
    for (const x of [0, 0.4, 2, 5, 6])
      for (const k of [0, 1, 2] as const)
        expect(uneven(x - 1e-9)[k]).to.be.closeTo(uneven(x + 1e-9)[k], 1e-6);
    const two = periodicSpline(
      [
        [0, 0],
        [3, 2],
      ],
      6,
    );
    expect(two(1.5)[0]).to.be.closeTo(1, 1e-12);
  });

  it('shows the equation of time within a minute of a library for the sky, all over a year', () => {
    const lift = liftOf({ kind: 'sky', of: 'equation of time', scale: 1 });
    const greenwich = new Astronomy.Observer(0, 0, 0);
    for (let day = 0; day < 365; day += 7) {
      const noon = new Date(Date.UTC(2027, 0, 1 + day, 12));
      const hours = Astronomy.HourAngle(Astronomy.Body.Sun, noon, greenwich);
      const ahead = 60 * (hours > 12 ? hours - 24 : hours);
      expect(lift((2 * Math.PI * day) / 365.2422)[0], noon.toISOString()).to.be.closeTo(ahead, 1);
    }
  });

  it('shows sunrise and sunset within two minutes of that library, at 52° north', () => {
    const [rises, sets] = (['sunrise', 'sunset'] as const).map(of =>
      liftOf({ kind: 'sky', of, scale: 60, latitudeDeg: 52 }),
    );
    const observer = new Astronomy.Observer(52, 0, 0);
    for (let day = 3; day < 365; day += 19) {
      const midnight = new Date(Date.UTC(2027, 0, 1 + day));
      const minutes = (sense: 1 | -1): number => {
        const found = Astronomy.SearchRiseSet(Astronomy.Body.Sun, observer, sense, midnight, 1);
        return (found!.date.getTime() - midnight.getTime()) / 60000;
      };
      const theta = (2 * Math.PI * day) / 365.2422;
      expect(360 + rises!(theta)[0], `sunrise of day ${day}`).to.be.closeTo(minutes(1), 2);
      expect(18 * 60 + sets!(theta)[0], `sunset of day ${day}`).to.be.closeTo(minutes(-1), 2);
    }
  });

  it('is run through backwards by a cam laid out clockwise, and is ahead by what it is turned forward', () => {
    const plain = shape(wave(), slide());
    const back = shape(wave(), slide(), { clockwise: true });
    const ahead = shape(wave(), slide(), { phaseDeg: 30 });
    for (const deg of [20, 100, 250]) {
      expect(back.lift(-deg * DEG)[0]).to.be.closeTo(plain.lift(deg * DEG)[0], 1e-12);
      expect(ahead.lift((deg - 30) * DEG)[0]).to.be.closeTo(plain.lift(deg * DEG)[0], 1e-12);
    }
  });

  it('adds the waves of a tide', () => {
    const waves = [
      { times: 2, height: 5, atDeg: 30 },
      { times: 1, height: 2, atDeg: 0 },
    ];
    const lift = liftOf({ kind: 'waves', waves });
    expect(lift(30 * DEG)[0]).to.be.closeTo(5 + 2 * Math.cos(30 * DEG), 1e-12);
    expect(lift(Math.PI)[0]).to.be.closeTo(5 * Math.cos(300 * DEG) - 2, 1e-12);
  });
});

describe('the outline of a cam', () => {
  it('is an eccentric circle where a flat follower goes as a cosine (Machinery’s Handbook; from memory)', () => {
    const motion: CamMotion = { kind: 'waves', waves: [{ times: 1, height: 7, atDeg: 0 }] };
    for (const p of camOutline(shape(motion, slide(), { touch: { kind: 'flat' }, radius: 25 })))
      expect(Math.hypot(p.x - 7, p.y)).to.be.closeTo(25, 1e-9);
  });

  it('presses a slide as the handbook’s formula says: tan α = (s′ − e)/(√(r² − e²) + s)', () => {
    // Source: Norton, Design of Machinery, pressure angle of a translating roller follower; from memory.
    for (const e of [0, 8, -8]) {
      const of = shape(wave('3-4-5'), slide(e));
      for (let theta = 0.05; theta < 6.2; theta += 0.21) {
        const [s, rate] = of.lift(theta);
        const wanted = Math.atan((rate + e) / (Math.sqrt(46 ** 2 - e * e) + s));
        expect(camContact(of, theta).pressure).to.be.closeTo(Math.abs(wanted), 1e-12);
      }
    }
  });

  it('has the radius of curvature that three points of the roller’s way have', () => {
    const ways: FollowerWay[] = [slide(6), { kind: 'arm', apart: 90, arm: 80, side: 1 }];
    for (const way of ways) {
      const motion = way.kind === 'arm' ? wave('cycloidal', 14) : wave('cycloidal');
      const of = shape(motion, way);
      const round = (theta: number): Point => rotate(followed(of, theta).at, -theta);
      for (let theta = 0.1; theta < 6.2; theta += 0.4) {
        const [a, m, b] = [round(theta - 1e-3), round(theta), round(theta + 1e-3)];
        const cross = (m.x - a.x) * (b.y - m.y) - (m.y - a.y) * (b.x - m.x);
        const sides =
          Math.hypot(m.x - a.x, m.y - a.y) *
          Math.hypot(b.x - m.x, b.y - m.y) *
          Math.hypot(b.x - a.x, b.y - a.y);
        const radius = -sides / (2 * cross);
        expect(camContact(of, theta).curvature / radius).to.be.closeTo(1, 2e-3);
      }
    }
  });

  /** Every way of touching, with a motion that suits it. */
  const all: readonly (readonly [string, CamShape])[] = [
    ['roller in line', shape(wave(), slide())],
    ['roller beside the axis', shape(wave('modified trapezoid'), slide(9))],
    ['knife edge', shape(wave('harmonic'), slide(-5), { touch: { kind: 'knife' } })],
    ['flat face', shape(wave('3-4-5', 12), slide(), { touch: { kind: 'flat' }, radius: 60 })],
    ['clockwise, turned on', shape(wave(), slide(4), { clockwise: true, phaseDeg: 77 })],
    ['roller on an arm', shape(wave('cycloidal', 16), { kind: 'arm', apart: 90, arm: 80, side: 1 })],
    [
      'roller on an arm to the right',
      shape(wave('cycloidal', 16), { kind: 'arm', apart: 90, arm: 80, side: -1 }),
    ],
    [
      'flat arm',
      shape(wave('3-4-5', 8), { kind: 'arm', apart: 90, arm: 1, side: 1 }, { touch: { kind: 'flat' } }),
    ],
    [
      'flat arm to the right',
      shape(wave('3-4-5', 8), { kind: 'arm', apart: 90, arm: 1, side: -1 }, { touch: { kind: 'flat' } }),
    ],
    [
      'through points',
      shape(
        {
          kind: 'points',
          points: [
            [0, 0],
            [70, 9],
            [200, 14],
            [290, 3],
          ],
        },
        slide(3),
      ),
    ],
    ['equation of time', shape({ kind: 'sky', of: 'equation of time', scale: 0.5 }, slide())],
  ];

  it('moves its follower as wanted when that is rolled over it, to a few thousandths', () => {
    for (const [name, of] of all) expect(rollCam(of).error, name).to.be.below(0.004);
  });

  it('does not pass for right when it is cut wrong', () => {
    for (const [name, of] of all) {
      const bitten = camOutline(of).map(p => ({ x: p.x * 1.002, y: p.y }));
      expect(rollCam(of, 180, bitten).error, name).to.be.above(0.02);
    }
  });

  it('is worn away where its roller is too large for its tip, which the rolling shows', () => {
    const sharp: CamMotion = {
      kind: 'segments',
      segments: [
        { overDeg: 60, to: 25, law: 'cycloidal' },
        { overDeg: 60, to: 0, law: 'cycloidal' },
        { overDeg: 240, to: 0, law: 'cycloidal' },
      ],
    };
    const of = shape(sharp, slide(), { radius: 12, touch: { kind: 'roller', diameter: 40 } });
    const facts = camFacts(of);
    expect(facts.bulge).to.be.within(0, of.roller);
    expect(camFaults(of, facts, false)).to.include('undercut');
    expect(rollCam(of).error, 'it misses its lift').to.be.above(0.05);
    // No point of what is left lies within the roller anywhere.
    const left = camOutline(of);
    for (let i = 0; i < 60; i++) {
      const centre = rotate(followed(of, i * 6 * DEG).at, -i * 6 * DEG);
      for (const p of left) expect(Math.hypot(p.x - centre.x, p.y - centre.y)).to.be.above(of.roller - 0.01);
    }
  });

  it('keeps both rollers of a second cam in touch all round, and both walls of a groove', () => {
    const gap = (points: readonly Point[], centre: Point): number =>
      Math.min(...points.map(p => Math.hypot(p.x - centre.x, p.y - centre.y)));
    const ways: FollowerWay[] = [slide(), { kind: 'arm', apart: 90, arm: 70, side: 1 }];
    for (const way of ways) {
      const of = shape(wave('3-4-5', way.kind === 'arm' ? 12 : 15), way);
      const [second, wall] = [camOutline(of, 'second cam', 5760), camOutline(of, 'far wall', 5760)];
      const apart = new Set<string>();
      for (let i = 0; i < 90; i++) {
        const theta = (i * 4 + 1) * DEG;
        const [one, two] = [followed(of, theta).at, followed(of, theta, true).at];
        expect(gap(second, rotate(two, -theta))).to.be.closeTo(of.roller, 0.005);
        expect(gap(wall, rotate(one, -theta))).to.be.closeTo(of.roller, 0.005);
        apart.add(Math.hypot(one.x - two.x, one.y - two.y).toFixed(6));
      }
      expect(apart.size, 'both rollers are on one stiff piece').to.equal(1);
    }
  });

  it('is offered with the least radius that has no fault, and not with less', () => {
    for (const [name, of] of all.filter(([, s]) => s.way.kind === 'slide')) {
      const least = leastRadius(of, false)!;
      const faults = (radius: number): number => {
        const tried = { ...of, radius };
        return camFaults(tried, camFacts(tried, 180), false).length;
      };
      expect(faults(least), name).to.equal(0);
      expect(faults(least - 0.5), name).to.be.above(0);
    }
    const wide = shape(wave('cycloidal', 120), { kind: 'arm', apart: 30, arm: 5, side: 1 });
    expect(leastRadius(wide, false), 'an arm of 5 mm swung by 120°, its axis 30 mm off').to.equal(undefined);
  });

  it('says where its follower leaves it: a cosine falls as free bodies do at ω² = g/h', () => {
    // Newton’s second law: the greatest acceleration of h·cos θ is h·ω².
    const of = shape({ kind: 'waves', waves: [{ times: 1, height: 10, atDeg: 0 }] }, slide());
    const facts = camFacts(of);
    expect(leavesAt({ kind: 'weight' }, of, facts)).to.be.closeTo(Math.sqrt(9806.65 / 10), 1e-6);
    // 2 N on 50 g with no rate: m h ω² = F.
    const spring = { kind: 'spring', force: 2, rate: 0, grams: 50 } as const;
    expect(leavesAt(spring, of, facts)).to.be.closeTo(Math.sqrt(2 / (0.05 * 0.01)), 1e-6);
    expect(leavesAt({ kind: 'groove' }, of, facts)).to.equal(undefined);
  });

  it('cannot stand where its line goes past it, or its arm is too short', () => {
    expect(camFaults(shape(wave(), slide(50)), camFacts(shape(wave(), slide(50))), false)).to.deep.equal([
      'no reach',
    ]);
    expect(slideWay(shape(wave(), slide()), 0)).to.equal(46);
  });
});
