import { expect } from 'chai';
import { linkage, pin, rod, standing } from '../../../test/linkage.ts';
import {
  linkageFrom,
  pairsFromText,
  pathFromDrawing,
  pathFromTable,
  stepPath,
} from '../../edits/edit/index.ts';
import type { Machine } from '../../document/machine/index.ts';
import { distance, distanceToBorder, type Point } from '../../ground/geometry/index.ts';
import { seeded } from '../../ground/rational/index.ts';
import { must } from '../../ground/result/index.ts';
import { degrees } from '../../ground/units/index.ts';
import { jointCourse, tracedPaths } from '../../place/motion/index.ts';
import { derive } from '../../state/derive/index.ts';
import { tracedTable } from '../../files/drawings/index.ts';
import { writeCsv } from '../../files/format/csv.ts';
import { unevenDeg } from './find-by-swing.ts';
import { crankGoesRound, leastTransmission } from './four-bar.ts';
import {
  couplerPath,
  findLinkage,
  type LinkageFound,
  type LinkageNews,
  type LinkageQuery,
  roomOf,
  type WantedMotion,
} from './index.ts';

const query = (wanted: WantedMotion, more: Partial<LinkageQuery> = {}): LinkageQuery => ({
  ...{ wanted, leastTransmissionDeg: 40, top: 8, rounds: 2, ...more },
});
function run(q: LinkageQuery): {
  readonly answer: ReturnType<typeof findLinkage> extends Generator<unknown, infer R> ? R : never;
  readonly news: readonly LinkageNews[];
} {
  const job = findLinkage(q);
  const news: LinkageNews[] = [];
  for (;;) {
    const step = job.next();
    if (step.done) return { answer: step.value, news };
    news.push(step.value);
  }
}
const search = (q: LinkageQuery): readonly LinkageFound[] => must(run(q).answer);
const made = (found: LinkageFound, clockwise = false): Machine =>
  must(linkageFrom(linkage({}, [], []).members[0]!.id, found, clockwise)(linkage({}, [], []))).machine;
const along = (points: readonly Point[], closed = true, placed = false): WantedMotion => ({
  ...{ kind: 'path', points, closed, placed },
});
/** What a machine’s own laws say of the traced point of its coupler. */
function traced(machine: Machine): readonly Point[] {
  const coupler = machine.members.find(m => m.kind === 'link')!;
  const at = coupler.points![0]!;
  return tracedPaths(derive(machine).moving, [pin(coupler.id, at.radius, at.angleDeg)], 720)[0]!
    .points as Point[];
}

describe('linkages that are found', () => {
  it('finds again a linkage whose path it is given, at its place and anywhere', () => {
    const known = {
      ...{ crank: 20, coupler: 60, rocker: 50, ground: { x: 65, y: 0 }, other: false },
      point: { x: 40, y: 30 },
    };
    const points = couplerPath(known, 24)!;
    for (const placed of [true, false]) {
      const [best] = search(query(along(points, true, placed), { rounds: 3 }));
      expect(best!.off).to.be.below(0.03);
    }
  });

  it('is made so that the machine’s own laws pass every wanted point as near as was said', () => {
    const points = stepPath();
    for (const found of search(query(along(points)))) {
      const machine = made(found);
      const path = traced(machine).map(p => ({ x: p.x + found.axis!.x, y: p.y + found.axis!.y }));
      const off = Math.max(...points.map(p => distanceToBorder(path, p)));
      expect(off).to.be.closeTo(found.off, 0.01);
      const course = jointCourse(derive(machine).moving, machine.joints[0]!)!;
      expect(course.open).to.equal(0);
      expect(degrees(course.transmission!))
        .to.be.closeTo(found.transmissionDeg, 0.1)
        .and.at.least(40 - 0.01);
    }
  });

  it('says how near it is, tells the best so far, and never falls back', () => {
    const { news, answer } = run(query(along(stepPath())));
    const told = news.flatMap(n => (n.linkages?.[0] ? [n.linkages[0].off] : []));
    expect(told.length).to.be.greaterThan(1);
    expect(told.every((off, i) => i === 0 || off <= told[i - 1]! + 0.02)).to.equal(true);
    expect(news.every((n, i) => i === 0 || n.done >= news[i - 1]!.done)).to.equal(true);
    expect(must(answer)[0]!.off).to.equal(told.at(-1));
  });

  it('fits the room that is given, passes open points in their order', () => {
    const wanted = along(
      [0, 12, 24, 36, 48].map(x => ({ x, y: 0 })),
      false,
    );
    const room = { width: 150, height: 150 };
    const found = search(query(wanted, { room }));
    for (const { linkage: l, room: takes } of found) {
      expect(takes.width).to.be.at.most(150);
      expect(takes.height).to.be.at.most(150);
      expect(roomOf(l, 720).width).to.be.closeTo(takes.width, 0.5);
    }
    expect(found[0]!.off).to.be.below(0.5);
  });

  it('leads a rocker to three angles exactly, and the machine reads them off its laws', () => {
    const pairs = [
      [0, 0],
      [60, 20],
      [120, 45],
    ] as const;
    for (const found of search(query({ kind: 'angles', pairs, apart: 80 })).slice(0, 4)) {
      expect(found.off).to.be.below(1e-6);
      const machine = made(found);
      const rocker = machine.joints[0]!.kind === 'four-bar' ? machine.joints[0].to.member : '';
      const at = standing(machine);
      for (const [crank, wanted] of pairs) {
        const turned = degrees(at(crank)(rocker).angle);
        const off = turned - wanted;
        expect(off - 360 * Math.round(off / 360)).to.be.closeTo(0, 1e-4);
      }
      // Clockwise both go the other way, and come to the places in the same order.
      const back = standing(made(found, true));
      for (const [crank, wanted] of pairs) {
        const off = degrees(back(-crank)(rocker).angle) + wanted;
        expect(off - 360 * Math.round(off / 360)).to.be.closeTo(0, 1e-4);
      }
    }
  });

  it('meets Freudenstein’s equation at every wanted place', () => {
    // Freudenstein 1954, in Norton, Design of Machinery; from memory: held against lengths made by another way.
    const pairs = [
      [0, 0],
      [45, 8],
      [90, 24],
      [135, 44],
    ] as const;
    for (const { linkage: l, startDeg, off } of search(query({ kind: 'angles', pairs, apart: 100 }))) {
      const d = l.ground.x;
      const k3 = (l.crank ** 2 - l.coupler ** 2 + l.rocker ** 2 + d ** 2) / (2 * l.crank * l.rocker);
      for (const [crank, rocker] of pairs) {
        const [phi, psi] = [crank + startDeg![0], rocker + startDeg![1]].map(x => (x * Math.PI) / 180);
        const lacks =
          (d / l.crank) * Math.cos(psi!) - (d / l.rocker) * Math.cos(phi!) + k3 - Math.cos(phi! - psi!);
        // An angle that is off by so much leaves so much of the equation at most.
        expect(Math.abs(lacks)).to.be.below((0.02 + off) * 0.1);
      }
    }
  });

  it('swings so far in such a ratio of times, as the linkage made of it does', () => {
    // Norton, Design of Machinery, quick-return four-bar of 45° and 1 : 1.25: 160° and 200° of crank (from memory).
    expect(unevenDeg(1.25)).to.be.closeTo(20, 1e-9);
    for (const timeRatio of [1, 1.25]) {
      const wanted: WantedMotion = { kind: 'swing', swingDeg: 45, timeRatio, apart: 80 };
      const found = search(query(wanted));
      expect(found.length).to.be.greaterThan(2);
      for (const f of found.slice(0, 3)) {
        const machine = made(f);
        const course = jointCourse(derive(machine).moving, machine.joints[0]!)!;
        expect(degrees(course.swing!.most - course.swing!.least)).to.be.closeTo(45, 0.01);
        expect(course.timeRatio).to.be.closeTo(timeRatio, 0.02);
      }
    }
  });

  it('agrees with the laws on which cranks go round and how they press, over random four-bars', () => {
    const chance = seeded(7);
    let round = 0;
    for (let i = 0; i < 200; i++) {
      const [crank, coupler, rocker, ground] = [20, 90, 90, 110].map(m => 5 + m * chance()) as [
        number,
        number,
        number,
        number,
      ];
      const lengths = { crank, coupler, rocker, ground };
      const machine = linkage({ b: [ground, 0] }, [rod('rod', coupler)], []);
      const lead = machine.members[0]!.id;
      const whole: Machine = {
        ...machine,
        joints: [
          {
            ...{ kind: 'four-bar', id: 'j', rod: 'rod' },
            ...{ pin: pin(lead, crank), to: pin('b', rocker, 90) },
          },
        ],
      };
      const course = jointCourse(derive(whole).moving, whole.joints[0]!, 360)!;
      expect(course.open === 0, JSON.stringify(lengths)).to.equal(crankGoesRound(lengths));
      if (!crankGoesRound(lengths)) continue;
      round += 1;
      expect(course.transmission).to.be.closeTo(leastTransmission(lengths), 2e-3);
    }
    expect(round).to.be.within(20, 180);
  });

  it('refuses with a sentence’s worth what cannot be searched for', () => {
    const problem = (wanted: WantedMotion): string => {
      const { answer } = run(query(wanted, { rounds: 1 }));
      return answer.ok ? '' : answer.problem.code;
    };
    const p = (x: number, y: number): Point => ({ x, y });
    expect(problem(along([p(0, 0), p(1, 1)]))).to.equal('linkage-points');
    expect(problem(along([p(2, 2), p(2, 2), p(2, 2)]))).to.equal('linkage-one-place');
    expect(problem({ kind: 'angles', pairs: [[0, 0]], apart: 80 })).to.equal('linkage-angles');
    const back: WantedMotion = {
      ...{ kind: 'angles', apart: 80 },
      pairs: [
        [0, 0],
        [50, 5],
        [20, 10],
      ],
    };
    expect(problem(back)).to.equal('linkage-angles-order');
    expect(problem({ kind: 'swing', swingDeg: 169, timeRatio: 3.9, apart: 80 })).to.equal(
      'linkage-none-found',
    );
  });
});

describe('wanted paths that are read', () => {
  it('reads rows of two numbers as people write them', () => {
    const read = (text: string): unknown => {
      const r = pairsFromText(text);
      return r.ok ? r.value : r.problem.data;
    };
    expect(read('1, 2\n\n-3;4.5\n6\t7\n8 -9')).to.deep.equal([
      [1, 2],
      [-3, 4.5],
      [6, 7],
      [8, -9],
    ]);
    expect(read('x mm,y mm\n1,2')).to.deep.equal([[1, 2]]);
    expect(read('1, 2\nthree')).to.deep.equal({ line: 2, text: 'three' });
    expect(read('1, 2, 3')).to.deep.equal({ line: 1, text: '1, 2, 3' });
    expect(read('1e99, 2')).to.deep.equal({ line: 1, text: '1e99, 2' });
  });

  it('reads a path back that was saved as a table, with its times and its heading', () => {
    const machine = made(search(query(along(stepPath()), { rounds: 1 }))[0]!);
    const coupler = machine.members.find(m => m.kind === 'link')!;
    const at = coupler.points![0]!;
    const { moving } = derive(machine);
    const saved = writeCsv(tracedTable(moving, pin(coupler.id, at.radius, at.angleDeg)));
    const { points, closed } = must(pathFromTable(saved));
    expect(closed).to.equal(true);
    expect(points).to.have.length(60);
    const path = traced(machine);
    expect(Math.max(...points.map(p => distanceToBorder(path, p)))).to.be.below(1e-3);
    expect(must(pathFromTable('1, 2\n3, 4\n5, 9'))).to.deep.equal({
      points: [
        { x: 1, y: 2 },
        { x: 3, y: 4 },
        { x: 5, y: 9 },
      ],
      closed: false,
    });
  });

  it('takes the longest line of a drawing, thinned to what can be searched for', () => {
    const ring = Array.from({ length: 200 }, (_, i) => ({
      x: 30 * Math.cos((Math.PI * i) / 100),
      y: 30 * Math.sin((Math.PI * i) / 100),
    }));
    const lines = [
      {
        points: [
          { x: 0, y: 0 },
          { x: 5, y: 0 },
        ],
        closed: false,
      },
      { points: ring, closed: true },
    ];
    const { points, closed } = must(pathFromDrawing({ lines, millimetres: 2 }));
    expect(closed).to.equal(true);
    expect(points).to.have.length(60);
    expect(points.every(p => Math.abs(distance(p, { x: 0, y: 0 }) - 60) < 1e-4)).to.equal(true);
    expect(pathFromDrawing({ lines: lines.slice(0, 1), millimetres: 1 }).ok).to.equal(false);
  });
});
