import { expect } from 'chai';
import fc from 'fast-check';
import { linkage, pin, rod, slideBeside, standing } from '../../../test/linkage.ts';
import type { Machine } from '../../document/machine/index.ts';
import { distance, polar } from '../../ground/geometry/index.ts';
import { toFraction } from '../../ground/rational/index.ts';
import { trainRates } from '../../trains/train/index.ts';

const DEG = Math.PI / 180;
const TURN = Array.from({ length: 720 }, (_, i) => i / 2);
/** An angle between −180 and 180, degrees. */
const near = (rad: number): number => (rad - 2 * Math.PI * Math.round(rad / (2 * Math.PI))) / DEG;

const sliderCrank = (offset: number): Machine =>
  linkage(
    {},
    [rod('rod', 70), slideBeside('slide', offset)],
    [{ kind: 'crank', id: 'j1', pin: pin('drive', 24), rod: 'rod', slide: 'slide' }],
  );

/** Where the way of a slider is least and greatest, golden section about the best of a sweep; degrees. */
function extreme(way: (deg: number) => number, sign: 1 | -1): number {
  let at = TURN.reduce((best, d) => (sign * way(d) > sign * way(best) ? d : best), 0);
  for (let step = 0.25; step > 1e-9; step /= 2)
    at = [at - step, at, at + step].reduce((b, d) => (sign * way(d) > sign * way(b) ? d : b), at);
  return at;
}

describe('cranks, yokes and slots (Norton, Design of Machinery; Machinery’s Handbook)', () => {
  it('a crank of 24 on a rod of 70 stands at 94.0000, 65.7571 and 46.0000 mm', () => {
    const at = standing(sliderCrank(0));
    for (const [deg, way] of [
      [0, 94],
      [90, 65.7571],
      [180, 46],
      [360, 94],
    ] as const)
      expect(at(deg)('slide').centre.x).to.be.closeTo(way, 5e-5);
    const rodAngle = Math.max(...TURN.map(d => Math.abs(near(at(d)('rod').angle))));
    expect(rodAngle, 'greatest angle of the rod').to.be.closeTo(20.05, 0.005);
  });

  it('out of line its stroke grows and one way is quicker: 48.5667 mm, 1.0743; 50.4231 mm, 1.1620', () => {
    for (const [offset, stroke, ratio] of [
      [10, 48.5667, 1.0743],
      [20, 50.4231, 1.162],
    ] as const) {
      const at = standing(sliderCrank(offset));
      const way = (d: number): number => at(d)('slide').centre.x;
      const [far, nearest] = [extreme(way, 1), extreme(way, -1)];
      expect(way(far) - way(nearest)).to.be.closeTo(stroke, 5e-5);
      expect(at(0)('slide').centre.y).to.be.closeTo(offset, 1e-12);
      const one = (((nearest - far) % 360) + 360) % 360;
      expect(Math.max(one, 360 - one) / Math.min(one, 360 - one)).to.be.closeTo(ratio, 5e-5);
    }
  });

  it('keeps the rod between its pins, wherever it stands and however its line lies', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 5, max: 20, noNaN: true }),
        fc.double({ min: -15, max: 15, noNaN: true }),
        fc.double({ min: 0, max: 360, noNaN: true }),
        fc.double({ min: -720, max: 720, noNaN: true }),
        fc.boolean(),
        (radius, offset, line, deg, other) => {
          const m = linkage(
            {},
            [rod('rod', 60), slideBeside('slide', offset, line)],
            [
              {
                ...{ kind: 'crank', id: 'j1', pin: pin('drive', radius, 30), rod: 'rod', slide: 'slide' },
                ...(other && { other }),
              },
            ],
          );
          const at = standing(m)(deg);
          const crankPin = polar(at('drive').centre, radius, at('drive').angle + 30 * DEG);
          expect(distance(crankPin, at('slide').centre)).to.be.closeTo(60, 1e-9);
          expect(distance(crankPin, at('rod').centre)).to.be.below(1e-9);
          expect(distance(polar(crankPin, 60, at('rod').angle), at('slide').centre)).to.be.below(1e-9);
          const off =
            Math.sin(line * DEG) * at('slide').centre.x - Math.cos(line * DEG) * at('slide').centre.y;
          expect(off).to.be.closeTo(-offset, 1e-9);
        },
      ),
      { numRuns: 60 },
    );
  });

  it('a Scotch yoke moves by the cosine alone', () => {
    const at = standing(
      linkage(
        {},
        [slideBeside('slide')],
        [{ kind: 'yoke', id: 'j1', pin: pin('drive', 20), slide: 'slide' }],
      ),
    );
    for (const d of TURN) expect(at(d)('slide').centre.x).to.be.closeTo(20 * Math.cos(d * DEG), 1e-12);
  });

  it('a slotted arm beyond the pin’s circle swings by twice asin r/e, the quick way in 180° less that', () => {
    // Crank 20, centres 40: the arm swings 60° over all; the strokes take 240° and 120°, a time ratio of 2.
    const m = linkage(
      { arm: [0, -40] },
      [],
      [{ kind: 'slot', id: 'j1', pin: pin('drive', 20), driven: 'arm', slotDeg: 90 }],
    );
    expect(toFraction(trainRates(m).rates['arm']!)).to.equal('0');
    const at = standing(m);
    const swing = (d: number): number => at(d)('arm').angle / DEG;
    const [left, right] = [extreme(swing, 1), extreme(swing, -1)];
    expect(swing(left) - swing(right)).to.be.closeTo(60, 1e-6);
    const one = (((right - left) % 360) + 360) % 360;
    expect(Math.max(one, 360 - one) / Math.min(one, 360 - one)).to.be.closeTo(2, 1e-5);
  });

  it('pin and slot on two axes a little apart: once round with the driver, ahead and behind by asin e/r', () => {
    // The uneven month of Freeth and others, Nature 444 (2006): e/r 1.1/9.6 gives 6.58°.
    const m = linkage(
      { moon: [1.1, 0] },
      [],
      [{ kind: 'slot', id: 'j1', pin: pin('drive', 9.6), driven: 'moon', slotDeg: 0, round: true }],
    );
    expect(toFraction(trainRates(m).rates['moon']!)).to.equal('1');
    const at = standing(m);
    const ahead = TURN.map(d => near(at(d)('moon').angle - d * DEG));
    expect(Math.max(...ahead)).to.be.closeTo(Math.asin(1.1 / 9.6) / DEG, 1e-3);
    expect(Math.min(...ahead)).to.be.closeTo(-Math.asin(1.1 / 9.6) / DEG, 1e-3);
    const far = standing(m)(360 * 1e9 + 90);
    expect(near(far('moon').angle), 'after 10⁹ turns').to.be.closeTo(near(at(90)('moon').angle), 1e-4);
  });
});

const fourBar = (crank: number, coupler: number, rocker: number, ground: number): Machine =>
  linkage(
    { rocker: [ground, 0] },
    [rod('coupler', coupler)],
    [
      {
        ...{ kind: 'four-bar', id: 'j1', pin: pin('drive', crank), rod: 'coupler' },
        to: pin('rocker', rocker),
      },
    ],
  );

/** Whether the loop of a machine closes at some turn of the drive, by what is asked of the motion itself. */
function closesAll(machine: Machine): boolean {
  const at = standing(machine);
  const [joint] = machine.joints;
  if (joint?.kind !== 'four-bar') throw new Error('no four-bar');
  const length = machine.members.find(m => m.id === joint.rod);
  if (length?.kind !== 'link') throw new Error('no rod');
  return TURN.every(d => {
    const s = at(d);
    const [p, q] = [joint.pin, joint.to].map(x =>
      polar(s(x.member).centre, x.radius, s(x.member).angle + x.angleDeg * DEG),
    );
    return Math.abs(distance(p!, q!) - length.length) < 1e-6;
  });
}

describe('four-bars (Norton, Design of Machinery)', () => {
  it('the crank goes all the way round just where Grashof says so: 300 random four-bars', () => {
    let whole = 0;
    const length = fc.double({ min: 10, max: 100, noNaN: true });
    fc.assert(
      fc.property(length, length, length, length, (crank, coupler, rocker, ground) => {
        const [s, p, q, l] = [crank, coupler, rocker, ground].sort((a, b) => a - b) as [
          number,
          number,
          number,
          number,
        ];
        // The shortest goes round against the rest where s + l ≤ p + q; the crank where it or the ground is that one.
        const round = s + l <= p + q && (crank === s || ground === s);
        fc.pre(Math.abs(s + l - p - q) > 0.5);
        if (round) whole++;
        expect(closesAll(fourBar(crank, coupler, rocker, ground))).to.equal(round);
      }),
      { numRuns: 300 },
    );
    expect(whole, 'both kinds were among them').to.be.within(20, 280);
  });

  it('crank and rocker: the swing is that of the two positions in which crank and coupler lie in a line', () => {
    const [a, b, c, d] = [20, 75, 50, 80];
    const at = standing(fourBar(a, b, c, d));
    const angle = (deg: number): number => at(deg)('rocker').angle / DEG;
    // Law of cosines at the fixed pin of the rocker, for b + a and b − a.
    const corner = (x: number): number => Math.acos((c * c + d * d - x * x) / (2 * c * d)) / DEG;
    const swing = angle(extreme(angle, 1)) - angle(extreme(angle, -1));
    expect(swing).to.be.closeTo(corner(b + a) - corner(b - a), 1e-5);
  });

  it('a parallelogram stays one through its dead points, and its mirror turns against the crank', () => {
    const m = fourBar(20, 80, 20, 80);
    const [joint] = m.joints;
    const round = { ...m, joints: [{ ...joint, round: true } as Machine['joints'][number]] };
    expect(toFraction(trainRates(round).rates['rocker']!)).to.equal('1');
    const at = standing(round);
    for (const d of TURN) expect(near(at(d)('rocker').angle - d * DEG)).to.be.closeTo(0, 1e-9);
    const crossed = { ...m, joints: [{ ...joint, round: true, other: true } as Machine['joints'][number]] };
    expect(toFraction(trainRates(crossed).rates['rocker']!)).to.equal('-1');
    expect(closesAll(crossed)).to.equal(true);
    const mirror = standing(crossed);
    let before = mirror(0)('rocker').angle;
    for (const d of TURN.slice(1)) {
      const now = mirror(d)('rocker').angle;
      expect(near(now - before), `turns on at ${d}°`).to.be.within(-5, 0);
      before = now;
    }
  });

  it('Hoeken’s linkage draws a straight line within its published deviation', () => {
    // Norton, Design of Machinery, table 3-1 (from memory): over 180° of crank L1/L2 2.200 and L3/L2 2.800 give a line
    // of 4.181 L2, straight to 0.111 %; over 20°, 2.975 and 3.963, one of 0.601 L2; the point at twice the coupler.
    for (const [ground, coupler, range, long, off] of [
      [2.2, 2.8, 180, 4.181, 0.111],
      [2.975, 3.963, 20, 0.601, 0.0005],
    ] as const) {
      const at = standing(fourBar(20, 20 * coupler, 20 * coupler, 20 * ground));
      const line = Array.from({ length: 361 }, (_, i) => {
        const { centre, angle } = at(180 - range / 2 + (range * i) / 360)('coupler');
        return polar(centre, 40 * coupler, angle);
      });
      const [xs, ys] = [line.map(q => q.x), line.map(q => q.y)];
      const across = Math.max(...xs) - Math.min(...xs);
      expect(across / 20).to.be.closeTo(long, 0.0006);
      expect(((Math.max(...ys) - Math.min(...ys)) / across) * 100, 'percent').to.be.below(off);
    }
  });

  it('goes on behind one another: coupler point, two rods, a slide; each rod keeps its length', () => {
    const base = fourBar(20, 75, 50, 80);
    const m: Machine = {
      ...base,
      members: [...base.members, rod('a', 60), rod('b', 70), rod('c', 90), slideBeside('slide', 0, 90)],
      joints: [
        ...base.joints,
        {
          ...{ kind: 'two rods', id: 'j2', rodA: 'a', rodB: 'b' },
          a: pin('coupler', 40, 30),
          b: pin('rocker', 50),
        },
        { kind: 'crank', id: 'j3', pin: pin('b', 70), rod: 'c', slide: 'slide' },
      ],
    };
    const at = standing(m);
    for (const d of [0, 33, 121, 250, 359]) {
      const s = at(d);
      const on = (id: string, r: number, deg: number): { x: number; y: number } =>
        polar(s(id).centre, r, s(id).angle + deg * DEG);
      expect(distance(on('coupler', 40, 30), s('a').centre)).to.be.below(1e-9);
      expect(distance(on('a', 60, 0), on('b', 70, 0))).to.be.below(1e-9);
      expect(distance(on('b', 70, 0), s('c').centre)).to.be.below(1e-9);
      expect(distance(on('c', 90, 0), s('slide').centre)).to.be.below(1e-9);
      expect(Math.abs(s('slide').centre.x)).to.be.below(1e-9);
    }
  });
});

describe('universal joints (Machinery’s Handbook)', () => {
  const row = (fork: number | undefined): Machine =>
    linkage(
      { middle: [50, 0], last: [100, 0] },
      [],
      [
        { kind: 'universal', id: 'j1', a: 'drive', b: 'middle', bendDeg: 25 },
        ...(fork === undefined
          ? []
          : [{ kind: 'universal' as const, id: 'j2', a: 'middle', b: 'last', bendDeg: 25, forkDeg: fork }]),
      ],
    );
  const most = (m: Machine, id: string): number => {
    const at = standing(m);
    return Math.max(...TURN.map(d => Math.abs(near(at(d)(id).angle - d * DEG))));
  };
  const ratios = (m: Machine, id: string): number[] => {
    const at = standing(m);
    return TURN.map(d => near(at(d + 0.005)(id).angle - at(d - 0.005)(id).angle) / 0.01);
  };

  it('bent by 25° one is uneven by 2.8171°, its speed cos 25° to 1/cos 25°', () => {
    expect(most(row(undefined), 'middle')).to.be.closeTo(2.8171, 2e-4);
    const speeds = ratios(row(undefined), 'middle');
    expect(Math.min(...speeds)).to.be.closeTo(Math.cos(25 * DEG), 1e-4);
    expect(Math.max(...speeds)).to.be.closeTo(1 / Math.cos(25 * DEG), 1e-4);
  });

  it('two with forks a quarter turn off 5.6275° and 0.821 to 1.217; with forks in line even', () => {
    expect(most(row(0), 'last')).to.be.closeTo(5.6275, 2e-4);
    const speeds = ratios(row(0), 'last');
    expect(Math.min(...speeds)).to.be.closeTo(0.821, 5e-4);
    expect(Math.max(...speeds)).to.be.closeTo(1.217, 5e-4);
    expect(most(row(90), 'last')).to.be.closeTo(0, 1e-9);
  });

  it('driven from its far end it turns by the inverse', () => {
    const m = row(undefined);
    const back: Machine = { ...m, drive: { member: 'middle', speed: { kind: 'free' } } };
    const [there, here] = [standing(m), standing(back)];
    for (const d of [10, 47, 133, 290]) {
      const middle = there(d)('middle').angle / DEG;
      expect(near(here(middle)('drive').angle - d * DEG)).to.be.closeTo(0, 1e-6);
    }
  });
});

describe('racks that slide', () => {
  it('a pinion of 14 and module 2 moves its rack by 87.96 mm a turn, the way its line points', () => {
    const base = linkage({}, [slideBeside('slide', -14, 90)], []);
    const toothing = base.toothings[0]!;
    const m: Machine = {
      ...base,
      toothings: [{ ...toothing, size: { by: 'module', module: 2 } }],
      wheels: [
        ...[['p', 'drive', 14, 'wheel'] as const, ['r', 'slide', 20, 'rack'] as const].map(
          ([id, member, count, role]): Machine['wheels'][number] => ({
            ...{ id, name: id, member, toothing: toothing.id, role, layer: 0 },
            teeth: { kind: 'count', count },
          }),
        ),
      ],
      joints: [{ kind: 'mesh', id: 'm1', type: 'rack', a: 'p', b: 'r' }],
    };
    const at = standing(m);
    const [from, to] = [at(0)('slide').centre, at(180)('slide').centre];
    expect(2 * (to.y - from.y)).to.be.closeTo(87.96, 0.005);
    expect(to.x).to.be.closeTo(from.x, 1e-9);
    // 20 teeth on a pinion of 14: 1.43 turns from end to end; beyond its ends it stands still.
    const way = (d: number): number => at(d)('slide').centre.y - from.y;
    const [first, last] = [way(-3600), way(3600)];
    expect((last - first) / 87.9646).to.be.closeTo(1.43, 0.005);
    expect(way(360 * 5)).to.equal(last);
    expect(way(-180)).to.be.closeTo(-87.9646 / 2, 1e-3);
  });
});
